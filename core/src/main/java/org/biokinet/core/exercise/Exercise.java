package org.biokinet.core.exercise;

import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.Mode;

/**
 * One exercise of the catalogue: its facts, without its words.
 *
 * @param relation the main movement seen from the treated side; empty where nothing is sided
 * @param motion what the main movement is; empty where it serves no motion that can be limited
 * @param closes whether it belongs at the very end of a session
 * @param turn the head's rotation, where it differs from the main movement or adds to it
 * @param targets the first is primary; never empty
 * @param intents what is done to each target where the entry says otherwise than its mode
 * @param tempo seconds a repetition where a dose says nothing; empty for the practice's own pace
 * @param positions allowed positions, the usual one first; never empty
 * @param instead what does as well as a thing that is not there, the best first; a thing that is
 *     not named here goes by the common table
 * @param start the catalogue's start dose
 * @param target the catalogue's target dose
 * @param treatedLimb those of the precautions that only the arm or leg of the treated side bears
 * @param otherLimb those that only the one of the untreated side bears; what stands in neither is
 *     shared by both
 * @param drawnAs the shipped exercise whose picture it has, where that is not its own
 * @param posed its own poses as text, where a practice has posed it itself
 */
public record Exercise(
    String id,
    Group group,
    DoseContext doseContext,
    Optional<Relation> relation,
    Optional<SidedMotion> motion,
    Optional<Relation> turn,
    boolean closes,
    List<Tissue> targets,
    Map<Tissue, Intent> intents,
    OptionalInt tempo,
    List<Position> positions,
    Set<Equipment> equipment,
    Map<Equipment, List<Equipment>> instead,
    Dose start,
    Dose target,
    Set<Precaution> precautions,
    Set<Precaution> treatedLimb,
    Set<Precaution> otherLimb,
    Optional<String> easier,
    Optional<String> harder,
    Optional<String> drawnAs,
    Optional<String> posed) {

  public Exercise {
    targets = List.copyOf(targets);
    intents = Map.copyOf(intents);
    if (!targets.containsAll(intents.keySet())) {
      throw new IllegalArgumentException(id + " says what it does to something it is not for");
    }
    tempo.ifPresent(
        seconds -> {
          if (!Bounds.TEMPO.allows(seconds)) {
            throw new IllegalArgumentException(id + " tempo: " + Bounds.TEMPO.refusal(seconds));
          }
        });
    positions = List.copyOf(positions);
    equipment = Set.copyOf(equipment);
    instead = Map.copyOf(instead);
    precautions = Set.copyOf(precautions);
    treatedLimb = limb(id, treatedLimb, precautions, doseContext);
    otherLimb = limb(id, otherLimb, precautions, doseContext);
    if (targets.isEmpty()) throw new IllegalArgumentException(id + " has no target");
    if (positions.isEmpty()) throw new IllegalArgumentException(id + " has no position");
    if (relation.isPresent() && !doseContext.sides().sided()) {
      throw new IllegalArgumentException(id + " moves relative to a side but has none");
    }
  }

  /**
   * What it does to one of its targets. Unless the entry says otherwise a hold lengthens muscles,
   * effort strengthens them, a movement mobilises, and breath, gaze and release calm; a motion, a
   * joint or a nerve is never lengthened or strengthened.
   */
  public Intent intentFor(Tissue target) {
    Intent said = intents.get(target);
    if (said != null) return said;
    Intent usual =
        switch (doseContext.mode()) {
          case HOLD -> Intent.LENGTHEN;
          case ISO -> Intent.STRENGTHEN;
          case MOVE, PULSE -> group.isStrength() ? Intent.STRENGTHEN : Intent.MOBILISE;
          case CIRCLE, WALK -> Intent.MOBILISE;
          case BREATH, GAZE, RELEASE -> Intent.CALM;
        };
    boolean ofMuscles = usual == Intent.LENGTHEN || usual == Intent.STRENGTHEN;
    return ofMuscles && target.kind() != Tissue.Kind.MUSCLE ? Intent.MOBILISE : usual;
  }

  /** Whether it is breathing, or lying still on the back: nothing that moves, pulls or presses. */
  public boolean isRest() {
    boolean lyingStill =
        doseContext.mode() == Mode.RELEASE && positions.equals(List.of(Position.SUPINE));
    return (group == Group.BREATH || lyingStill) && precautions.isEmpty();
  }

  /**
   * Whether it is a movement that can be done in half its range, gently: nothing that strengthens,
   * loads a nerve, circles the neck or adds force to it (our choice).
   */
  public boolean isEasyMovement() {
    boolean moves = doseContext.mode() == Mode.MOVE || doseContext.mode() == Mode.CIRCLE;
    return moves
        && !group.isStrength()
        && targets.stream().noneMatch(t -> intentFor(t) == Intent.STRENGTHEN)
        && Collections.disjoint(precautions, Precaution.BEYOND_EASE);
  }

  /** Whether it does this to one of its targets. */
  public boolean serves(Tissue target, Intent intent) {
    return targets.contains(target) && intentFor(target) == intent;
  }

  /** The same exercise, with precautions that it was not known to have. */
  public Exercise minding(Set<Precaution> more) {
    Set<Precaution> all = new HashSet<>(precautions);
    all.addAll(more);
    return new Exercise(
        id,
        group,
        doseContext,
        relation,
        motion,
        turn,
        closes,
        targets,
        intents,
        tempo,
        positions,
        equipment,
        instead,
        start,
        target,
        all,
        treatedLimb,
        otherLimb,
        easier,
        harder,
        drawnAs,
        posed);
  }

  private static Set<Precaution> limb(
      String id, Set<Precaution> borne, Set<Precaution> all, DoseContext context) {
    for (Precaution p : borne) {
      if (!p.ofALimb() || !all.contains(p) || !context.sides().sided()) {
        throw new IllegalArgumentException(
            "%s: %s is not borne by one limb here".formatted(id, p.code()));
      }
    }
    return Set.copyOf(borne);
  }

  /**
   * Whether a precaution concerns the arm or leg of this side.
   *
   * @param treated empty where the exercise has no sides
   */
  public boolean bears(Precaution p, Optional<Side> treated, Side side) {
    if (!precautions.contains(p)) return false;
    if (treated.isEmpty() || !p.ofALimb()) return true;
    if (treatedLimb.contains(p)) return treated.get() == side;
    return !otherLimb.contains(p) || treated.get() != side;
  }

  public boolean sided() {
    return doseContext.sides().sided();
  }

  public Position usualPosition() {
    return positions.get(0);
  }

  /** Which way the main movement goes when this side is treated. */
  public Optional<Side> movesToward(Side treated) {
    return relation.map(r -> r.direction(treated));
  }

  /**
   * The side to treat when a motion is limited toward one side: the exercise then contains that
   * very motion, done that way. A head rotation goes by {@code turn} where it is set, else all goes
   * by {@code relation}. Empty where the exercise does not contain the motion. The one home of this
   * mapping; backwards it would dose the wrong side.
   *
   * @param toward where the motion is limited: "lateral flexion to the left" is left
   */
  public Optional<Side> treatedSideFor(SidedMotion limited, Side toward) {
    if (limited == SidedMotion.NECK_ROTATION && turn.isPresent()) {
      return turn.map(r -> r.treated(toward));
    }
    return motion.filter(limited::equals).flatMap(m -> relation).map(r -> r.treated(toward));
  }

  /** Which way the head turns when this side is treated; empty where it does not turn. */
  public Optional<Side> headTurnsToward(Side treated) {
    return turn.map(r -> r.direction(treated));
  }
}
