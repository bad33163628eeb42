package org.biokinet.app.review;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Agreed;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Part;

/**
 * A decision as it was: in the words and numbers of its day, whatever the rules say later.
 *
 * @param part as {@link org.biokinet.core.progress.Part#text} has it
 * @param item as it was called
 * @param line its number, title and condition
 * @param suggested what was suggested
 * @param now the dose in force
 * @param next the dose that was suggested; empty where it was to rest
 * @param atTarget whether nothing was left to step
 * @param outcome what was decided
 * @param dose from then on; empty where the item was left out on this side
 */
public record KeptDecision(
    String part,
    String item,
    String line,
    Outcome suggested,
    String now,
    Optional<String> next,
    boolean atTarget,
    List<String> evidence,
    List<String> barred,
    List<String> takes,
    List<String> asks,
    Choice.Kind kind,
    Outcome outcome,
    Optional<String> dose,
    String reason) {

  static KeptDecision of(Agreed a, Program program, String item) {
    Decision d = a.suggested();
    return new KeptDecision(
        d.part().text(),
        item,
        d.line().words(),
        d.outcome(),
        text(d.now()),
        d.next().map(KeptDecision::text),
        d.atTarget(),
        d.evidence(),
        d.barred(),
        d.takes(),
        d.asks().stream().sorted().map(Decision.Ask::words).toList(),
        a.choice().kind(),
        a.outcome(program),
        a.dose().map(KeptDecision::text),
        a.choice().reason());
  }

  /** Whether anything is done otherwise from then on. */
  public boolean changes() {
    return !dose.equals(Optional.of(now));
  }

  /** "left", or empty where there are no sides. */
  public String side() {
    return Part.of(part).side().map(Side::label).orElse("");
  }

  /** "Chin tuck, left: go on, 2x20s → 2x30s (7 of 7 sessions done)". */
  public String inFull() {
    return "%s%s: %s, %s%s"
        .formatted(
            item,
            side().isEmpty() ? "" : ", " + side(),
            outcome.word(),
            changes() ? "%s → %s".formatted(now, dose.orElse("left out")) : now,
            why());
  }

  /** The practitioner's own reason, or else the first thing that spoke for it. */
  private String why() {
    String why = reason.isEmpty() ? evidence.stream().findFirst().orElse("") : reason;
    return why.isEmpty() ? "" : " (" + why + ")";
  }

  /** A dose of one side, as it is written. */
  public static String text(SideDose dose) {
    return DoseNotation.format(new Dose.Alike(dose));
  }
}
