package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.ReEntry;
import org.biokinet.core.timeline.Timeline;

/**
 * The decisions of one review: for each item and side the first {@link Line} that applies.
 *
 * @param decisions in the order of the program, the left side first
 * @param course what is suggested for the program as a whole; empty where it just goes on
 */
public record Review(List<Decision> decisions, Optional<Whole> course) {

  /** What is suggested for the program as a whole. */
  public enum Whole {
    FINISH(
        "finish: half the sessions, a discharge summary, a look after 4 and 12 weeks",
        "finished, only kept up from then on"),
    FULL_AGAIN(
        "pain is back while it is only kept up: the full plan again, one rung lower",
        "the full plan again from then on"),
    NO_RESPONSE(
        "six weeks without a change beyond error: examine again, or refer", "to be examined again");

    private final String words;
    private final String done;

    Whole(String words, String done) {
      this.words = words;
      this.done = done;
    }

    /** What was made of it. */
    public String done() {
      return done;
    }

    public String words() {
      return words;
    }

    /** Whether it changes the doses of all items. */
    public boolean moves() {
      return this != NO_RESPONSE;
    }
  }

  /** Above the baseline for longer than this it is a flare. */
  static final Duration FLARE_AFTER = Duration.ofDays(1);

  static final Duration FLARE_WITHIN = Duration.ofDays(2);
  static final int FLARE_ABOVE = 2;

  /** Days that count. */
  static final int LAST_DAYS = 3;

  /** So many red of them are too many, so many green enough. */
  static final int MANY = 2;

  static final int PLANNED_DAYS = 3;

  /** After so long without a step it is looked at anew. */
  static final Duration STAYED = Duration.ofDays(28);

  /** With no more than that, raw, 0–50, a neck is without disability (Vernon and Mior 1991). */
  static final int NO_DISABILITY = 5;

  public Review {
    decisions = List.copyOf(decisions);
  }

  public static Review of(Diary diary) {
    return new Run(diary).review();
  }

  /** What a forecast of the program in force goes by. */
  static Forecast.Given given(Diary diary, Course course) {
    Program program = diary.version().program();
    List<Forecast.Row> rows = new ArrayList<>();
    for (int place = 0; place < program.items().size(); place++) {
      String key = Part.of(program, place, Optional.empty()).text();
      rows.add(new Forecast.Row(key, program.items().get(place), Weeks.USUAL));
    }
    return new Forecast.Given(
        program,
        rows,
        course,
        diary.today(),
        diary.allowed(),
        diary.before(),
        stretch(program, diary.beside()));
  }

  private static Ledger stretch(Program program, Iterable<Item> items) {
    Ledger sum = Ledger.NOTHING;
    for (Item i : items) {
      sum = sum.plus(Ledger.of(Timeline.compile(program.of(List.of(i)))));
    }
    return sum;
  }

  /** Something that is missing for a stronger outcome, and what would bring it. */
  private record Lack(String what, String takes) {}

  private static final class Run {
    private final Diary diary;
    private final Evidence evidence;
    private final Program program;
    private final LocalDate today;
    private final Evidence.Adherence adherence;
    private final Map<Part, Decision> decided = new HashMap<>();
    private final Map<Tissue.Region, Set<String>> eased = new EnumMap<>(Tissue.Region.class);

    Run(Diary diary) {
      this.diary = diary;
      this.evidence = new Evidence(diary);
      this.program = diary.version().program();
      this.today = diary.today();
      this.adherence = evidence.adherence(Evidence.WEEK);
    }

    private int limit(Threshold threshold) {
      return diary.thresholds().of(threshold);
    }

    private Instant ago(Threshold days) {
      return diary.now().minus(Duration.ofDays(limit(days)));
    }

    Review review() {
      List<Part> parts = parts();
      // What is eased anywhere is known before anything goes on.
      for (Part part : parts) first(part).ifPresent(d -> decided.put(part, d));
      decided.values().stream()
          .filter(d -> d.line() == Line.EASE)
          .forEach(
              d ->
                  eased.computeIfAbsent(region(d.part()), r -> new HashSet<>()).add(key(d.part())));
      Steps steps = steps();
      for (Part part : byPriority(parts)) {
        if (!decided.containsKey(part)) decided.put(part, last(part, steps));
      }
      return new Review(
          parts.stream().map(p -> oneSided(withItsSides(get(decided, p)))).toList(), whole(parts));
    }

    private static Decision get(Map<Part, Decision> all, Part part) {
      Decision d = all.get(part);
      if (d == null) throw new IllegalStateException(part.text() + " was not decided");
      return d;
    }

    // ---- parts -----------------------------------------------------------------------------

    private List<Part> parts() {
      List<Part> parts = new ArrayList<>();
      for (int place = 0; place < program.items().size(); place++) {
        Item item = program.items().get(place);
        if (!item.exercise().sided()) {
          parts.add(Part.of(program, place, Optional.empty()));
          continue;
        }
        for (Side side : Side.values()) {
          if (item.dose().on(side).isPresent()) {
            parts.add(Part.of(program, place, Optional.of(side)));
          }
        }
      }
      return parts;
    }

    private Item item(Part part) {
      return program.items().get(part.place(program).orElseThrow());
    }

    private List<Part> byPriority(List<Part> parts) {
      return parts.stream().sorted(Comparator.comparing(p -> item(p).priority())).toList();
    }

    /** Of its item, whatever the side. */
    private static String key(Part part) {
      return new Part(part.exercise(), part.nth(), Optional.empty()).text();
    }

    private Tissue.Region region(Part part) {
      return Steps.region(item(part).exercise());
    }

    private DoseContext context(Part part) {
      return item(part).exercise().doseContext();
    }

    private SideDose target(Part part) {
      return item(part).target(part.dosed()).orElse(evidence.dose(part));
    }

    private Optional<SideDose> step(Part part) {
      return Ladder.next(evidence.dose(part), target(part), context(part));
    }

    private Optional<SideDose> down(Part part, int rungs) {
      SideDose now = evidence.dose(part);
      Optional<SideDose> start = item(part).exercise().start().on(part.dosed());
      return start
          .map(s -> Ladder.down(now, s, context(part), rungs))
          .filter(lower -> !lower.equals(now));
    }

    private Irritability irritability() {
      return diary.allowed().map(a -> a.assessment().irritability()).orElse(Irritability.HIGH);
    }

    private List<Diary.Decided> before(Part part) {
      return diary.decided().stream()
          .filter(d -> d.part().equals(part) && d.at().isBefore(diary.now()))
          .sorted(Comparator.comparing(Diary.Decided::at).reversed())
          .toList();
    }

    /**
     * When it was last looked at: what led to that leads to nothing again. Whoever shares a version
     * has looked at all of it.
     */
    private Instant reviewed(Part part) {
      Instant shared = diary.version().sharedAt();
      return before(part).stream()
          .map(Diary.Decided::at)
          .findFirst()
          .filter(at -> at.isAfter(shared))
          .orElse(shared);
    }

    // ---- lines 1 to 7 ----------------------------------------------------------------------

    private Optional<Decision> first(Part part) {
      return stop(part)
          .or(() -> reEnter(part))
          .or(() -> flare(part))
          .or(() -> ease(part))
          .or(() -> comeBack(part))
          .or(() -> notKnown(part))
          .or(() -> maintain(part));
    }

    private Optional<Decision> stop(Part part) {
      List<String> why =
          diary.signs().stream()
              .filter(s -> s.kind().stops() && !s.examined() && !s.at().isAfter(diary.now()))
              .map(s -> "%s on %s".formatted(s.kind().words(), day(s.at())))
              .distinct()
              .toList();
      if (why.isEmpty()) return Optional.empty();
      String takes = "an examination, and what was found written down";
      return Optional.of(decide(part, Line.STOP, Optional.empty(), why).takes(takes).made());
    }

    private Optional<Decision> reEnter(Part part) {
      Instant since = reviewed(part);
      List<String> why = new ArrayList<>();
      gap(part)
          .filter(days -> days >= limit(Threshold.RE_ENTER_DAYS))
          .ifPresent(days -> why.add("not done for %d days".formatted(days)));
      diary.signs().stream()
          .filter(s -> s.kind().stops() && s.examined() && s.at().isAfter(since))
          .map(s -> "%s on %s, examined since".formatted(s.kind().words(), day(s.at())))
          .distinct()
          .forEach(why::add);
      if (why.isEmpty()) return Optional.empty();
      Item item = item(part);
      Optional<SideDose> half =
          ReEntry.of(item.exercise(), item.dose(), program.breathSeconds()).on(part.dosed());
      return Optional.of(
          decide(part, Line.RE_ENTER, half, why)
              .takes("a week at this dose, and then a rung a week at most")
              .made());
    }

    /** Days without it; empty where it was not begun at its present dose, which is no gap. */
    private Optional<Long> gap(Part part) {
      Instant since = evidence.rungSince(part);
      return evidence
          .lastDone(part)
          .filter(s -> !s.startedAt().isBefore(since))
          .map(s -> ChronoUnit.DAYS.between(s.day(), today));
    }

    private Optional<Decision> flare(Part part) {
      Optional<Flare> lasting = diary.flares().stream().filter(Flare::lasts).findFirst();
      if (lasting.isPresent()) {
        Flare f = lasting.get();
        Making m =
            decide(
                part,
                Line.FLARE,
                Optional.empty(),
                List.of("in a flare since %s".formatted(day(f.begun()))));
        if (f.unsettled(diary.now()) || f.again()) m.asks(Decision.Ask.EXAMINE_FLARE);
        return Optional.of(m.takes("pain 1 or less above the baseline for 24 hours").made());
      }
      Instant since = reviewed(part);
      Optional<Flare> over =
          diary.flares().stream()
              .filter(f -> f.ended().filter(e -> e.isAfter(since)).isPresent())
              .max(Comparator.comparing(Flare::begun));
      if (over.isPresent()) {
        Making m =
            decide(
                part,
                Line.FLARE,
                down(part, 2),
                List.of("a flare from %s that has settled".formatted(day(over.get().begun()))));
        if (over.get().again()) m.asks(Decision.Ask.EXAMINE_FLARE);
        return Optional.of(m.takes("a review at the lower dose").made());
      }
      return begins(part);
    }

    private Optional<Decision> begins(Part part) {
      List<String> why = new ArrayList<>();
      Duration high = evidence.highFor(FLARE_ABOVE, FLARE_WITHIN);
      if (high.compareTo(FLARE_AFTER) > 0) {
        why.add("pain 2 or more above the baseline for %d hours".formatted(high.toHours()));
      }
      List<LocalDate> red = evidence.redDays(FLARE_WITHIN);
      if (red.size() >= MANY) why.add("%d red days within 48 hours".formatted(red.size()));
      if (why.isEmpty()) return Optional.empty();
      return Optional.of(
          decide(part, Line.FLARE, Optional.empty(), why)
              .takes("pain 1 or less above the baseline for 24 hours")
              .made());
    }

    private Optional<Decision> ease(Part part) {
      List<String> why = new ArrayList<>();
      List<Evidence.Day> all = evidence.days(part);
      List<Evidence.Day> last = last(all);
      long red =
          last.stream()
              .filter(d -> d.colour() == Colour.RED)
              .filter(
                  d -> ChronoUnit.DAYS.between(d.day(), today) < limit(Threshold.RED_WITHIN_DAYS))
              .count();
      if (red >= MANY) why.add("%d of the last %d days red".formatted(red, last.size()));
      long over = last.stream().filter(Evidence.Day::over).count();
      if (over >= MANY) {
        why.add("stretch over its ceiling on %d of the last %d days".formatted(over, last.size()));
      }
      if (irritability() == Irritability.HIGH
          && red < MANY
          && all.stream().anyMatch(d -> d.colour() == Colour.RED)) {
        why.add("a red day while irritability is high");
      }
      Instant since = reviewed(part);
      if (evidence.inPain(part)) {
        worse(since).ifPresent(why::add);
        if (evidence.wokenTwice(since)) why.add("woken by pain two nights running");
        OptionalInt most = evidence.highestBefore(since);
        if (most.isPresent() && most.getAsInt() >= limit(Threshold.PAIN_AT_REST)) {
          why.add("pain of %d since the last review".formatted(most.getAsInt()));
        }
      }
      if (why.isEmpty()) return Optional.empty();
      Optional<SideDose> lower = down(part, 1);
      Making m = decide(part, Line.EASE, lower, why);
      if (lower.isEmpty()) m.asks(Decision.Ask.EASIER_OR_PAUSE);
      boolean again =
          before(part).stream()
              .filter(d -> d.at().isAfter(ago(Threshold.AGAIN_DAYS)))
              .anyMatch(d -> d.outcome() == Outcome.EASE);
      if (again) m.asks(Decision.Ask.RE_EXAMINE);
      return Optional.of(
          m.takes(
                  "%d days answered in full at the lower dose"
                      .formatted(diary.pace().answeredDays()))
              .made());
    }

    /** How the mean of this week is worse than another; empty where it is not. */
    private Optional<String> worse(Instant since) {
      List<OptionalDouble> means = evidence.weeklyMeans(limit(Threshold.CREEP_WEEKS) + 1);
      OptionalDouble now = means.get(0);
      if (now.isEmpty() || !evidence.newMean(since)) return Optional.empty();
      OptionalDouble lowest = means.stream().skip(1).flatMapToDouble(OptionalDouble::stream).min();
      if (lowest.isEmpty()
          || now.getAsDouble() < lowest.getAsDouble() + limit(Threshold.MEAN_WORSE)) {
        return Optional.empty();
      }
      return Optional.of(
          String.format(
              Locale.ROOT,
              "weekly mean %.1f, and it was %.1f",
              now.getAsDouble(),
              lowest.getAsDouble()));
    }

    private Optional<Decision> comeBack(Part part) {
      return gap(part)
          .filter(days -> days >= limit(Threshold.RETURN_DAYS))
          .map(
              days ->
                  decide(
                          part,
                          Line.RETURN,
                          Optional.of(down(part, 1).orElse(evidence.dose(part))),
                          List.of("not done for %d days".formatted(days)))
                      .takes("sessions at the lower dose")
                      .made());
    }

    private Optional<Decision> notKnown(Part part) {
      List<Lack> lacks = new ArrayList<>();
      int answered = (int) evidence.days(part).stream().filter(Evidence.Day::answered).count();
      int wanted = diary.pace().answeredDays();
      if (answered < wanted) {
        lacks.add(
            new Lack(
                "%d of %d days answered in full at this dose".formatted(answered, wanted),
                "%d more with the morning after told".formatted(wanted - answered)));
      }
      LocalDate since = rungDay(part);
      long old = daysAtRung(part);
      int days = Math.max(diary.pace().days(), irritability().daysBetweenSteps());
      if (old < days) {
        lacks.add(
            new Lack(
                "%d days at this dose".formatted(old),
                "%d days, on %s".formatted(days, since.plusDays(days))));
      }
      boolean little = adherence.percent() < limit(Threshold.LITTLE_DONE);
      if (little) lacks.add(little());
      if (evidence.planned(since) < PLANNED_DAYS) {
        lacks.add(
            new Lack(
                "fewer than %d planned days at this dose".formatted(PLANNED_DAYS),
                "%d planned days".formatted(PLANNED_DAYS)));
      }
      if (lacks.isEmpty()) return Optional.empty();
      Making m = lacking(part, Line.NOT_KNOWN, lacks);
      if (little) m.asks(Decision.Ask.SHORTER_SESSION);
      return Optional.of(m.made());
    }

    private LocalDate rungDay(Part part) {
      return LocalDate.ofInstant(evidence.rungSince(part), diary.zone());
    }

    private long daysAtRung(Part part) {
      return ChronoUnit.DAYS.between(rungDay(part), today);
    }

    private Lack little() {
      int percent =
          adherence.percent() < limit(Threshold.LITTLE_DONE)
              ? limit(Threshold.LITTLE_DONE)
              : diary.pace().adherence();
      int wanted = (int) Math.ceil(percent * adherence.planned() / 100 - 1e-9);
      return new Lack(
          String.format(
              Locale.ROOT,
              "%d of %.0f sessions in 7 days (%d %%)",
              adherence.done(),
              adherence.planned(),
              adherence.percent()),
          "%d sessions in 7 days".formatted(wanted));
    }

    private Optional<Decision> maintain(Part part) {
      if (step(part).isPresent() || asymmetric(part)) return Optional.empty();
      Optional<Instant> first =
          before(part).stream()
              .filter(Diary.Decided::atTarget)
              .map(Diary.Decided::at)
              .filter(at -> !at.isAfter(ago(Threshold.AT_TARGET_DAYS)))
              .filter(at -> !redSince(part, at))
              .findFirst();
      return first.map(
          at ->
              decide(
                      part,
                      Line.MAINTAIN,
                      Optional.of(Maintenance.seldom(diary, part, evidence.dose(part))),
                      List.of(
                          "at the target on %s and today, no red day between".formatted(day(at))))
                  .takes("a red day, or pain that comes back")
                  .made());
    }

    /** A session leaves an item out as a whole: it is, once each of its sides is kept up. */
    private Decision withItsSides(Decision d) {
      if (d.line() != Line.MAINTAIN) return d;
      boolean all =
          decided.values().stream()
              .filter(other -> key(other.part()).equals(key(d.part())))
              .allMatch(other -> other.line() == Line.MAINTAIN);
      return all ? d : d.asNow("in every session still, for the sake of the other side");
    }

    /** Whatever is decided: what is worse on one side is better told apart. */
    private Decision oneSided(Decision d) {
      boolean goesOn = d.line() != Line.STOP && d.line() != Line.FLARE;
      return goesOn
              && context(d.part()).mode() == Mode.HOLD
              && evidence.worseSide(d.part()).isPresent()
          ? d.asking(Decision.Ask.ONE_SIDE)
          : d;
    }

    private boolean redSince(Part part, Instant at) {
      LocalDate from = LocalDate.ofInstant(at, diary.zone());
      return evidence.days(part).stream()
          .anyMatch(d -> d.colour() == Colour.RED && !d.day().isBefore(from));
    }

    private boolean asymmetric(Part part) {
      return diary.asymmetric().stream().anyMatch(p -> key(p).equals(key(part)));
    }

    // ---- lines 8 to 10 ---------------------------------------------------------------------

    private Decision last(Part part, Steps steps) {
      List<Lack> lacks = new ArrayList<>();
      List<Evidence.Day> last = last(evidence.days(part));
      long green = last.stream().filter(d -> d.colour() == Colour.GREEN).count();
      if (last.stream().anyMatch(d -> d.colour() == Colour.RED)) {
        lacks.add(new Lack("a red day among the last 3", "3 days without a red one"));
      }
      if (green < MANY) {
        lacks.add(
            new Lack(
                "%d of the last %d days green".formatted(green, last.size()),
                "%d green of the last 3".formatted(MANY)));
      }
      if (last.stream().anyMatch(Evidence.Day::over)) {
        lacks.add(new Lack("the stretch was over its ceiling", "3 days with the stretch under it"));
      }
      if (adherence.percent() < diary.pace().adherence()) lacks.add(little());
      boolean overdoing = adherence.percent() > limit(Threshold.OVERDOING);
      if (overdoing) {
        lacks.add(
            new Lack(
                "%d %% of what was planned was done".formatted(adherence.percent()),
                "a week with no more than was planned"));
      }
      boolean besideEased =
          eased.getOrDefault(region(part), Set.of()).stream().anyMatch(k -> !k.equals(key(part)));
      if (besideEased) {
        lacks.add(
            new Lack("another item of this region is eased now", "a review without an ease here"));
      }
      Optional<SideDose> next = step(part);
      Item more = next.map(n -> stepped(part, n, steps)).orElse(null);
      if (lacks.isEmpty() && more != null) {
        steps
            .bar(key(part), part.dosed(), more, daysAtRung(part))
            .ifPresent(bar -> lacks.add(new Lack(bar.why(), "a later review")));
      }
      if (!lacks.isEmpty()) {
        Making m = lacking(part, Line.STAY, lacks);
        if (overdoing) m.asks(Decision.Ask.OVERDOING);
        return m.made();
      }
      if (next.isEmpty() || more == null) return hold(part);
      steps.take(key(part), part.dosed(), more);
      Making m = decide(part, Line.GO_ON, next, told(part)).takes("a red day, or two not green");
      boolean hardly =
          context(part).mode() == Mode.HOLD
              && last.stream()
                  .allMatch(
                      d ->
                          d.felt().isPresent()
                              && d.felt().getAsInt() <= limit(Threshold.HARDLY_FELT));
      if (hardly) m.asks(Decision.Ask.TECHNIQUE);
      return m.made();
    }

    private Decision hold(Part part) {
      SideDose now = evidence.dose(part);
      List<String> why = new ArrayList<>();
      boolean reached = Ladder.reached(now, target(part), context(part));
      why.add(reached ? "the target is reached" : Steps.noWay(target(part)));
      why.addAll(told(part));
      Making m = decide(part, Line.HOLD, Optional.of(now), why);
      if (asymmetric(part)) m.takes("sides that are alike when they are measured again");
      return m.takes(
              "a review at the target %d days after the first, no red day between"
                  .formatted(limit(Threshold.AT_TARGET_DAYS)))
          .made();
    }

    private Item stepped(Part part, SideDose next, Steps steps) {
      Item now = steps.now(key(part));
      return now.dosed(Steps.with(now, part.dosed(), next));
    }

    private Steps steps() {
      Forecast.Given given = given(diary, Course.USUAL);
      Map<String, Item> done = new LinkedHashMap<>();
      for (Forecast.Row row : given.rows()) done.put(row.key(), row.item());
      // Reviewed twice in a week, it is not stepped twice: what was stepped then counts.
      List<Ledger> before =
          List.of(
              stretch(program.items()), stretch(evidence.inForce(Evidence.WEEK).program().items()));
      Steps steps = new Steps(given, done, before, this::stretch);
      int days = irritability().daysBetweenSteps();
      for (Part part : parts()) {
        if (evidence.stepped(part, days)) steps.taken(key(part), part.dosed(), item(part));
      }
      return steps;
    }

    private Ledger stretch(Iterable<Item> items) {
      return Review.stretch(program, items);
    }

    // ---- words -----------------------------------------------------------------------------

    private static List<Evidence.Day> last(List<Evidence.Day> days) {
      return days.subList(Math.max(0, days.size() - LAST_DAYS), days.size());
    }

    /** How it has gone at this rung, in numbers. */
    private List<String> told(Part part) {
      List<Evidence.Day> days = evidence.days(part);
      List<String> words = new ArrayList<>();
      if (days.isEmpty()) return List.of("not done at this dose yet");
      long green = days.stream().filter(d -> d.colour() == Colour.GREEN).count();
      words.add("%d of %d days green".formatted(green, days.size()));
      List<Integer> mornings = evidence.mornings(part);
      if (mornings.size() == 1) words.add("next-morning pain %d".formatted(mornings.get(0)));
      if (mornings.size() > 1) {
        words.add(
            "next-morning pain %d → %d"
                .formatted(mornings.get(0), mornings.get(mornings.size() - 1)));
      }
      OptionalInt felt = last(days).stream().flatMapToInt(d -> d.felt().stream()).max();
      if (felt.isPresent() && context(part).mode() == Mode.HOLD) {
        int ceiling = evidence.ceiling(Optional.of(evidence.dose(part)));
        words.add("stretch felt %d against a ceiling of %d".formatted(felt.getAsInt(), ceiling));
      }
      return words;
    }

    private Making lacking(Part part, Line line, List<Lack> lacks) {
      Making m = decide(part, line, Optional.of(evidence.dose(part)), told(part));
      for (Lack l : lacks) m.barred(l.what()).takes(l.takes());
      List<Diary.Decided> stays =
          before(part).stream().takeWhile(d -> d.outcome() == Outcome.STAY).toList();
      boolean long4 =
          !stays.isEmpty() && !stays.get(stays.size() - 1).at().isAfter(diary.now().minus(STAYED));
      if (long4) m.asks(Decision.Ask.FOUR_WEEKS);
      return m;
    }

    private String day(Instant at) {
      return LocalDate.ofInstant(at, diary.zone()).toString();
    }

    private Making decide(Part part, Line line, Optional<SideDose> next, List<String> why) {
      boolean atTarget = Ladder.reached(evidence.dose(part), target(part), context(part));
      return new Making(part, line, evidence.dose(part), next, atTarget, why);
    }

    // ---- the program -----------------------------------------------------------------------

    /** Whether pain is back since it is only kept up; empty while either mean is not known. */
    private Optional<Whole> fullAgain(Instant since, OptionalDouble mean) {
      OptionalDouble then = evidence.weeklyMean(LocalDate.ofInstant(since, diary.zone()));
      boolean back =
          mean.isPresent()
              && then.isPresent()
              && mean.getAsDouble() >= then.getAsDouble() + limit(Threshold.MEAN_WORSE);
      return back ? Optional.of(Whole.FULL_AGAIN) : Optional.empty();
    }

    private Optional<Whole> whole(List<Part> parts) {
      List<Part> high =
          parts.stream().filter(p -> item(p).priority() == Item.Priority.HIGH).toList();
      boolean kept =
          (high.isEmpty() ? parts : high)
              .stream().allMatch(p -> get(decided, p).line() == Line.MAINTAIN);
      Diary.Measures m = diary.measures();
      OptionalDouble mean = evidence.weeklyMeans(1).get(0);
      if (diary.keptUp().isPresent()) return fullAgain(diary.keptUp().get(), mean);
      boolean well =
          m.ndiBetter()
              || (m.ndi().isPresent() && m.ndi().getAsInt() < NO_DISABILITY)
              || (mean.isPresent() && mean.getAsDouble() <= limit(Threshold.LITTLE_PAIN));
      if (kept && m.goalsMet() && well) return Optional.of(Whole.FINISH);
      Instant begun = diary.versions().get(0).sharedAt();
      int days = limit(Threshold.NO_RESPONSE_WEEKS) * Evidence.WEEK;
      boolean longEnough = !begun.isAfter(diary.now().minus(Duration.ofDays(days)));
      return longEnough
              && !m.beyondError()
              && evidence.adherence(days).percent() >= limit(Threshold.LITTLE_DONE)
          ? Optional.of(Whole.NO_RESPONSE)
          : Optional.empty();
    }
  }

  /** A decision while it is put together. */
  private static final class Making {
    private final Part part;
    private final Line line;
    private final SideDose now;
    private final Optional<SideDose> next;
    private final boolean atTarget;
    private final List<String> evidence;
    private final List<String> barred = new ArrayList<>();
    private final List<String> takes = new ArrayList<>();
    private final Set<Decision.Ask> asks = EnumSet.noneOf(Decision.Ask.class);

    Making(
        Part part,
        Line line,
        SideDose now,
        Optional<SideDose> next,
        boolean atTarget,
        List<String> evidence) {
      this.part = part;
      this.line = line;
      this.now = now;
      this.next = next;
      this.atTarget = atTarget;
      this.evidence = evidence;
    }

    Making barred(String what) {
      barred.add(what);
      return this;
    }

    Making takes(String what) {
      takes.add(what);
      return this;
    }

    Making asks(Decision.Ask what) {
      asks.add(what);
      return this;
    }

    Decision made() {
      return new Decision(part, line, now, next, atTarget, evidence, barred, takes, asks);
    }
  }

  /** Those of one part. */
  public Decision of(Part part) {
    return decisions.stream()
        .filter(d -> d.part().equals(part))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("not in the program: " + part.text()));
  }
}
