package org.biokinet.core.progress;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.SplittableRandom;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Timeline;

/**
 * A made-up client: how often a planned session is done and told of, and how a body answers to it.
 * The figures are our choice; nothing is claimed of real people. One seed always tells the same.
 *
 * @param adherence chance that a planned session is done, 0–1
 * @param answers chance that the next morning is told, 0–1
 * @param pain at rest to begin with, NPRS 0–10
 * @param perWeek points by which that changes in a week
 * @param rise by which pain rises in a session
 * @param felt how strong a stretch is felt, of 10
 */
public record Simulated(
    double adherence, double answers, double pain, double perWeek, double rise, double felt) {

  /** How far a number that somebody tells of one feeling lies from the next; one deviation. */
  private static final double SCATTER = 0.4;

  /** From there on it is asked whether the pain of a session has settled. */
  private static final int ASKED_FROM = 2;

  /** By so much more a morning is worse after a session that stirred things up. */
  private static final double STIRRED = 1.5;

  private static final LocalTime SESSION_AT = LocalTime.of(8, 0);
  private static final LocalTime MORNING_AT = LocalTime.of(7, 0);
  private static final int DAYS_OF_A_WEEK = 7;

  /**
   * A day of theirs, counted from 0. What follows {@code done} is of the session of that day.
   *
   * @param settled whether pain that rose had settled; empty where it was not asked
   * @param morning pain of the next morning; empty where it was not told
   */
  public record Day(
      int day,
      boolean done,
      int before,
      int highest,
      int felt,
      Optional<Boolean> settled,
      OptionalInt morning) {}

  /** So many days of being so. */
  public record Phase(int days, Simulated as) {}

  /** The days of one client after another who is the same person. */
  public static List<Day> days(long seed, Phase... phases) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Day> days = new ArrayList<>();
    for (Phase phase : phases) {
      for (int n = 0; n < phase.days(); n++) {
        days.add(phase.as().day(days.size(), n, random));
      }
    }
    return days;
  }

  private Day day(int day, int since, SplittableRandom random) {
    double usual = pain + perWeek * since / DAYS_OF_A_WEEK;
    boolean done = random.nextDouble() < adherence;
    boolean tells = random.nextDouble() < answers;
    int before = told(usual, random);
    int highest = Math.max(before, told(before + rise, random));
    int rose = highest - before;
    Optional<Boolean> settled =
        rose >= ASKED_FROM ? Optional.of(rose == ASKED_FROM) : Optional.empty();
    int next = told(usual + (rose > ASKED_FROM ? STIRRED : 0), random);
    return new Day(
        day,
        done,
        before,
        highest,
        told(felt, random),
        settled,
        tells ? OptionalInt.of(next) : OptionalInt.empty());
  }

  private static int told(double feeling, SplittableRandom random) {
    long near = Math.round(feeling + SCATTER * random.nextGaussian());
    return (int) Math.min(TenPoint.MOST, Math.max(TenPoint.LEAST, near));
  }

  /**
   * What a review would read after these days of one program, which was shared on the evening
   * before the first.
   */
  public static Diary diary(
      Program program, Optional<Allowed> allowed, LocalDate first, ZoneId zone, List<Day> days) {
    Timeline timeline = Timeline.compile(program.session(Side.LEFT, SessionLength.USUAL));
    List<Session> sessions = new ArrayList<>();
    List<Diary.MorningTold> mornings = new ArrayList<>();
    for (Day d : days) {
      LocalDate day = first.plusDays(d.day());
      LocalDate next = day.plusDays(1);
      if (d.done()) sessions.add(session(1, d, timeline, day, at(day, SESSION_AT, zone)));
      morning(d, next, zone).ifPresent(mornings::add);
    }
    Instant shared = at(first.minusDays(1), LocalTime.NOON, zone);
    return diary(
        at(first.plusDays(days.size()), LocalTime.NOON, zone),
        zone,
        allowed,
        List.of(new Diary.Version(1, shared, program)),
        sessions,
        mornings,
        List.of());
  }

  private static Optional<Diary.MorningTold> morning(Day d, LocalDate next, ZoneId zone) {
    if (d.morning().isEmpty()) return Optional.empty();
    Morning told = new Morning(next, Optional.of(d.morning().getAsInt()), Optional.empty());
    return Optional.of(new Diary.MorningTold(at(next, MORNING_AT, zone), told));
  }

  /**
   * The same where every suggestion of every review is accepted, when it is due.
   *
   * @param atTarget the first day at which all targets are reached; empty where none is within the
   *     days
   */
  public record Followed(Diary diary, OptionalInt atTarget) {}

  /**
   * What a review would read after some of these days.
   *
   * @param today how many days of the client are behind; for the target all of them are looked at
   * @param days at least that many
   */
  public static Followed followed(
      Program program,
      Optional<Allowed> allowed,
      LocalDate first,
      ZoneId zone,
      List<Day> days,
      int today) {
    Instant begun = at(first.minusDays(1), LocalTime.NOON, zone);
    List<Diary.Version> versions = new ArrayList<>();
    versions.add(new Diary.Version(1, begun, program));
    List<Session> sessions = new ArrayList<>();
    List<Diary.MorningTold> mornings = new ArrayList<>();
    List<Diary.Decided> decided = new ArrayList<>();
    Timeline timeline = Timeline.compile(program.session(Side.LEFT, SessionLength.USUAL));
    LocalDate due = first.plusDays(Cadence.SOON_DAYS - 1L);
    Optional<Diary> asked = Optional.empty();
    OptionalInt atTarget = OptionalInt.empty();
    for (Day d : days) {
      LocalDate day = first.plusDays(d.day());
      LocalDate next = day.plusDays(1);
      Diary.Version version = versions.get(versions.size() - 1);
      if (d.done()) {
        Instant start = at(day, SESSION_AT, zone);
        sessions.add(session(version.number(), d, timeline, day, start));
      }
      morning(d, next, zone).ifPresent(mornings::add);
      boolean reviewed = !next.isBefore(due);
      if (!reviewed && d.day() + 1 != today) continue;
      Instant now = at(next, LocalTime.NOON, zone);
      Diary diary = diary(now, zone, allowed, versions, sessions, mornings, decided);
      if (d.day() + 1 == today) asked = Optional.of(diary);
      if (asked.isPresent() && atTarget.isPresent()) break;
      if (!reviewed) continue;
      Review review = Review.of(diary);
      for (Decision x : review.decisions()) {
        decided.add(new Diary.Decided(now, x.part(), x.outcome(), x.atTarget()));
      }
      Program then = accepted(review, version.program());
      LocalDate planned =
          next.plusDays(Cadence.days(review.decisions().stream().map(Decision::outcome).toList()));
      due = planned;
      if (!then.equals(version.program())) {
        versions.add(new Diary.Version(version.number() + 1, now, then));
        timeline = Timeline.compile(then.session(Side.LEFT, SessionLength.USUAL));
        due = Cadence.due(Optional.of(planned), next);
      }
      if (atTarget.isEmpty() && Outlook.reached(then)) atTarget = OptionalInt.of(d.day() + 1);
    }
    return new Followed(asked.orElseThrow(), atTarget);
  }

  private static Program accepted(Review review, Program program) {
    List<Agreed> agreed =
        review.decisions().stream().map(d -> new Agreed(d, Choice.accept(""))).toList();
    List<Item> items = new ArrayList<>(program.items());
    Agreed.doses(agreed, program)
        .forEach(
            (place, dose) ->
                dose.ifPresent(other -> items.set(place, items.get(place).dosed(other))));
    return program.of(items);
  }

  private static Diary diary(
      Instant now,
      ZoneId zone,
      Optional<Allowed> allowed,
      List<Diary.Version> versions,
      List<Session> sessions,
      List<Diary.MorningTold> mornings,
      List<Diary.Decided> decided) {
    return new Diary(
        now,
        zone,
        allowed.map(a -> a.assessment().policy()).orElse(Policy.COMFORT_FIRST),
        Pace.USUAL,
        Thresholds.USUAL,
        allowed,
        Set.of(),
        versions,
        sessions,
        mornings,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        decided,
        Set.of(),
        Diary.Measures.NONE,
        Optional.empty(),
        List.of(),
        List.of());
  }

  private static Session session(int version, Day d, Timeline timeline, LocalDate day, Instant at) {
    CheckIn said =
        new CheckIn(
            Optional.of(d.highest()),
            Optional.of(d.felt()),
            Map.of(),
            Set.of(),
            Set.of(),
            Map.of(),
            "");
    return Session.plain(
        ProgramKind.MAIN,
        version,
        at,
        day,
        Optional.of(d.before()),
        Ended.FINISHED,
        timeline.seconds(),
        timeline.seconds(),
        Performance.inFull(timeline).parts(),
        Optional.of(said),
        d.settled().map(s -> new Session.Settled(s, at.plusSeconds(60L * 60))));
  }

  private static Instant at(LocalDate day, LocalTime time, ZoneId zone) {
    return day.atTime(time).atZone(zone).toInstant();
  }
}
