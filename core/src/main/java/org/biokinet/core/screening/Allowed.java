package org.biokinet.core.screening;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;

/**
 * Whether an item keeps to what a screening allows: the one answer for typing it, sharing it,
 * starting it and what comes in afterwards. What counts is the day, in every form of dose; what
 * cannot be compared with the start dose is refused where the start dose is the limit.
 *
 * @param means of the client, since a bed is not the floor
 * @param breathSeconds one breath of the client
 * @param beside what the client does as well: of one exercise and side all of it counts together
 */
public record Allowed(Assessment assessment, Means means, double breathSeconds, List<Item> beside) {

  public Allowed {
    beside = List.copyOf(beside);
  }

  /** For a client who does nothing else. */
  public Allowed(Assessment assessment, Means means, double breathSeconds) {
    this(assessment, means, breathSeconds, List.of());
  }

  /** What a gate says, open or closed; empty where nobody has answered anything. */
  public static Optional<Allowed> of(Gate gate, Means means, double breathSeconds) {
    return gate.answers().map(a -> new Allowed(a, means, breathSeconds));
  }

  /** The same for a client who does these as well. */
  public Allowed beside(List<Item> others) {
    return new Allowed(assessment, means, breathSeconds, others);
  }

  /** What is passed. */
  public enum Limit {
    LOCKED,
    CEILING,
    EFFORT,
    TIMES,
    START_DOSE
  }

  /**
   * Something that speaks against an item.
   *
   * @param side the treated side that it is about; empty for an exercise without sides
   * @param reasons what sets the limit; empty where irritability does
   * @param words why, with what would be right
   */
  public record Objection(
      Optional<Side> side, Limit limit, List<Assessment.Reason> reasons, String words) {
    public Objection {
      reasons = List.copyOf(reasons);
    }
  }

  /** Everything that speaks against it, the left side first; empty when nothing does. */
  public List<Objection> objections(Exercise e, Position position, Dose dose) {
    List<Objection> found = new ArrayList<>();
    for (Side side : Side.values()) {
      Optional<SideDose> here = dose.on(side);
      if (here.isEmpty()) continue;
      Optional<Side> treated = e.sided() ? Optional.of(side) : Optional.empty();
      Use use = new Use(e, setting(position), treated, here.get());
      Optional<Use> start = Use.atStart(e, setting(position), side);
      objection(use, start).ifPresent(found::add);
      if (treated.isEmpty()) break;
    }
    return found;
  }

  public Setting setting(Position position) {
    return Setting.of(position, means);
  }

  /**
   * The ceiling in force: a dose that names none has that of the verdict, and none is above it.
   *
   * @param treated any side for an exercise without sides
   */
  public int ceiling(Exercise e, Position position, Side treated, SideDose dose) {
    Optional<Side> side = e.sided() ? Optional.of(treated) : Optional.empty();
    int most = assessment.of(new Use(e, setting(position), side, dose)).ceiling();
    return Math.min(most, dose.ceiling().orElse(most));
  }

  /** A stretch with its ceilings as they are in force on each side; any other dose as it is. */
  public Dose inForce(Exercise e, Position position, Dose dose) {
    if (e.doseContext().mode() != Mode.HOLD) return dose;
    Optional<SideDose> left = dose.on(Side.LEFT).map(d -> capped(e, position, Side.LEFT, d));
    Optional<SideDose> right = dose.on(Side.RIGHT).map(d -> capped(e, position, Side.RIGHT, d));
    if (left.isEmpty()) return new Dose.OneSide(Side.RIGHT, right.orElseThrow());
    if (right.isEmpty()) return new Dose.OneSide(Side.LEFT, left.orElseThrow());
    return Dose.of(left.get(), right.get());
  }

  private SideDose capped(Exercise e, Position position, Side side, SideDose dose) {
    return dose.withCeiling(OptionalInt.of(ceiling(e, position, side, dose)));
  }

  /**
   * What can be done in place of an item whose dose cannot be smaller: its easier forms against
   * which nothing speaks, the next one first, with the dose with which each begins, in the same
   * position and without anything that is not at hand.
   *
   * @param side of the item that it is for; empty for all of it
   */
  public List<Item> easier(Catalogue catalogue, Item item, Optional<Side> side) {
    List<Item> forms = new ArrayList<>();
    Optional<Exercise> form = item.exercise().easier().flatMap(catalogue::find);
    while (form.isPresent()) {
      Exercise e = form.get();
      if (catalogue.offered().contains(e)) inPlaceOf(item, e, side).ifPresent(forms::add);
      form = e.easier().flatMap(catalogue::find);
    }
    return forms;
  }

  private Optional<Item> inPlaceOf(Item item, Exercise e, Optional<Side> side) {
    boolean there = e.equipment().stream().allMatch(thing -> atHand(item, thing));
    if (!there || !e.positions().contains(item.position())) return Optional.empty();
    Dose start =
        side.filter(s -> e.sided())
            .flatMap(s -> e.start().on(s).map(d -> (Dose) new Dose.OneSide(s, d)))
            .orElse(e.start());
    Dose dose = inForce(e, item.position(), start);
    return objections(e, item.position(), dose).isEmpty()
        ? Optional.of(new Item(e, dose).in(item.position()))
        : Optional.empty();
  }

  private boolean atHand(Item item, Equipment thing) {
    return item.exercise().equipment().contains(thing) || means.has(thing);
  }

  /** The first thing that speaks against one side. */
  private Optional<Objection> objection(Use use, Optional<Use> start) {
    Assessment.Verdict verdict = assessment.of(use);
    if (verdict.locked()) {
      return against(
          use, Limit.LOCKED, verdict.locks(), "locked: " + verdict.locks().get(0).words());
    }
    SideDose dose = use.dose();
    Irritability irritability = assessment.irritability();
    String why =
        verdict.limited()
            ? verdict.limits().get(0).words()
            : irritability.label() + " irritability";
    if (dose.ceiling().orElse(0) > verdict.ceiling()) {
      String words = "up to %d of 10 at most: %s".formatted(verdict.ceiling(), why);
      return against(use, Limit.CEILING, verdict.limits(), words);
    }
    Volume volume = volume(use, dose);
    int mostEffort = mostEffort(dose, verdict);
    if (Volume.effort(dose, use.exercise().doseContext()) > mostEffort) {
      String words = "%d %% at most: %s".formatted(mostEffort, why);
      return against(use, Limit.EFFORT, verdict.limits(), words);
    }
    List<SideDose> elsewhere = elsewhere(use);
    boolean high = irritability == Irritability.HIGH;
    int times =
        Stream.concat(Stream.of(dose), elsewhere.stream())
            .filter(d -> high || d.everyMinutes().isEmpty())
            .mapToInt(Volume::times)
            .sum();
    if (times > irritability.mostPerDay()) {
      String words =
          "%d times a day at most%s: %s irritability"
              .formatted(irritability.mostPerDay(), together(elsewhere), irritability.label());
      return against(use, Limit.TIMES, List.of(), words);
    }
    boolean startIsTheLimit = verdict.limited() || (high && !use.exercise().isRest());
    if (!startIsTheLimit) return Optional.empty();
    if (start.isEmpty()) {
      String words = "no start dose is known for this side: " + why;
      return against(use, Limit.START_DOSE, verdict.limits(), words);
    }
    SideDose most = StartDose.of(start.get(), irritability, verdict, breathSeconds);
    Volume limit = Volume.of(most, use.exercise().doseContext(), breathSeconds);
    // Highly irritable and nothing else: the start dose, and that twice a day.
    if (!verdict.limited()) limit = limit.daily(irritability.mostPerDay());
    List<Volume> others = elsewhere.stream().map(d -> volume(use, d)).toList();
    if (!volume.exceeds(limit) && !volume.exceedsDaily(limit, others)) return Optional.empty();
    String words =
        "no more than the start dose, %s%s%s: %s"
            .formatted(
                DoseNotation.format(new Dose.Alike(most)),
                limit.times() == 1
                    ? " once a day"
                    : " up to %d times a day".formatted(limit.times()),
                together(elsewhere),
                why);
    return against(use, Limit.START_DOSE, verdict.limits(), words);
  }

  /** Doses of the same on the same side that are done as well. */
  private List<SideDose> elsewhere(Use use) {
    Side side = use.treated().orElse(Side.LEFT);
    return beside.stream()
        .filter(i -> i.exercise().id().equals(use.exercise().id()))
        .flatMap(i -> i.dose().on(side).stream())
        .toList();
  }

  private static String together(List<SideDose> elsewhere) {
    return elsewhere.isEmpty()
        ? ""
        : ", together with " + DoseNotation.format(new Dose.Alike(elsewhere.get(0))) + " besides";
  }

  /** What limits an exercise keeps its contractions at the usual effort, unless it says another. */
  private static int mostEffort(SideDose dose, Assessment.Verdict verdict) {
    boolean contracts = dose.work() instanceof Work.ContractRelax;
    return verdict
        .effort()
        .orElse(verdict.limited() && contracts ? Volume.USUAL_CONTRACT_EFFORT : 100);
  }

  private static Optional<Objection> against(
      Use use, Limit limit, List<Assessment.Reason> reasons, String words) {
    String side = use.treated().map(s -> s == Side.LEFT ? "left: " : "right: ").orElse("");
    return Optional.of(new Objection(use.treated(), limit, reasons, side + words));
  }

  private Volume volume(Use use, SideDose dose) {
    return Volume.of(dose, use.exercise().doseContext(), breathSeconds);
  }
}
