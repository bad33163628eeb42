package org.biokinet.app.review.web;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.workday.Moment;
import org.jspecify.annotations.Nullable;

/**
 * What a client takes along: all that was done and told. A number that was not told is left out.
 *
 * @param zone in which the days are days
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record OwnData(
    String format,
    int version,
    String firstName,
    String zone,
    List<Done> sessions,
    List<Morning> mornings,
    Work work,
    List<Told> breaks) {

  static final String FORMAT = "biokinet-own-data";
  static final int VERSION = 1;

  static final String[] COLUMNS = {
    "started_at",
    "day",
    "program",
    "version",
    "exercise",
    "side",
    "seconds_done",
    "seconds_planned",
    "stretch_seconds",
    "repetitions_done",
    "repetitions_planned",
    "pain_before",
    "highest_pain",
    "stretch_felt",
    "told",
    "ended"
  };

  /** One session. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record Done(
      String startedAt,
      String day,
      String program,
      int version,
      String told,
      String ended,
      int secondsDone,
      int secondsPlanned,
      @Nullable Integer painBefore,
      @Nullable Integer highestPain,
      @Nullable Integer stretchFelt,
      @Nullable Boolean settled,
      @Nullable String note,
      List<Part> items) {

    static Done of(Session s, Optional<VersionService.Replay> replay, Locale language) {
      return new Done(
          s.startedAt().toString(),
          s.day().toString(),
          lower(s.program()),
          s.version(),
          lower(s.told()),
          lower(s.ended()),
          s.secondsDone(),
          s.secondsPlanned(),
          s.painBefore().orElse(null),
          s.highestPain().orElse(null),
          s.checkIn().flatMap(CheckIn::stretchFelt).orElse(null),
          s.settled().map(Session.Settled::settled).orElse(null),
          s.checkIn().map(CheckIn::note).filter(n -> !n.isEmpty()).orElse(null),
          s.parts().stream().map(p -> Part.of(p, replay, language)).toList());
    }

    Object[] row(Part p) {
      return new Object[] {
        startedAt,
        day,
        program,
        version,
        p.exercise(),
        p.side(),
        p.secondsDone(),
        p.secondsPlanned(),
        p.stretchSeconds(),
        p.repetitionsDone(),
        p.repetitionsPlanned(),
        painBefore,
        highestPain,
        stretchFelt,
        told,
        ended
      };
    }
  }

  /**
   * One exercise on one side.
   *
   * @param exercise as it is called today; the place in the program where it is no longer known
   * @param side left, right, or both where both work at once
   */
  record Part(
      String exercise,
      String side,
      int secondsDone,
      int secondsPlanned,
      int stretchSeconds,
      int repetitionsDone,
      int repetitionsPlanned) {

    static Part of(Performance.Part p, Optional<VersionService.Replay> replay, Locale language) {
      return new Part(
          replay
              .filter(r -> p.item() < r.program().items().size())
              .map(r -> r.name(p.item(), language))
              .orElse("item " + (p.item() + 1)),
          p.side().map(OwnData::lower).orElse("both"),
          p.seconds(),
          p.plannedSeconds(),
          p.stretchSeconds(),
          p.reps(),
          p.plannedReps());
    }
  }

  /** One morning. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record Morning(String day, @Nullable Integer pain, @Nullable Boolean woken) {
    static Morning of(org.biokinet.core.session.Morning m) {
      return new Morning(m.day().toString(), m.pain().orElse(null), m.woken().orElse(null));
    }
  }

  /**
   * How they work.
   *
   * @param sessionTimes at which they like to do their sessions
   * @param minutesApart between two sessions, at least
   */
  record Work(List<Hours> hours, List<Time> quiet, List<String> sessionTimes, int minutesApart) {
    static Work of(WorkdayService.Usual usual) {
      return new Work(
          usual.hours().stream()
              .map(h -> new Hours(lower(h.day()), "" + h.time().from(), "" + h.time().until()))
              .toList(),
          usual.quiet().stream().map(t -> new Time("" + t.from(), "" + t.until())).toList(),
          usual.times().stream().map(LocalTime::toString).toList(),
          usual.apart());
    }
  }

  /** On a day of the week, maybe over midnight. */
  record Hours(String day, String from, String until) {}

  /** Of each day. */
  record Time(String from, String until) {}

  /** What was told of a break at the desk: had, later, skipped or missed. */
  record Told(String at, String told) {
    static Told of(Moment m) {
      return new Told(m.at().toString(), lower(m.kind()));
    }
  }

  private static String lower(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT);
  }
}
