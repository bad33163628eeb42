package org.biokinet.app.program.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.ledger.Amount;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.ledger.Band.Verdict;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.ledger.Ledger.Entry;

/**
 * The ledger as it is drawn: seconds a day about the axis, one side at most {@value #HALF} units.
 *
 * @param bandFrom where the band begins, in units from the axis
 * @param bandTo where it ends
 * @param range the band in words
 * @param unbanded what is stretched too and has no band
 * @param both whether some of it is the other program's
 */
public record LedgerView(
    Band band,
    List<Row> rows,
    double bandFrom,
    double bandTo,
    String range,
    List<String> unbanded,
    boolean both) {

  static final int HALF = 100;

  /** The scale reaches at least this many seconds, so that small doses look small. */
  private static final int SCALE = 120;

  /** Bands are drawn for a daily program. */
  private static final int DAYS = 7;

  /**
   * One muscle; a word is empty where the amount is inside the band.
   *
   * @param leftBeside how much of the width is the other program's
   */
  public record Row(
      String muscle,
      int left,
      int right,
      double leftWidth,
      double rightWidth,
      double leftBeside,
      double rightBeside,
      String leftWord,
      String rightWord,
      List<String> verdicts) {}

  /**
   * @param own of what is being written
   * @param beside of the other program, which goes on as it is
   */
  static LedgerView of(Ledger own, Optional<Ledger> beside, Band band) {
    Ledger ledger = own.plus(beside.orElse(Ledger.NOTHING));
    double most = SCALE;
    for (Entry e : ledger.entries()) most = Math.max(most, Math.max(day(e.left()), day(e.right())));
    List<Row> rows = new ArrayList<>();
    List<String> unbanded = new ArrayList<>();
    for (Entry e : ledger.entries()) {
      if (!e.banded()) {
        unbanded.add("%s %d | %d s".formatted(e.tissue().label(), day(e.left()), day(e.right())));
        continue;
      }
      rows.add(
          new Row(
              e.tissue().label(),
              day(e.left()),
              day(e.right()),
              HALF * day(e.left()) / most,
              HALF * day(e.right()) / most,
              HALF * share(beside, e, Side.LEFT) / most,
              HALF * share(beside, e, Side.RIGHT) / most,
              word(band.of(e.left())),
              word(band.of(e.right())),
              verdicts(e)));
    }
    return new LedgerView(
        band,
        rows,
        HALF * band.leastOn(DAYS) / most,
        HALF * Band.mostOn(DAYS) / most,
        "%d to %d s a day".formatted(band.leastOn(DAYS), Band.mostOn(DAYS)),
        unbanded,
        beside.filter(l -> !l.entries().isEmpty()).isPresent());
  }

  private static int share(Optional<Ledger> beside, Entry e, Side side) {
    return beside.flatMap(l -> l.find(e.tissue())).map(x -> day(x.on(side))).orElse(0);
  }

  private static int day(Amount amount) {
    return (int) Math.round(amount.aDay());
  }

  private static String word(Verdict verdict) {
    return switch (verdict) {
      case UNDER -> "under";
      case OVER -> "over";
      case IN, NONE -> "";
    };
  }

  /** Every band's word for both sides, in the order of the bands. */
  private static List<String> verdicts(Entry e) {
    List<String> all = new ArrayList<>();
    for (Band b : Band.values()) {
      all.add(
          "%s | %s"
              .formatted(
                  b.of(e.left()).name().toLowerCase(Locale.ROOT),
                  b.of(e.right()).name().toLowerCase(Locale.ROOT)));
    }
    return all;
  }
}
