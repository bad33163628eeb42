package org.biokinet.app.program;

import java.util.List;
import java.util.Optional;
import org.biokinet.app.library.Library;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.safety.Assessment;
import org.biokinet.core.safety.DoseCheck;
import org.biokinet.core.safety.Feature;

/**
 * What a client's screening says to one line of the program.
 *
 * @param refused whether it cannot be shared as it is
 * @param struck whether no dose would make it right
 * @param words why, with what limits it; empty where nothing is to be said
 * @param instead an easier exercise that is not locked
 */
public record Screened(boolean refused, boolean struck, String words, Optional<String> instead) {

  static Screened of(
      Assessment assessment,
      Exercise e,
      Optional<Position> chosen,
      String dose,
      Catalogue catalogue) {
    Feature.Setting at = new Feature.Setting(chosen.orElse(e.usualPosition()), false);
    Assessment.Verdict verdict = assessment.of(e, at);
    List<Assessment.Reason> reasons = verdict.locked() ? verdict.locks() : verdict.limits();
    Optional<String> objection =
        DoseNotation.parse(dose, e.doseContext()) instanceof Parsed.Understood ok
            ? DoseCheck.objection(assessment, e, at, ok.dose())
            : Optional.empty();
    if (objection.isPresent() && !verdict.locked()) {
      return new Screened(true, false, "✕ " + objection.get(), Optional.empty());
    }
    if (reasons.isEmpty()) return new Screened(false, false, "", Optional.empty());
    String why = reasons.get(0).words();
    if (reasons.size() > 1) why += " and %d more".formatted(reasons.size() - 1);
    String words =
        verdict.locked()
            ? "✕ locked: " + why
            : "△ up to %d of 10, start dose: %s".formatted(verdict.ceiling(), why);
    Optional<String> instead =
        assessment.easier(catalogue, e, at).map(x -> catalogue.words(x, Library.LANGUAGE).name());
    return new Screened(verdict.locked(), verdict.locked(), words, instead);
  }
}
