package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.session.Asking;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Due;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;

/**
 * What a diary says: how each session was borne, by whom, and how much was done. The terms are
 * those of a pain-monitoring model (Thomeé 1997, Silbernagel 2007, made for knee and Achilles;
 * values recalled from memory); all figures are our choice.
 */
final class Evidence {

  /** Days of pain-before that a baseline is the median of. */
  static final int BASELINE_DAYS = 7;

  /** With fewer the first of the episode is taken. */
  static final int LEAST_BASELINE_DAYS = 3;

  /** Pain told before that belongs to the night. */
  static final LocalTime MORNING_FROM = LocalTime.of(4, 0);

  /** A morning is told within that time of a session's end. */
  static final Duration MORNING_WITHIN = Duration.ofHours(36);

  /** Above that pain during a session is red, where it rose. */
  static final int MOST_DURING = 5;

  /** From there on pain before a session makes it amber. */
  static final int MUCH_BEFORE = 5;

  /** Above the baseline a morning is amber beyond this, red from {@link #RED_MORNING} on. */
  static final int GREEN_MORNING = 1;

  static final int RED_MORNING = 2;

  static final int WEEK = 7;

  /** Sessions one after the other that make a habit of it. */
  private static final int RUNNING = 2;

  private final Diary diary;
  private final List<Told> pains;

  /** Pain as it was told at rest: before a session, instead of one, or in the morning. */
  private record Told(Instant at, LocalDate day, int pain) {}

  /**
   * One thing that colours a session.
   *
   * @param named whether the client can have named where it was
   */
  record Signal(Colour colour, String words, boolean named, boolean everywhere) {}

  /**
   * A day on which a part was done at its present rung.
   *
   * @param answered whether the morning after it is known
   * @param over whether a stretch was felt above its ceiling
   * @param felt the strongest stretch; empty where it was not told
   */
  record Day(LocalDate day, Colour colour, boolean answered, boolean over, OptionalInt felt) {}

  /**
   * What was done of what was planned.
   *
   * @param planned sessions in these days; a fraction where the days of the week are few
   */
  record Adherence(int done, double planned) {

    /** In percent, of which more than 100 is overdoing. */
    int percent() {
      return planned <= 0 ? 0 : (int) Math.floor(100 * done / planned + 1e-9);
    }
  }

  Evidence(Diary diary) {
    this.diary = diary;
    this.pains =
        Stream.of(
                diary.sessions().stream()
                    .flatMap(
                        s -> s.painBefore().stream().map(p -> new Told(s.startedAt(), s.day(), p))),
                diary.mornings().stream()
                    .flatMap(
                        m ->
                            m.morning().pain().stream()
                                .map(p -> new Told(m.at(), m.morning().day(), p))),
                diary.refused().stream()
                    .map(
                        r -> new Told(r.at(), LocalDate.ofInstant(r.at(), diary.zone()), r.pain())))
            .flatMap(told -> told)
            .sorted(Comparator.comparing(Told::at))
            .toList();
  }

  // ---- terms -----------------------------------------------------------------------------------

  /** Of the seven days that end with this one; empty while no pain was ever told. */
  OptionalDouble baseline(LocalDate last) {
    Map<LocalDate, Integer> firsts = new TreeMap<>();
    Optional<Integer> first = Optional.empty();
    for (Session s : diary.sessions()) {
      if (s.painBefore().isEmpty()) continue;
      if (first.isEmpty()) first = s.painBefore();
      long ago = ChronoUnit.DAYS.between(s.day(), last);
      if (ago >= 0 && ago < BASELINE_DAYS) firsts.putIfAbsent(s.day(), s.painBefore().get());
    }
    if (firsts.size() < LEAST_BASELINE_DAYS) {
      return first.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }
    List<Integer> sorted = firsts.values().stream().sorted().toList();
    int n = sorted.size();
    return OptionalDouble.of((sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2.0);
  }

  /** The first pain of the next morning. */
  Optional<Integer> morning(Session s) {
    Instant from = s.day().plusDays(1).atTime(MORNING_FROM).atZone(diary.zone()).toInstant();
    Instant until = s.startedAt().plusSeconds(s.secondsDone()).plus(MORNING_WITHIN);
    return pains.stream()
        .filter(t -> !t.at().isBefore(from) && !t.at().isAfter(until))
        .findFirst()
        .map(Told::pain);
  }

  private boolean wokenAfter(Session s) {
    return nightsWoken().anyMatch(day -> day.equals(s.day().plusDays(1)));
  }

  /** The mornings after nights in which pain woke; the last word about each counts. */
  private Stream<LocalDate> nightsWoken() {
    Map<LocalDate, Boolean> woken = new TreeMap<>();
    for (Diary.MorningTold m : diary.mornings()) {
      Morning told = m.morning();
      told.woken().ifPresent(w -> woken.put(told.day(), w));
    }
    return woken.entrySet().stream().filter(Map.Entry::getValue).map(Map.Entry::getKey);
  }

  /** Whether two nights running were woken, both since a moment. */
  boolean wokenTwice(Instant since) {
    LocalDate from = LocalDate.ofInstant(since, diary.zone());
    Set<LocalDate> nights = Set.copyOf(nightsWoken().filter(d -> d.isAfter(from)).toList());
    return nights.stream().anyMatch(d -> nights.contains(d.plusDays(1)));
  }

  /** Of the seven days that end so many weeks ago; empty with fewer than three values. */
  List<OptionalDouble> weeklyMeans(int weeks) {
    return LookingBack.of(diary.today(), weeks, diary.sessions(), List.of()).weeks().stream()
        .map(LookingBack.Week::before)
        .toList();
  }

  /** Of the seven days that end with this one. */
  OptionalDouble weeklyMean(LocalDate last) {
    List<Session> upTo = diary.sessions().stream().filter(s -> !s.day().isAfter(last)).toList();
    return LookingBack.of(last, 1, upTo, List.of()).weeks().get(0).before();
  }

  /** Whether enough pain was told since then for a mean of this week to say something new. */
  boolean newMean(Instant since) {
    LocalDate week = diary.today().minusDays(WEEK);
    return diary.sessions().stream()
            .filter(s -> s.painBefore().isPresent())
            .filter(s -> s.startedAt().isAfter(since) && s.day().isAfter(week))
            .count()
        >= LookingBack.LEAST_VALUES;
  }

  /** The highest pain before a session, or told instead of one, since a moment. */
  OptionalInt highestBefore(Instant since) {
    return pains.stream().filter(t -> t.at().isAfter(since)).mapToInt(Told::pain).max();
  }

  /** How long pain has been so far above the baseline without a break; zero where it is not. */
  Duration highFor(int above, Duration fresh) {
    Instant last = null;
    Instant first = null;
    for (int i = pains.size() - 1; i >= 0; i--) {
      Told t = pains.get(i);
      OptionalDouble usual = baseline(t.day().minusDays(1));
      if (usual.isEmpty() || t.pain() < usual.getAsDouble() + above) break;
      if (last == null) last = t.at();
      first = t.at();
    }
    if (first == null || last == null || last.isBefore(diary.now().minus(fresh))) {
      return Duration.ZERO;
    }
    return Duration.between(first, last);
  }

  // ---- colours ---------------------------------------------------------------------------------

  /** What colours a session, wherever it was; the desk's breaks only by a stop or a rise. */
  List<Signal> signals(Session s) {
    List<Signal> all = new ArrayList<>();
    boolean stopRule =
        diary.signs().stream()
            .anyMatch(x -> x.kind() == Diary.Sign.Kind.STOP_RULE && sameDay(x.at(), s));
    if (s.stopped() || stopRule) {
      all.add(new Signal(Colour.RED, "a stop rule", false, true));
    }
    s.rise().flatMap(rise -> ofRise(s, rise)).ifPresent(all::add);
    if (s.program() == ProgramKind.DESK) return all;
    Optional<Integer> before = s.painBefore();
    Optional<Integer> highest = s.highestPain();
    if (highest.isPresent()
        && highest.get() > MOST_DURING
        && before.filter(b -> highest.get() <= b).isEmpty()) {
      all.add(new Signal(Colour.RED, "pain %d during it".formatted(highest.get()), true, false));
    }
    ofSettling(s).ifPresent(all::add);
    ofMorning(s).ifPresent(all::add);
    boolean risen = s.rise().filter(r -> r > 0).isPresent();
    if (before.filter(b -> b >= MUCH_BEFORE).isPresent() && !risen) {
      all.add(new Signal(Colour.AMBER, "pain %d before it".formatted(before.get()), false, false));
    }
    if (wokenAfter(s)) all.add(new Signal(Colour.AMBER, "woken by pain", false, false));
    boolean headache =
        diary.signs().stream()
            .anyMatch(x -> x.kind() == Diary.Sign.Kind.HEADACHE && sameDay(x.at(), s));
    if (headache) all.add(new Signal(Colour.AMBER, "a new headache", false, false));
    return all;
  }

  private boolean sameDay(Instant at, Session s) {
    return LocalDate.ofInstant(at, diary.zone()).equals(s.day());
  }

  private Optional<Signal> ofRise(Session s, int rise) {
    int borne = diary.policy().borne();
    String words = "pain rose by %d".formatted(rise);
    if (rise >= borne + 2) return Optional.of(new Signal(Colour.RED, words, true, false));
    boolean ofADesk = s.program() == ProgramKind.DESK && rise >= Asking.ROSE_BY;
    return (rise == borne + 1) || ofADesk
        ? Optional.of(new Signal(Colour.AMBER, words, true, false))
        : Optional.empty();
  }

  /** Of pain that rose and had not settled within the hour: the next morning tells. */
  private Optional<Signal> ofSettling(Session s) {
    if (s.settled().map(Session.Settled::settled).orElse(true)) return Optional.empty();
    Optional<Integer> next = morning(s);
    boolean still =
        next.isPresent() && s.painBefore().filter(b -> next.get() <= b + GREEN_MORNING).isEmpty();
    return Optional.of(
        still
            ? new Signal(Colour.RED, "not settled by next morning", true, false)
            : new Signal(Colour.AMBER, "not settled within the hour", true, false));
  }

  private Optional<Signal> ofMorning(Session s) {
    Optional<Integer> next = morning(s);
    OptionalDouble usual = baseline(s.day());
    if (next.isEmpty() || usual.isEmpty()) return Optional.empty();
    double above = next.get() - usual.getAsDouble();
    String words = "next-morning pain %d".formatted(next.get());
    if (above >= RED_MORNING) return Optional.of(new Signal(Colour.RED, words, false, false));
    if (above > GREEN_MORNING) return Optional.of(new Signal(Colour.AMBER, words, false, false));
    return Optional.empty();
  }

  /** Whether it is known that what rose has settled, or nothing did; not asked at the desk. */
  private static boolean settlingKnown(Session s) {
    return s.program() == ProgramKind.DESK
        || s.settled().isPresent()
        || s.rise().filter(r -> r < Asking.ROSE_BY).isPresent();
  }

  /**
   * @param known whether enough is known for it to be green
   */
  private static Colour colour(Stream<Signal> signals, boolean known) {
    Colour worst = signals.map(Signal::colour).reduce(Colour.GREEN, Colour::worse);
    return worst == Colour.GREEN && !known ? Colour.UNCOLOURED : worst;
  }

  private boolean known(Session s) {
    return s.program() == ProgramKind.DESK || (s.rise().isPresent() && morning(s).isPresent());
  }

  /** Of a session as a whole. */
  Colour colour(Session s) {
    return colour(signals(s).stream(), known(s) && settlingKnown(s));
  }

  /** Of a session for one part: what was named elsewhere is not its own. */
  Colour colour(Session s, Part part) {
    boolean settled = settlingKnown(s) || !named(s, part);
    return colour(signals(s).stream().filter(x -> concerns(x, s, part)), known(s) && settled);
  }

  private boolean concerns(Signal signal, Session s, Part part) {
    return signal.everywhere() || (signal.named() ? named(s, part) : inPain(part));
  }

  /** Whether the pain of a session is that of a part: where it was named, else where it hurts. */
  private boolean named(Session s, Part part) {
    Set<ItemSide> named = s.checkIn().map(CheckIn::provoked).orElse(Set.of());
    return named.isEmpty() ? inPain(part) : names(named, s, part);
  }

  /** Whether a part is where it hurts, as far as that is known. */
  boolean inPain(Part part) {
    return diary.painful().isEmpty()
        || part.place(diary.version().program())
            .map(place -> Steps.region(diary.version().program().items().get(place).exercise()))
            .filter(diary.painful()::contains)
            .isPresent();
  }

  /** Whether a report of a session names a part; one that names no side means both. */
  private boolean names(Set<ItemSide> named, Session s, Part part) {
    if (s.program() != ProgramKind.MAIN) return inPain(part);
    Optional<Integer> place = program(s).flatMap(part::place);
    return named.stream()
        .filter(n -> place.filter(p -> p == n.item()).isPresent())
        .anyMatch(n -> n.side().isEmpty() || part.side().isEmpty() || n.side().equals(part.side()));
  }

  /**
   * The side on which alone it was worse, the last two times running that it was done, of what both
   * sides do at once; empty where it was not so.
   */
  Optional<Side> worseSide(Part part) {
    if (part.side().isPresent()) return Optional.empty();
    List<Set<Side>> worse =
        diary.sessions().stream().filter(s -> did(s, part)).map(s -> worseSides(s, part)).toList();
    if (worse.size() < RUNNING) return Optional.empty();
    Set<Side> last = worse.get(worse.size() - 1);
    boolean same =
        worse.subList(worse.size() - RUNNING, worse.size()).stream().allMatch(last::equals);
    return same && last.size() == 1 ? last.stream().findFirst() : Optional.empty();
  }

  /** The sides on which it was named as painful or too strong; without a side it is both. */
  private Set<Side> worseSides(Session s, Part part) {
    Optional<Integer> place = program(s).flatMap(part::place);
    return Stream.concat(
            s.checkIn().stream().flatMap(c -> c.provoked().stream()), s.tooStrong().stream())
        .filter(n -> place.filter(p -> p == n.item()).isPresent())
        .flatMap(n -> n.side().map(Stream::of).orElseGet(() -> Stream.of(Side.values())))
        .collect(Collectors.toSet());
  }

  private Optional<Program> program(Session s) {
    return diary.versions().stream()
        .filter(v -> v.number() == s.version())
        .map(Diary.Version::program)
        .findFirst();
  }

  // ---- what was done of a part -----------------------------------------------------------------

  /** What is prescribed for it now. */
  SideDose dose(Part part) {
    return part.dose(diary.version().program()).orElseThrow();
  }

  /**
   * The versions without a break up to now in which it has had its present dose. On more days a
   * week than now it was no less: it stays at its rung while it is only done more seldom.
   */
  private List<Diary.Version> atRung(Part part) {
    List<Diary.Version> same = new ArrayList<>();
    SideDose now = dose(part);
    for (int i = diary.versions().size() - 1; i >= 0; i--) {
      Diary.Version v = diary.versions().get(i);
      Optional<SideDose> then =
          part.dose(v.program()).filter(d -> Rhythm.daysAWeek(d) >= Rhythm.daysAWeek(now));
      if (then.filter(d -> d.withPerWeek(now.perWeek()).equals(now)).isEmpty()) break;
      same.add(v);
    }
    return same;
  }

  /** Since when it has had its present dose. */
  Instant rungSince(Part part) {
    List<Diary.Version> same = atRung(part);
    return same.get(same.size() - 1).sharedAt();
  }

  /** Whether a version of the last so many days asks more of it than the one before did. */
  boolean stepped(Part part, int days) {
    for (int i = 1; i < diary.versions().size(); i++) {
      Diary.Version version = diary.versions().get(i);
      LocalDate day = LocalDate.ofInstant(version.sharedAt(), diary.zone());
      if (ChronoUnit.DAYS.between(day, diary.today()) >= days) continue;
      Optional<SideDose> before = part.dose(diary.versions().get(i - 1).program());
      Optional<SideDose> after = part.dose(version.program());
      if (before.isEmpty() || after.isEmpty()) continue;
      if (!Ladder.reached(before.get(), after.get(), context(part, version))) return true;
    }
    return false;
  }

  private static DoseContext context(Part part, Diary.Version version) {
    int place = part.place(version.program()).orElseThrow();
    return version.program().items().get(place).exercise().doseContext();
  }

  /** What was in force so many days ago, or first. */
  Diary.Version inForce(int daysAgo) {
    return diary.versions().stream()
        .filter(
            v ->
                ChronoUnit.DAYS.between(
                        LocalDate.ofInstant(v.sharedAt(), diary.zone()), diary.today())
                    >= daysAgo)
        .reduce((a, b) -> b)
        .orElse(diary.versions().get(0));
  }

  /** When it was last done, at whatever dose. */
  Optional<Session> lastDone(Part part) {
    return diary.sessions().stream().filter(s -> did(s, part)).reduce((a, b) -> b);
  }

  private boolean did(Session s, Part part) {
    if (s.program() != ProgramKind.MAIN) return false;
    Optional<Integer> place = program(s).flatMap(part::place);
    return s.parts().stream()
        .anyMatch(
            p ->
                place.filter(x -> x == p.item()).isPresent()
                    && p.seconds() > 0
                    && (p.side().isEmpty() || p.side().equals(part.side())));
  }

  /** The days on which it was done at its present rung, the oldest first. */
  List<Day> days(Part part) {
    Set<Integer> versions = Set.copyOf(atRung(part).stream().map(Diary.Version::number).toList());
    Map<LocalDate, List<Session>> done = new TreeMap<>();
    for (Session s : diary.sessions()) {
      if (versions.contains(s.version()) && did(s, part)) {
        done.computeIfAbsent(s.day(), d -> new ArrayList<>()).add(s);
      }
    }
    return done.entrySet().stream().map(e -> day(e.getKey(), e.getValue(), part)).toList();
  }

  /** The mornings after the sessions at its present rung, the oldest first. */
  List<Integer> mornings(Part part) {
    Set<LocalDate> days = Set.copyOf(days(part).stream().map(Day::day).toList());
    return diary.sessions().stream()
        .filter(s -> days.contains(s.day()) && did(s, part))
        .flatMap(s -> morning(s).stream())
        .toList();
  }

  private Day day(LocalDate day, List<Session> own, Part part) {
    // A break at the desk colours the day too.
    Colour colour =
        diary.sessions().stream()
            .filter(s -> s.day().equals(day))
            .filter(s -> s.program() == ProgramKind.DESK || own.contains(s))
            .map(s -> colour(s, part))
            .reduce(Colour.GREEN, Colour::worse);
    OptionalInt felt =
        own.stream()
            .flatMap(s -> s.checkIn().flatMap(CheckIn::stretchFelt).stream())
            .mapToInt(Integer::intValue)
            .max();
    return new Day(
        day,
        colour,
        morning(own.get(own.size() - 1)).isPresent(),
        own.stream().anyMatch(s -> over(s, part)),
        felt);
  }

  /** Whether a stretch was felt above the ceiling of a part. */
  private boolean over(Session s, Part part) {
    Set<ItemSide> named = s.tooStrong();
    if (!named.isEmpty()) return names(named, s, part);
    Optional<Integer> felt = s.checkIn().flatMap(CheckIn::stretchFelt);
    Optional<Program> program = program(s);
    if (felt.isEmpty() || program.isEmpty()) return false;
    int highest = -1;
    int own = -1;
    for (Performance.Part p : s.parts()) {
      Item item = program.get().items().get(p.item());
      if (p.seconds() == 0 || item.exercise().doseContext().mode() != Mode.HOLD) continue;
      int ceiling = ceiling(item.dose().on(p.side().orElse(Side.LEFT)));
      highest = Math.max(highest, ceiling);
      boolean mine =
          part.place(program.get()).filter(x -> x == p.item()).isPresent()
              && (p.side().isEmpty() || p.side().equals(part.side()));
      if (mine) own = Math.max(own, ceiling);
    }
    return own >= 0 && own == highest && felt.get() > own;
  }

  /** Of a dose, or of the policy where it names none. */
  int ceiling(Optional<SideDose> dose) {
    return dose.map(SideDose::ceiling).orElse(OptionalInt.empty()).orElse(diary.policy().ceiling());
  }

  /**
   * Of the days up to today, where something was done today, else up to yesterday.
   *
   * @param window how many days
   */
  Adherence adherence(int window) {
    LocalDate last = lastDay();
    LocalDate begun = LocalDate.ofInstant(diary.versions().get(0).sharedAt(), diary.zone());
    Rhythm rhythm = Rhythm.of(diary.version().program());
    LocalDate first = last.minusDays(window - 1L);
    LocalDate from = begun.isAfter(first) ? begun : first;
    int done =
        (int)
            diary.sessions().stream()
                .filter(s -> counts(s) && !s.day().isBefore(from) && !s.day().isAfter(last))
                .count();
    return new Adherence(done, planned(from) * rhythm.perDay());
  }

  /** Today where something was done today, else yesterday. */
  private LocalDate lastDay() {
    LocalDate today = diary.today();
    boolean doneToday = diary.sessions().stream().anyMatch(s -> counts(s) && s.day().equals(today));
    return doneToday ? today : today.minusDays(1);
  }

  static boolean counts(Session s) {
    return s.program() == ProgramKind.MAIN && Due.counts(s);
  }

  /** Days of the program from one on; a fraction where they are few, nothing in a pause. */
  double planned(LocalDate from) {
    LocalDate last = lastDay();
    long days =
        from.isAfter(last)
            ? 0
            : from.datesUntil(last.plusDays(1)).filter(d -> !diary.paused(d)).count();
    return (double) days * Rhythm.of(diary.version().program()).perWeek() / WEEK;
  }

  /** Red days of the last two days and nights, wherever it was. */
  List<LocalDate> redDays(Duration within) {
    Instant from = diary.now().minus(within);
    return diary.sessions().stream()
        .filter(s -> !s.startedAt().isBefore(from))
        .filter(s -> colour(s) == Colour.RED)
        .map(Session::day)
        .distinct()
        .toList();
  }
}
