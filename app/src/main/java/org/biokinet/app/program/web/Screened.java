package org.biokinet.app.program.web;

import java.util.List;
import java.util.Optional;
import org.biokinet.app.library.Library;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.search.Alternatives;
import org.biokinet.core.timeline.DraftTimeline;

/**
 * What a client's screening and circumstances say to one line of the program.
 *
 * @param refused whether it cannot be shared as it is
 * @param struck whether no dose would make it right
 * @param words why, with what limits it; empty where nothing is to be said
 * @param instead what comes nearest, or is offered first; empty where nothing has to be
 */
public record Screened(boolean refused, boolean struck, String words, Optional<String> instead) {

  private static final Screened FINE = new Screened(false, false, "", Optional.empty());

  /**
   * @param allowed with what goes before the line; empty where nobody has answered anything
   */
  static Screened of(
      ProgramKind program,
      Optional<Allowed> allowed,
      DraftTimeline.TimedItem line,
      Means means,
      Library mine) {
    Exercise e = line.exercise();
    Optional<String> against = program.against(e, line.position());
    if (against.isPresent()) {
      Optional<String> instead =
          program.position(e, Optional.empty()).map(p -> "Possible " + p.label());
      return new Screened(true, instead.isEmpty(), "✕ " + against.get(), instead);
    }
    Screened screened = allowed.map(a -> screened(a, line, mine)).orElse(FINE);
    return screened.equals(FINE)
        ? fitting(
            allowed.map(Allowed::assessment),
            e,
            line.position(),
            program.within(means).orElse(means),
            mine)
        : screened;
  }

  private static Screened screened(Allowed allowed, DraftTimeline.TimedItem line, Library mine) {
    Exercise e = line.exercise();
    Position position = line.position();
    Assessment assessment = allowed.assessment();
    Setting at = allowed.setting(position);
    Assessment.Verdict verdict = assessment.of(e, at);
    if (verdict.locked()) {
      return new Screened(
          true,
          true,
          "✕ locked: " + words(verdict.locks()),
          nearest(assessment, e, allowed.means(), mine).map(n -> "Nearest: " + n));
    }
    Optional<Dose> dose = line.item().map(Item::dose);
    List<Allowed.Objection> objections =
        dose.map(d -> allowed.objections(e, position, d)).orElse(List.of());
    if (!objections.isEmpty()) {
      return new Screened(
          true,
          false,
          "✕ " + objections.get(0).words(),
          dose.flatMap(d -> otherSide(objections, d)));
    }
    if (!verdict.limited()) return FINE;
    return new Screened(
        false,
        false,
        "△ up to %d of 10, start dose: %s".formatted(verdict.ceiling(), words(verdict.limits())),
        assessment.easier(mine.catalogue(), e, at).map(x -> "Easier first: " + mine.name(x)));
  }

  /** Where one side is locked and the other is not, the other one alone. */
  private static Optional<String> otherSide(List<Allowed.Objection> objections, Dose dose) {
    Allowed.Objection first = objections.get(0);
    if (objections.size() != 1 || first.limit() != Allowed.Limit.LOCKED || first.side().isEmpty()) {
      return Optional.empty();
    }
    Side free = first.side().get().opposite();
    return dose.on(free).map(d -> "One side: " + DoseNotation.format(new Dose.OneSide(free, d)));
  }

  private static String words(List<Assessment.Reason> reasons) {
    String first = reasons.get(0).words();
    return reasons.size() == 1 ? first : "%s and %d more".formatted(first, reasons.size() - 1);
  }

  /** Whether the client can do it with what there is; what cannot be done is said, not refused. */
  private static Screened fitting(
      Optional<Assessment> assessment, Exercise e, Position position, Means means, Library mine) {
    boolean takes = means.positions().contains(position);
    if (takes && means.equipment().containsAll(e.equipment())) return FINE;
    Alternatives alternatives = new Alternatives(mine.catalogue(), Library.LANGUAGE);
    Optional<Alternatives.Alternative> itself =
        alternatives.of(e, means).stream()
            .filter(a -> a.exercise().id().equals(e.id()))
            .findFirst();
    if (itself.isPresent() && (!takes || !itself.get().lost().isEmpty())) {
      String how =
          takes
              ? String.join("; ", itself.get().lost())
              : "%s instead of %s".formatted(itself.get().position().label(), position.label());
      return new Screened(false, false, "At home: " + how, Optional.empty());
    }
    if (itself.isPresent()) return FINE;
    String without =
        takes
            ? "no "
                + e.equipment().stream()
                    .filter(x -> !means.equipment().contains(x))
                    .findFirst()
                    .orElseThrow()
                    .label()
                + " at home"
            : "not possible for this client: " + position.label();
    return new Screened(
        false,
        false,
        "△ " + without,
        assessment.flatMap(a -> nearest(a, e, means, mine)).map(n -> "Nearest: " + n));
  }

  private static Optional<String> nearest(
      Assessment assessment, Exercise e, Means means, Library mine) {
    Alternatives alternatives = new Alternatives(mine.catalogue(), Library.LANGUAGE);
    return assessment.nearest(alternatives, e, means).map(alternatives::describe);
  }
}
