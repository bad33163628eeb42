package org.biokinet.core.progress;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.measure.Asymmetry;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability;

/**
 * Another dose on one side, because the sides are not alike, or are alike again. It is offered
 * beside what is suggested and never done by itself. The flag is common practice; one hold more is
 * our choice.
 *
 * @param dose instead of the present one
 */
public record Extra(Part part, Kind kind, SideDose dose) {

  public enum Kind {
    MORE("one hold more", "this side falls short of the other: one hold more here"),
    EVEN(
        "alike again",
        "the sides are alike in two measurements running: as much as on the other side");

    private final String label;
    private final String words;

    Kind(String label, String words) {
      this.label = label;
      this.words = words;
    }

    public String label() {
      return label;
    }

    public String words() {
      return words;
    }
  }

  /**
   * The sides that may do more: stretches for what falls short, nothing that loads nerves, and not
   * where it hurts.
   *
   * @param findings in force
   * @param map where it hurts; while nothing is marked that is not known, and a mark over no tissue
   *     that is known may be anywhere on its side
   */
  public static Set<Part> limited(Program program, Collection<Finding> findings, PainMap map) {
    Set<Part> parts = new HashSet<>();
    if (map.marks().isEmpty()) return parts;
    for (Finding f : findings) {
      if (f.kind() != Finding.Kind.ONE_SIDED) continue;
      for (Finding.Target t : f.treat()) {
        if (t instanceof Finding.Target.OfTissue of && of.intent() == Intent.LENGTHEN) {
          of.side().ifPresent(side -> parts.addAll(limited(program, of, side, map)));
        }
      }
    }
    return parts;
  }

  private static List<Part> limited(
      Program program, Finding.Target.OfTissue of, Side side, PainMap map) {
    List<Part> parts = new ArrayList<>();
    if (map.on(side).hurts(of.tissue().region())) return parts;
    for (int place = 0; place < program.items().size(); place++) {
      Exercise e = program.items().get(place).exercise();
      boolean stretch =
          e.sided() && e.doseContext().mode() == Mode.HOLD && e.targets().contains(of.tissue());
      if (stretch && !e.precautions().contains(Precaution.NEURAL)) {
        parts.add(Part.of(program, place, Optional.of(side)));
      }
    }
    return parts;
  }

  /**
   * What lengthens for a motion whose sides differed and are alike by now.
   *
   * @param newestFirst visits of the episode
   * @param asymmetric what serves a motion whose sides differ now; that waits
   */
  public static Set<Part> evened(Program program, List<Visit> newestFirst, Set<Part> asymmetric) {
    Set<Part> parts = new HashSet<>();
    for (Motion m : Motion.values()) {
      List<Asymmetry> measured = asymmetries(m, Visit.oldestFirst(newestFirst));
      if (measured.stream().noneMatch(Asymmetry::flagged) || !Asymmetry.evenedOut(measured)) {
        continue;
      }
      for (int place = 0; place < program.items().size(); place++) {
        Exercise e = program.items().get(place).exercise();
        if (!e.sided() || e.treatedSideFor(m.sided().orElseThrow(), Side.LEFT).isEmpty()) continue;
        for (Side side : Side.values()) parts.add(Part.of(program, place, Optional.of(side)));
      }
    }
    parts.removeAll(asymmetric);
    return parts;
  }

  private static List<Asymmetry> asymmetries(Motion m, List<Visit> oldestFirst) {
    if (!m.hasSides()) return List.of();
    List<Asymmetry> all = new ArrayList<>();
    for (Visit v : oldestFirst) {
      Optional<Double> left = v.degrees(m, Optional.of(Side.LEFT));
      Optional<Double> right = v.degrees(m, Optional.of(Side.RIGHT));
      if (left.isPresent() && right.isPresent()) all.add(Asymmetry.of(left.get(), right.get()));
    }
    return all;
  }

  /** What is offered beside a decision; nothing while it is to stop, rest, ease or begin again. */
  public static Optional<Extra> of(
      Decision d, Program program, Optional<Allowed> allowed, Set<Part> limited, Set<Part> evened) {
    Part part = d.part();
    if (d.line().compareTo(Line.NOT_KNOWN) < 0 || part.side().isEmpty()) return Optional.empty();
    Item item = program.items().get(part.place(program).orElseThrow());
    Side side = part.side().get();
    Optional<SideDose> other = item.dose().on(side.opposite());
    if (other.isEmpty()) return Optional.empty();
    int more = holds(d.now()) - holds(other.get());
    if (evened.contains(part) && more > 0) {
      return Optional.of(new Extra(part, Kind.EVEN, other.get()));
    }
    if (!limited.contains(part) || evened.contains(part) || more > 0) return Optional.empty();
    return oneMore(d.now())
        .filter(dose -> may(item, side, dose, allowed))
        .map(dose -> new Extra(part, Kind.MORE, dose));
  }

  private static int holds(SideDose dose) {
    return dose.work() instanceof Work.Holds h ? h.sets() * h.reps() : 0;
  }

  private static Optional<SideDose> oneMore(SideDose now) {
    return now.work() instanceof Work.Holds h && Bounds.REPETITIONS.allows(h.reps() + 1)
        ? Optional.of(now.withWork(h.withReps(h.reps() + 1)))
        : Optional.empty();
  }

  private static boolean may(Item item, Side side, SideDose dose, Optional<Allowed> allowed) {
    return allowed
        .filter(a -> a.assessment().irritability() != Irritability.HIGH)
        .filter(
            a ->
                a.objections(item.exercise(), item.position(), new Dose.OneSide(side, dose))
                    .isEmpty())
        .isPresent();
  }
}
