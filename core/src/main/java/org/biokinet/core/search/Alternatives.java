package org.biokinet.core.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;

/**
 * What to do instead when a client cannot take the position or has not got the equipment. First the
 * exercise itself, in another position or with a stand-in; then its easier and harder forms; then
 * others for the same target; at last something for the same region, or breathing. Never a dead
 * end, and always with what is lost. Table and weights are our choice; the stand-ins are common
 * practice, no source.
 */
public final class Alternatives {

  /** One thing in place of another, and what that costs; empty when nothing. */
  private record StandIn(Equipment needed, Equipment instead, String cost) {}

  private static final List<StandIn> STAND_INS =
      List.of(
          new StandIn(Equipment.ROLLER, Equipment.ROLLED_BLANKET, "softer, and it does not roll"),
          new StandIn(Equipment.ROLLER, Equipment.BLOCKS, "harder, and they do not roll"),
          new StandIn(Equipment.ROLLED_BLANKET, Equipment.ROLLER, "harder, and it rolls"),
          new StandIn(Equipment.ROLLED_BLANKET, Equipment.BLOCKS, "harder"),
          new StandIn(Equipment.BLOCKS, Equipment.ROLLED_BLANKET, "softer"),
          new StandIn(Equipment.ROLLED_TOWEL, Equipment.ROLLED_BLANKET, "higher: roll it thin"),
          new StandIn(Equipment.TOWEL, Equipment.STRAP, ""),
          new StandIn(Equipment.STRAP, Equipment.TOWEL, ""),
          new StandIn(Equipment.CHAIR, Equipment.WALL, "a hand on it, nothing to hold"),
          new StandIn(Equipment.ROLLER, Equipment.ROLLED_TOWEL, "lower and softer"),
          new StandIn(Equipment.BALL, Equipment.CHAIR, "the back of the chair does not give way"),
          new StandIn(Equipment.MAT, Equipment.CARPET, ""),
          new StandIn(Equipment.MAT, Equipment.BED, "softer, so less support"),
          new StandIn(Equipment.CARPET, Equipment.MAT, ""),
          new StandIn(Equipment.BED, Equipment.MAT, "down on the floor"));

  private static final int STAND_IN = 1;
  private static final int OTHER_POSITION = 1;
  private static final int EASIER_STEP = 3;
  private static final int HARDER_STEP = 5;
  private static final int OTHER_EXERCISE = 10;
  private static final int OTHER_GROUP = 2;
  private static final int OTHER_MODE = 4;
  private static final int OTHER_SIDES = 3;
  private static final int NEW_PRECAUTION = 2;
  private static final int SECOND_TARGET = 8;
  private static final int SHARED_TARGET = 16;
  private static final int SAME_REGION = 40;
  private static final int NOTHING_IN_COMMON = 200;
  private static final int LONGEST_CHAIN = 4;

  /**
   * @param position the one to do it in
   * @param lost what is lost or added against what was wanted, in words; empty when nothing is
   * @param distance how far it is from what was wanted; 0 is the exercise itself, as it is
   */
  public record Alternative(Exercise exercise, Position position, List<String> lost, int distance) {
    public Alternative {
      lost = List.copyOf(lost);
    }
  }

  private final Catalogue catalogue;
  private final Locale locale;

  public Alternatives(Catalogue catalogue, Locale locale) {
    this.catalogue = catalogue;
    this.locale = locale;
  }

  /**
   * Nearest first. What has nothing in common with it is named only where there is nothing else,
   * and then one thing. With the shipped catalogue never empty: breathing fits every position and
   * needs nothing.
   */
  public List<Alternative> of(Exercise wanted, Means means) {
    List<Alternative> found = new ArrayList<>();
    for (Exercise e : catalogue.offered()) {
      if (!e.id().equals(wanted.id())) instead(wanted, e, means).ifPresent(found::add);
    }
    instead(wanted, wanted, means).ifPresent(found::add);
    found.sort(Comparator.comparingInt(Alternative::distance));
    List<Alternative> akin = found.stream().filter(a -> a.distance() < NOTHING_IN_COMMON).toList();
    return akin.isEmpty() ? found.stream().limit(1).toList() : akin;
  }

  private Optional<Alternative> instead(Exercise wanted, Exercise e, Means means) {
    List<String> lost = new ArrayList<>();
    int distance = 0;
    for (Equipment needed : e.equipment()) {
      if (means.has(needed)) continue;
      Optional<StandIn> standIn = standIn(e, needed, means);
      distance += STAND_IN;
      if (standIn.isEmpty() && means.canDoWithout(needed)) {
        lost.add("without a " + needed.label() + ": something soft below");
        continue;
      }
      if (standIn.isEmpty()) return Optional.empty();
      String cost = standIn.get().cost.isEmpty() ? "" : ": " + standIn.get().cost;
      lost.add(standIn.get().instead.label() + " instead of " + needed.label() + cost);
    }
    Optional<Position> position =
        e.positions().stream().filter(means.positions()::contains).findFirst();
    if (position.isEmpty()) return Optional.empty();
    Position usual =
        e.positions().contains(wanted.usualPosition()) ? wanted.usualPosition() : e.usualPosition();
    Position taken = means.positions().contains(usual) ? usual : position.get();
    if (taken != wanted.usualPosition()) {
      distance += OTHER_POSITION;
      lost.add(taken.label() + " instead of " + wanted.usualPosition().label());
    }
    if (!e.id().equals(wanted.id())) distance += differences(wanted, e, lost);
    return Optional.of(new Alternative(e, taken, lost, distance));
  }

  /** As the entry says it, else as is common; a chair is held or leaned on, so only by its word. */
  private static Optional<StandIn> standIn(Exercise e, Equipment needed, Means means) {
    List<Equipment> said = e.instead().get(needed);
    if (said != null) {
      return said.stream()
          .filter(means::has)
          .findFirst()
          .map(
              thing ->
                  STAND_INS.stream()
                      .filter(s -> s.needed == needed && s.instead == thing)
                      .findFirst()
                      .orElse(new StandIn(needed, thing, "")));
    }
    return needed == Equipment.CHAIR
        ? Optional.empty()
        : STAND_INS.stream().filter(s -> s.needed == needed && means.has(s.instead)).findFirst();
  }

  private int differences(Exercise wanted, Exercise e, List<String> lost) {
    int easier = steps(wanted, e, true);
    int harder = steps(wanted, e, false);
    int distance = OTHER_EXERCISE;
    if (easier > 0) {
      distance = EASIER_STEP * easier;
      lost.add("an easier form");
    } else if (harder > 0) {
      distance = HARDER_STEP * harder;
      lost.add("a harder form");
    }
    distance += target(wanted, e, lost);
    if (e.group() != wanted.group()) distance += OTHER_GROUP;
    Mode mode = e.doseContext().mode();
    if (mode != wanted.doseContext().mode()) {
      distance += OTHER_MODE;
      if (wanted.doseContext().mode() == Mode.HOLD) lost.add("not held: no stretch seconds");
    }
    if (e.sided() != wanted.sided()) {
      distance += OTHER_SIDES;
      if (wanted.sided()) lost.add("both sides at once, not one");
    }
    Set<Precaution> added = new LinkedHashSet<>(e.precautions());
    added.removeAll(wanted.precautions());
    distance += NEW_PRECAUTION * added.size();
    added.forEach(p -> lost.add("adds: " + p.label()));
    return distance;
  }

  private static int target(Exercise wanted, Exercise e, List<String> lost) {
    Tissue first = wanted.targets().get(0);
    if (e.targets().get(0) == first) return 0;
    if (e.targets().contains(first)) {
      lost.add(first.label() + " is not its first target");
      return SECOND_TARGET;
    }
    Tissue other = e.targets().get(0);
    if (e.targets().stream().anyMatch(wanted.targets()::contains)) {
      lost.add("not for " + first.label() + " but for " + other.label());
      return SHARED_TARGET;
    }
    if (other.region() == first.region()) {
      lost.add("only the same region: " + other.label());
      return SAME_REGION;
    }
    lost.add("nothing for " + first.label() + ": " + other.label() + " until more is possible");
    return other == Tissue.BREATH ? NOTHING_IN_COMMON : 2 * NOTHING_IN_COMMON;
  }

  /** Steps from one to the other along easier or harder; 0 where there is no way. */
  private int steps(Exercise from, Exercise to, boolean easier) {
    Optional<Exercise> at = Optional.of(from);
    for (int steps = 1; steps <= LONGEST_CHAIN; steps++) {
      at = at.flatMap(x -> easier ? x.easier() : x.harder()).flatMap(catalogue::find);
      if (at.isEmpty()) return 0;
      if (at.get().id().equals(to.id())) return steps;
    }
    return 0;
  }

  /** In words: "Chin tuck, lying on the back: …". */
  public String describe(Alternative a) {
    String name = catalogue.words(a.exercise(), locale).name();
    String lost = a.lost().isEmpty() ? "" : ": " + String.join("; ", a.lost());
    return name + ", " + a.position().label() + lost;
  }
}
