package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.Screening;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.DaysOff;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Told;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Timeline;

/** A diary day by day: every session in full, at eight in the morning; all of it invented. */
final class DiaryBuilder {

  static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
  static final Catalogue CATALOGUE = Catalogue.load();

  /** The first version is shared on the evening before it. */
  static final LocalDate FIRST = LocalDate.parse("2026-10-01");

  private final List<Diary.Version> versions = new ArrayList<>();
  private final List<Session> sessions = new ArrayList<>();
  private final List<Diary.MorningTold> mornings = new ArrayList<>();
  private final List<Diary.Refused> refused = new ArrayList<>();
  private final List<Diary.Sign> signs = new ArrayList<>();
  private final List<Pause> pauses = new ArrayList<>();
  private final List<Flare> flares = new ArrayList<>();
  private final List<Diary.Decided> decided = new ArrayList<>();
  private final Set<Part> asymmetric = new HashSet<>();
  private Set<Tissue.Region> painful = Set.of();
  private Thresholds thresholds = Thresholds.USUAL;
  private Optional<Instant> keptUp = Optional.empty();
  private Optional<Side> skipped = Optional.empty();
  private Policy policy = Policy.COMFORT_FIRST;
  private Pace pace = Pace.USUAL;
  private Diary.Measures measures = Diary.Measures.NONE;
  private Optional<Allowed> allowed = Optional.of(allowed(Irritability.Settles.WITHIN_10_MINUTES));

  DiaryBuilder(String... exerciseAndDose) {
    share(0, exerciseAndDose);
  }

  /** Shared on the evening before a day. */
  DiaryBuilder share(int day, String... exerciseAndDose) {
    Instant at = at(day - 1, LocalTime.of(20, 0));
    versions.add(new Diary.Version(versions.size() + 1, at, program(exerciseAndDose)));
    return this;
  }

  /** Exercise, dose and target in turn; the target is the catalogue's where it is empty. */
  static Program program(String... exerciseDoseTarget) {
    List<Item> items = new ArrayList<>();
    for (int i = 0; i < exerciseDoseTarget.length; i += 3) {
      Exercise e = CATALOGUE.get(exerciseDoseTarget[i]);
      String target = exerciseDoseTarget[i + 2];
      items.add(
          new Item(
              e,
              dose(e, exerciseDoseTarget[i + 1]),
              e.usualPosition(),
              Optional.empty(),
              Optional.empty(),
              Item.Priority.HIGH,
              target.isEmpty() ? Optional.empty() : Optional.of(dose(e, target))));
    }
    return new Program("At the desk", 5, Pacing.DEFAULT, items);
  }

  static Dose dose(Exercise e, String text) {
    return ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
  }

  static Allowed allowed(Irritability.Settles settles) {
    Means all = new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));
    return allowed(settles, all);
  }

  static Allowed allowed(Irritability.Settles settles, Means means, Condition... conditions) {
    Screening told =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            settles,
            false,
            OptionalInt.of(3),
            Stream.of(conditions).collect(Collectors.toMap(c -> c, c -> Optional.empty())),
            "",
            "",
            "",
            false,
            false);
    return new Allowed(Assessment.of(told, Optional.empty()), means, 5);
  }

  static Instant at(int day, LocalTime time) {
    return FIRST.plusDays(day).atTime(time).atZone(ZONE).toInstant();
  }

  // ---- what is told ------------------------------------------------------------------------

  /** What is told of one session. */
  record Answers(
      Optional<Integer> before,
      Optional<Integer> highest,
      Optional<Integer> felt,
      Set<ItemSide> provoked,
      Set<ItemSide> tooStrong,
      Optional<Boolean> settled) {

    static Answers of(int before, int highest, int felt) {
      return new Answers(
          Optional.of(before),
          Optional.of(highest),
          Optional.of(felt),
          Set.of(),
          Set.of(),
          highest - before >= 2 ? Optional.of(true) : Optional.empty());
    }

    Answers provoked(String... where) {
      return new Answers(before, highest, felt, ItemSide.all(List.of(where)), tooStrong, settled);
    }

    Answers tooStrong(String... where) {
      return new Answers(before, highest, felt, provoked, ItemSide.all(List.of(where)), settled);
    }

    Answers settled(Optional<Boolean> word) {
      return new Answers(before, highest, felt, provoked, tooStrong, word);
    }

    static final Answers NONE =
        new Answers(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Set.of(),
            Set.of(),
            Optional.empty());
  }

  /** Pain 2 before, 2 during, a clear and comfortable stretch. */
  static final Answers GOOD = Answers.of(2, 2, 3);

  DiaryBuilder session(int day, Answers told) {
    return session(day, told, ProgramKind.MAIN, Ended.FINISHED, Set.of());
  }

  DiaryBuilder session(int day, Answers told, ProgramKind kind, Ended ended, Set<Integer> without) {
    Instant at = at(day, kind == ProgramKind.DESK ? LocalTime.of(15, 0) : LocalTime.of(8, 0));
    Diary.Version v =
        versions.stream().filter(x -> x.sharedAt().isBefore(at)).reduce((a, b) -> b).orElseThrow();
    Set<Integer> off = DaysOff.of(v.program(), kind, v.number(), FIRST.plusDays(day), sessions);
    Set<Integer> waiting = Stream.of(without, off).flatMap(Set::stream).collect(Collectors.toSet());
    Program session = v.program().session(Side.LEFT, SessionLength.USUAL).without(waiting);
    Timeline timeline = Timeline.compile(session);
    List<Integer> seconds =
        timeline.segments().stream()
            .map(s -> skipped.isPresent() && s.side().equals(skipped) ? 0 : s.seconds())
            .toList();
    boolean said = told.highest().isPresent() || told.felt().isPresent();
    sessions.add(
        new Session(
            kind,
            kind == ProgramKind.MAIN ? v.number() : 1,
            Side.LEFT,
            SessionLength.USUAL,
            at,
            FIRST.plusDays(day),
            told.before(),
            ended,
            timeline.seconds(),
            timeline.seconds(),
            false,
            "",
            Told.PLAYER,
            kind == ProgramKind.MAIN ? Performance.of(timeline, seconds).parts() : List.of(),
            said
                ? Optional.of(
                    new CheckIn(
                        told.highest(),
                        told.felt(),
                        Map.of(),
                        told.provoked(),
                        told.tooStrong(),
                        Map.of(),
                        ""))
                : Optional.empty(),
            told.settled().map(s -> new Session.Settled(s, at.plus(Duration.ofMinutes(40)))),
            Set.of(),
            List.of()));
    return this;
  }

  /** From now on nothing is done on a side. */
  DiaryBuilder skips(Side side) {
    skipped = Optional.of(side);
    return this;
  }

  DiaryBuilder morning(int day, int pain) {
    return morning(day, Optional.of(pain), Optional.empty());
  }

  DiaryBuilder morning(int day, Optional<Integer> pain, Optional<Boolean> woken) {
    mornings.add(
        new Diary.MorningTold(
            at(day, LocalTime.of(7, 0)), new Morning(FIRST.plusDays(day), pain, woken)));
    return this;
  }

  DiaryBuilder woken(int day) {
    return morning(day, Optional.empty(), Optional.of(true));
  }

  /** A session of a day, and the morning after it. */
  DiaryBuilder day(int day, Answers told, int morningAfter) {
    return session(day, told).morning(day + 1, morningAfter);
  }

  /** Days that are good in every way, the last one too. */
  DiaryBuilder good(int from, int to) {
    for (int day = from; day <= to; day++) day(day, GOOD, 2);
    return this;
  }

  DiaryBuilder refused(int day, int pain) {
    refused.add(new Diary.Refused(at(day, LocalTime.of(12, 0)), pain));
    return this;
  }

  DiaryBuilder sign(int day, Diary.Sign.Kind kind, boolean examined) {
    signs.add(new Diary.Sign(at(day, LocalTime.of(9, 0)), kind, examined));
    return this;
  }

  DiaryBuilder pause(int from, int until) {
    pauses.add(
        new Pause(
            Pause.Kind.HOLIDAY,
            FIRST.plusDays(from),
            FIRST.plusDays(until),
            false,
            Optional.empty()));
    return this;
  }

  DiaryBuilder flare(int begun, Optional<Integer> ended, Optional<Integer> before) {
    flares.add(
        new Flare(
            at(begun, LocalTime.NOON),
            2,
            ended.map(d -> at(d, LocalTime.NOON)),
            before.map(d -> at(d, LocalTime.NOON))));
    return this;
  }

  DiaryBuilder decided(int day, String part, Outcome outcome, boolean atTarget) {
    decided.add(new Diary.Decided(at(day, LocalTime.of(18, 0)), Part.of(part), outcome, atTarget));
    return this;
  }

  DiaryBuilder asymmetric(String part) {
    asymmetric.add(Part.of(part));
    return this;
  }

  DiaryBuilder painful(Tissue.Region... regions) {
    painful = Set.of(regions);
    return this;
  }

  DiaryBuilder keptUp(int day) {
    keptUp = Optional.of(at(day, LocalTime.NOON));
    return this;
  }

  DiaryBuilder threshold(Threshold which, int value) {
    thresholds = new Thresholds(Map.of(which, value));
    return this;
  }

  DiaryBuilder policy(Policy other) {
    policy = other;
    return this;
  }

  DiaryBuilder pace(Pace other) {
    pace = other;
    return this;
  }

  DiaryBuilder measures(Diary.Measures other) {
    measures = other;
    return this;
  }

  DiaryBuilder irritable(Irritability.Settles settles) {
    allowed = Optional.of(allowed(settles));
    return this;
  }

  DiaryBuilder notScreened() {
    allowed = Optional.empty();
    return this;
  }

  /** The same in another order, some of it twice. */
  DiaryBuilder shuffled(Random random) {
    for (List<?> list : List.of(sessions, mornings, refused, signs, decided)) {
      twice(list, random);
    }
    return this;
  }

  private static <T> void twice(List<T> list, Random random) {
    list.addAll(List.copyOf(list).stream().filter(x -> random.nextBoolean()).toList());
    Collections.shuffle(list, random);
  }

  /** As it stands on a day at noon. */
  Diary on(int day) {
    Optional<Allowed> open = allowed.map(a -> under(a, policy));
    return new Diary(
        at(day, LocalTime.NOON),
        ZONE,
        open.map(a -> a.assessment().policy()).orElse(policy),
        pace,
        thresholds,
        open,
        painful,
        versions.stream().filter(v -> v.sharedAt().isBefore(at(day, LocalTime.NOON))).toList(),
        sessions,
        mornings,
        refused,
        signs,
        pauses,
        flares,
        decided,
        asymmetric,
        measures,
        keptUp,
        List.of(),
        List.of());
  }

  private static Allowed under(Allowed a, Policy policy) {
    return new Allowed(a.assessment().under(policy), a.means(), a.breathSeconds(), a.beside());
  }

  Decision decide(int day, String part) {
    return Review.of(on(day)).of(Part.of(part));
  }
}
