package org.biokinet.app.program;

import java.util.List;
import java.util.Optional;
import org.biokinet.app.library.Library;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.library.Alternatives;
import org.biokinet.core.safety.Assessment;
import org.biokinet.core.safety.DoseCheck;
import org.biokinet.core.safety.Feature;

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
   * @param assessment empty where nobody has answered anything
   */
  static Screened of(
      Optional<Assessment> assessment,
      Exercise e,
      Optional<Position> chosen,
      String dose,
      Alternatives.Means means,
      Library mine) {
    Position position = chosen.orElse(e.usualPosition());
    Screened screened =
        assessment.map(a -> screened(a, e, position, dose, means, mine)).orElse(FINE);
    return screened.equals(FINE) ? fitting(assessment, e, position, means, mine) : screened;
  }

  private static Screened screened(
      Assessment assessment,
      Exercise e,
      Position position,
      String dose,
      Alternatives.Means means,
      Library mine) {
    Feature.Setting at = Feature.Setting.of(position, means);
    Assessment.Verdict verdict = assessment.of(e, at);
    if (verdict.locked()) {
      return new Screened(
          true,
          true,
          "✕ locked: " + words(verdict.locks()),
          nearest(assessment, e, means, mine).map(n -> "Nearest: " + n));
    }
    Optional<String> objection =
        DoseNotation.parse(dose, e.doseContext()) instanceof Parsed.Understood ok
            ? DoseCheck.objection(assessment, e, at, ok.dose())
            : Optional.empty();
    if (objection.isPresent()) {
      return new Screened(true, false, "✕ " + objection.get(), Optional.empty());
    }
    if (!verdict.limited()) return FINE;
    return new Screened(
        false,
        false,
        "△ up to %d of 10, start dose: %s".formatted(verdict.ceiling(), words(verdict.limits())),
        assessment.easier(mine.catalogue(), e, at).map(x -> "Easier first: " + mine.name(x)));
  }

  private static String words(List<Assessment.Reason> reasons) {
    String first = reasons.get(0).words();
    return reasons.size() == 1 ? first : "%s and %d more".formatted(first, reasons.size() - 1);
  }

  /** Whether the client can do it with what there is; what cannot be done is said, not refused. */
  private static Screened fitting(
      Optional<Assessment> assessment,
      Exercise e,
      Position position,
      Alternatives.Means means,
      Library mine) {
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
      Assessment assessment, Exercise e, Alternatives.Means means, Library mine) {
    Alternatives alternatives = new Alternatives(mine.catalogue(), Library.LANGUAGE);
    return assessment.nearest(alternatives, e, means).map(alternatives::describe);
  }
}
