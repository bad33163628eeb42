package org.biokinet.core.progress;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;

/**
 * A suggestion, and what was decided on it. The record speaks first and the practitioner last, but
 * nothing is done past a sign that nobody has examined, and nobody is given more of what the record
 * says is too much already.
 */
public record Agreed(Decision suggested, Choice choice) {

  /**
   * What stands against a choice, in words for whoever made it; empty where nothing does.
   *
   * @param program the one that was reviewed
   */
  public static Optional<String> fault(Decision d, Choice choice, Program program) {
    if (d.line() == Line.STOP) {
      return Optional.of("nothing goes on before somebody has examined it: open the screening");
    }
    if (choice.reason().isEmpty()) {
      if (d.examine()) return Optional.of("say what was examined and found");
      if (choice.kind() != Choice.Kind.ACCEPT) return Optional.of("say why");
    }
    if (choice.kind() == Choice.Kind.ACCEPT && d.asks().contains(Decision.Ask.EASIER_OR_PAUSE)) {
      return Optional.of("nothing is lower: leave it out, or give another dose");
    }
    Agreed agreed = new Agreed(d, choice);
    try {
      doses(List.of(agreed), program);
    } catch (IllegalArgumentException e) {
      return Optional.ofNullable(e.getMessage()).map(why -> why + ": change it in Plan");
    }
    return agreed
        .dose()
        .filter(dose -> worse(d.line()) && more(d, dose, program))
        .map(dose -> "no more of it than now: " + d.evidence().get(0));
  }

  /** Whether the record says that it is too much already, or was away. */
  private static boolean worse(Line line) {
    return switch (line) {
      case STOP, RE_ENTER, FLARE, EASE, RETURN -> true;
      case NOT_KNOWN, MAINTAIN, STAY, GO_ON, HOLD -> false;
    };
  }

  /** Whether a dose asks more in any way than the one in force. */
  private static boolean more(Decision d, SideDose dose, Program program) {
    return !Ladder.reached(d.now(), dose, context(d.part(), program));
  }

  private static DoseContext context(Part part, Program program) {
    return program.items().get(part.place(program).orElseThrow()).exercise().doseContext();
  }

  /** What is done from now on; empty where the item is left out on this side. */
  public Optional<SideDose> dose() {
    return switch (choice.kind()) {
      case ACCEPT -> Optional.of(suggested.next().orElse(suggested.now()));
      case ALTER -> choice.dose();
      case REJECT -> Optional.of(suggested.now());
    };
  }

  public boolean changes() {
    return !dose().equals(Optional.of(suggested.now()));
  }

  /**
   * What was decided, as the next review reads it: by what was done about the dose where it was not
   * what had been suggested.
   */
  public Outcome outcome(Program program) {
    if (choice.kind() == Choice.Kind.ACCEPT) return suggested.outcome();
    if (!changes()) return Outcome.STAY;
    return dose().filter(d -> more(suggested, d, program)).isPresent()
        ? Outcome.GO_ON
        : Outcome.EASE;
  }

  /**
   * The doses of the items that change, by place.
   *
   * @return an empty one for an item that is left out
   * @throws IllegalArgumentException where one side has a part that the other has not
   */
  public static Map<Integer, Optional<Dose>> doses(List<Agreed> all, Program program) {
    Map<Integer, Optional<Dose>> doses = new TreeMap<>();
    for (Agreed a : all) {
      if (!a.changes()) continue;
      int place = a.suggested().part().place(program).orElseThrow();
      Item item = program.items().get(place);
      doses.put(place, a.in(item, doses.getOrDefault(place, Optional.of(item.dose()))));
    }
    return doses;
  }

  /** An item's dose with this side as it was decided. */
  private Optional<Dose> in(Item item, Optional<Dose> before) {
    if (!item.exercise().sided()) return dose().map(Dose.Alike::new);
    Side side = suggested.part().dosed();
    Optional<SideDose> other = before.flatMap(d -> d.on(side.opposite()));
    Optional<SideDose> own = dose();
    if (own.isEmpty()) return other.map(d -> new Dose.OneSide(side.opposite(), d));
    return Optional.of(
        other.map(d -> Steps.pair(side, own.get(), d)).orElse(new Dose.OneSide(side, own.get())));
  }
}
