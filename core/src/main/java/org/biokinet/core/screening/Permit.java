package org.biokinet.core.screening;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;

/**
 * What of a program a client may do: the one answer, asked by Plan, before sharing, at every start
 * and of what comes in.
 *
 * @param kind which of the client's programs it is
 * @param gate as it stood at the moment that is asked about
 * @param allowed empty where nobody has answered anything
 * @param beside what the client does as well, which goes before
 * @param objections the first thing that speaks against an item, by its place; only such items
 */
public record Permit(
    ProgramKind kind,
    Gate gate,
    Program program,
    Optional<Allowed> allowed,
    List<Item> beside,
    Map<Integer, Allowed.Objection> objections) {

  /**
   * @param beside what the client does as well, which goes before
   * @param today the catalogue in force: a version that was shared long ago may not know yet what
   *     its exercises have to mind
   */
  public static Permit of(
      ProgramKind kind,
      Program program,
      List<Item> beside,
      Means means,
      Gate gate,
      Catalogue today) {
    Optional<Allowed> allowed = Allowed.of(gate, means, program.breathSeconds());
    Map<Integer, Allowed.Objection> found = new TreeMap<>();
    allowed.ifPresent(
        a -> {
          List<Item> before = new ArrayList<>(beside);
          for (int i = 0; i < program.items().size(); i++) {
            Item item = program.items().get(i);
            Exercise e = known(today, item.exercise());
            List<Allowed.Objection> against =
                a.beside(before).objections(e, item.position(), item.dose());
            if (!against.isEmpty()) found.put(i, against.get(0));
            else before.add(item); // what waits is not done
          }
        });
    return new Permit(kind, gate, program, allowed, beside, found);
  }

  private static Exercise known(Catalogue today, Exercise shared) {
    return today.find(shared.id()).map(e -> shared.minding(e.precautions())).orElse(shared);
  }

  /** Why nothing of it may go on; empty while the gate is open. */
  public Optional<Gate.Why> closed() {
    return gate instanceof Gate.Closed c ? Optional.of(c.why()) : Optional.empty();
  }

  /** Why another of the client's programs is done now. */
  public enum Turn {
    /** The plan for a flare is done instead of the others. */
    FLARE_LASTS("a flare lasted, and only the plan for it was open"),
    /** It is for a flare, and there is none. */
    NO_FLARE("no flare had been told of");

    private final String words;

    Turn(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /** Why it is not the turn of this one; empty where it is, or the gate is closed to all. */
  public Optional<Turn> notItsTurn() {
    if (!(gate instanceof Gate.Open open) || open.flare() == (kind == ProgramKind.FLARE)) {
      return Optional.empty();
    }
    return Optional.of(open.flare() ? Turn.FLARE_LASTS : Turn.NO_FLARE);
  }

  /** Whether nothing is left to do, although the gate may be open. */
  public boolean nothing() {
    return closed().isPresent()
        || notItsTurn().isPresent()
        || objections.size() == program.items().size();
  }

  /** The doses that are open. */
  public Beginning beginning() {
    return Beginning.of(kind, gate);
  }

  /** The items that wait until the practitioner has changed the program. */
  public Set<Integer> waiting() {
    return objections.keySet();
  }

  /**
   * The easier form that may be done in place of an item whose dose cannot be smaller, with the
   * dose with which it begins: it keeps to the screening, to the program that it is in, and to what
   * is done of it already. Empty where none does.
   *
   * @param item one of this program, with the dose of today
   * @param side of the item that it is for; empty for all of it
   */
  public Optional<Item> easier(Catalogue today, Item item, Optional<Side> side) {
    List<Item> done = new ArrayList<>(beside);
    for (int i = 0; i < program.items().size(); i++) {
      if (!objections.containsKey(i)) done.add(program.items().get(i));
    }
    return allowed.stream()
        .flatMap(a -> a.beside(done).easier(today, item, side).stream())
        .filter(form -> kind.against(form.exercise(), form.position()).isEmpty())
        .findFirst();
  }

  /** A long session is only for those whom nothing limits. */
  public boolean longSession() {
    List<Item> items = program.items();
    return gate instanceof Gate.Open open
        && !beginning().smaller()
        && open.assessment()
            .allowsLongSession(
                items.stream().map(Item::exercise).toList(),
                items.stream()
                    .map(i -> Setting.of(i.position(), allowed.orElseThrow().means()))
                    .toList());
  }
}
