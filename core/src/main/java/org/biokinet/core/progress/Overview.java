package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;

/**
 * The last days of a diary, as they are looked at before anything is decided.
 *
 * @param days the oldest first, each of them, whether anything happened or not
 * @param done sessions of the main program in the last seven days
 * @param percent of what was planned in these, at most 100
 */
public record Overview(List<Day> days, int done, int percent) {

  /**
   * A day; of several sessions the first pain before, the highest pain, all stretch.
   *
   * @param before 0–10; empty where it was not told, like the highest and that of the morning
   * @param mean of the pain before sessions of the seven days that end here
   * @param left seconds of stretch done
   * @param sessions how each was borne, in the order in which they were done
   * @param paused whether the client was away or ill
   * @param version shared on this day, the last of them
   */
  public record Day(
      LocalDate day,
      Optional<Integer> before,
      Optional<Integer> highest,
      Optional<Integer> morning,
      OptionalDouble mean,
      int left,
      int right,
      List<Colour> sessions,
      boolean paused,
      Optional<Integer> version) {
    public Day {
      sessions = List.copyOf(sessions);
    }
  }

  public Overview {
    days = List.copyOf(days);
  }

  /**
   * @param most days that end today
   */
  public static Overview of(Diary diary, int most) {
    Evidence evidence = new Evidence(diary);
    List<Day> days = new ArrayList<>();
    for (int ago = most - 1; ago >= 0; ago--) {
      days.add(day(diary, evidence, diary.today().minusDays(ago)));
    }
    Evidence.Adherence week = evidence.adherence(Evidence.WEEK);
    return new Overview(days, week.done(), Math.min(100, week.percent()));
  }

  private static Day day(Diary diary, Evidence evidence, LocalDate day) {
    List<Session> sessions = diary.sessions().stream().filter(s -> s.day().equals(day)).toList();
    return new Day(
        day,
        sessions.stream().flatMap(s -> s.painBefore().stream()).findFirst(),
        sessions.stream().flatMap(s -> s.highestPain().stream()).max(Integer::compare),
        diary.mornings().stream()
            .map(Diary.MorningTold::morning)
            .filter(m -> m.day().equals(day))
            .map(Morning::pain)
            .flatMap(Optional::stream)
            .findFirst(),
        evidence.weeklyMean(day),
        sessions.stream().mapToInt(s -> s.stretchSeconds(Side.LEFT)).sum(),
        sessions.stream().mapToInt(s -> s.stretchSeconds(Side.RIGHT)).sum(),
        sessions.stream().map(evidence::colour).toList(),
        diary.paused(day),
        diary.versions().stream()
            .filter(v -> LocalDate.ofInstant(v.sharedAt(), diary.zone()).equals(day))
            .map(Diary.Version::number)
            .reduce((a, b) -> b));
  }
}
