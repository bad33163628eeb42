package org.biokinet.core.progress;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.core.dose.SideDose;

/**
 * What a review suggests for an item on one side, with its reasons. It moves nothing by itself.
 *
 * @param line the first that applied
 * @param now the dose in force
 * @param next the dose that is suggested; empty where it is to rest or to stop
 * @param atTarget whether nothing is left to step
 * @param evidence why this line applies, in words and numbers; never empty
 * @param barred what stood against a stronger outcome
 * @param takes what it would take to decide otherwise
 */
public record Decision(
    Part part,
    Line line,
    SideDose now,
    Optional<SideDose> next,
    boolean atTarget,
    List<String> evidence,
    List<String> barred,
    List<String> takes,
    Set<Ask> asks) {

  /** Of the rules by which it was decided: counts up when any of them changes. */
  public static final int RULES = 3;

  /** What a practitioner is asked beside. */
  public enum Ask {
    RE_EXAMINE("examine again: a second time within four weeks"),
    EXAMINE_FLARE("examine: the flare has not settled, or is the second in four weeks"),
    EASIER_OR_PAUSE("nothing is lower: an easier variant, or pause the item"),
    SHORTER_SESSION("offer the shorter session"),
    OVERDOING("more is done than was planned: tell the client"),
    ONE_SIDE("twice running it was worse on one side alone: do it one side at a time"),
    TECHNIQUE("hardly any stretch felt: look at the technique first"),
    FOUR_WEEKS("nothing has moved for four weeks: look again");

    private final String words;

    Ask(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  public Decision {
    evidence = List.copyOf(evidence);
    barred = List.copyOf(barred);
    takes = List.copyOf(takes);
    asks = Set.copyOf(asks);
  }

  public Outcome outcome() {
    return line.outcome();
  }

  /** The same with something asked beside. */
  Decision asking(Ask more) {
    Set<Ask> all = EnumSet.of(more);
    all.addAll(asks);
    return new Decision(part, line, now, next, atTarget, evidence, barred, takes, all);
  }

  /** The same at the present dose. */
  Decision asNow(String why) {
    List<String> all = Stream.concat(evidence.stream(), Stream.of(why)).toList();
    return new Decision(part, line, now, Optional.of(now), atTarget, all, barred, takes, asks);
  }

  /** Whether somebody has to examine before it is taken up. */
  public boolean examine() {
    return asks.contains(Ask.RE_EXAMINE) || asks.contains(Ask.EXAMINE_FLARE);
  }
}
