package org.biokinet.app.review.web;

import java.util.List;
import java.util.Locale;
import org.biokinet.app.platform.Days;
import org.biokinet.app.review.DiaryService;
import org.biokinet.core.progress.Trend;
import org.biokinet.core.progress.Trends;

/**
 * Where the record goes, in one sentence and then each row of it.
 *
 * @param matters whether it goes the wrong way
 * @param halfLife after how many days a value counts half in the figure of now
 */
record TrendWords(String lead, boolean matters, List<Row> rows, int halfLife) {

  /**
   * One row.
   *
   * @param why the figures behind it; empty where there are too few values
   */
  record Row(String sentence, boolean worse, String why) {}

  static TrendWords of(DiaryService.Kept kept) {
    Trends trends = Trends.of(kept.diary(), kept.visits(), kept.goals());
    return new TrendWords(
        lead(trends),
        trends.watch().isPresent() || trends.lead().filter(Trends.Row::worse).isPresent(),
        trends.rows().stream()
            .map(r -> new Row(r.sentence(), r.worse(), String.join("; ", r.why())))
            .toList(),
        Trend.HALF_LIFE_DAYS);
  }

  private static String lead(Trends trends) {
    return trends
        .watch()
        .map(
            w ->
                String.format(
                    Locale.ROOT,
                    "Pain in sessions is above the usual %.1f since %s",
                    w.usual(),
                    Days.day(w.since())))
        .or(() -> trends.lead().map(Trends.Row::sentence))
        .orElse(
            trends.known()
                ? "No clear change in %d weeks".formatted(Trends.WEEKS)
                : "Too few values for one yet");
  }
}
