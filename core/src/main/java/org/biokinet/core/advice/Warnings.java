package org.biokinet.core.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.advice.Warning.Fix;
import org.biokinet.core.advice.Warning.Kind;
import org.biokinet.core.advice.Warning.Weight;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Amount;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Item.Priority;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.StartDose;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.SessionOrder;
import org.biokinet.core.timeline.Timeline;

/**
 * Everything that should be known of a draft before it is shared, each with its rule and what would
 * put it right. What a fix brings is not estimated: the draft is changed and timed anew.
 */
public final class Warnings {

  /** Fixes that are offered of one warning at most (our choice). */
  private static final int MOST_FIXES = 2;

  /** Holds more, or steps less, that are tried to put one thing right (our choice). */
  private static final int TRIES = 6;

  /**
   * What is asked about.
   *
   * @param timing times a draft as this one is timed
   * @param allowed empty where nobody has answered anything
   * @param before what goes before where a day is limited
   * @param beside stretch of the other program
   * @param inForce the same program as the client does it; empty where there is none
   * @param minutes that the client has for a session; empty where nothing is known
   */
  public record Given(
      Draft draft,
      ProgramKind kind,
      Function<Draft, DraftTimeline> timing,
      Optional<Allowed> allowed,
      List<Item> before,
      Ledger beside,
      Optional<Ledger> inForce,
      OptionalInt minutes,
      Band band,
      Cues cues) {
    public Given {
      before = List.copyOf(before);
    }
  }

  private final Given given;
  private final DraftTimeline timed;

  /** What is done now, in order, with the key of its row. */
  private final Map<String, Item> items = new LinkedHashMap<>();

  private final Ledger ledger;
  private final List<Warning> found = new ArrayList<>();

  private Warnings(Given given) {
    this.given = given;
    this.timed = given.timing().apply(given.draft());
    for (DraftTimeline.TimedItem line : timed.lines()) {
      line.itemNow().ifPresent(i -> items.put(line.draft().key(), i));
    }
    this.ledger = ledger(timed);
  }

  /** The most pressing first. */
  public static List<Warning> of(Given given) {
    return new Warnings(given).all();
  }

  private List<Warning> all() {
    screening();
    misplaced();
    if (timed.timeline().isPresent()) {
      minutes();
      over();
      rise();
      twice();
      order();
      unheard();
      under();
    }
    found.sort(Comparator.comparing(Warning::weight).reversed());
    return List.copyOf(found);
  }

  private Ledger ledger(DraftTimeline of) {
    return of.timeline().map(Ledger::of).orElse(Ledger.NOTHING).plus(given.beside());
  }

  private String name(Item item) {
    return given.cues().name(item.exercise());
  }

  private void add(Kind kind, Optional<String> key, String words, Weight weight, List<Fix> fixes) {
    found.add(new Warning(kind, key, words, weight, fixes.stream().limit(MOST_FIXES).toList()));
  }

  // ---- fixes -------------------------------------------------------------------------------

  /** A fix, with what the draft comes to by it. */
  private record Tried(String words, DraftEdit edit, DraftTimeline then, Ledger ledger) {}

  private Tried tried(String words, DraftEdit edit) {
    DraftTimeline then = given.timing().apply(edit.apply(given.draft()));
    return new Tried(words, edit, then, ledger(then));
  }

  private Tried dosed(String key, Dose dose, String words) {
    return tried(words, new DraftEdit.SetDose(key, DoseNotation.format(dose)));
  }

  /** The new length, and where the tissue sides that it touches come to stand. */
  private Fix fix(Tried t) {
    List<String> parts = new ArrayList<>();
    if (t.then().seconds() != timed.seconds()) parts.add("→ " + Timeline.clock(t.then().seconds()));
    stands(t.ledger()).ifPresent(parts::add);
    return new Fix(t.words(), t.edit(), String.join("; ", parts));
  }

  /** Of the sides that change, the one that is left with the least of its band. */
  private Optional<String> stands(Ledger then) {
    return Stream.concat(ledger.entries().stream(), then.entries().stream())
        .filter(Ledger.Entry::banded)
        .map(Ledger.Entry::tissue)
        .distinct()
        .flatMap(t -> Stream.of(Side.values()).map(s -> new Place(t, s)))
        .filter(p -> p.seconds(ledger) != p.seconds(then))
        .min(Comparator.comparingLong(p -> p.seconds(then)))
        .map(
            p ->
                "%s %s %d of %d s"
                    .formatted(
                        p.side().label(),
                        p.tissue().label(),
                        p.seconds(then),
                        given.band().leastOn(7)));
  }

  /** One side of a tissue. */
  private record Place(Tissue tissue, Side side) {
    Amount in(Ledger ledger) {
      return ledger.find(tissue).map(e -> e.on(side)).orElse(Amount.NONE);
    }

    long seconds(Ledger ledger) {
      return Math.round(in(ledger).aDay());
    }

    String words() {
      return side.label() + " " + tissue.label();
    }
  }

  private List<Place> places(Ledger of) {
    return of.entries().stream()
        .filter(Ledger.Entry::banded)
        .flatMap(e -> Stream.of(Side.values()).map(s -> new Place(e.tissue(), s)))
        .toList();
  }

  // ---- what the screening says -------------------------------------------------------------

  private void screening() {
    if (given.allowed().isEmpty()) return;
    List<Item> before = new ArrayList<>(given.before());
    for (DraftTimeline.TimedItem line : timed.lines()) {
      if (line.item().isEmpty()) continue;
      Item item = line.item().get();
      String key = line.draft().key();
      Allowed allowed = given.allowed().get().beside(before);
      List<Allowed.Objection> against = objections(allowed, item, item.dose());
      if (against.isEmpty()) {
        line.itemNow().ifPresent(before::add);
        continue;
      }
      Allowed.Objection first = against.get(0);
      boolean locked = first.limit() == Allowed.Limit.LOCKED;
      List<Fix> fixes = new ArrayList<>();
      oneSide(against, item)
          .filter(d -> objections(allowed, item, d).isEmpty())
          .ifPresent(d -> fixes.add(fix(dosed(key, d, "only " + DoseNotation.format(d)))));
      if (!locked) {
        Dose start =
            StartDose.of(
                allowed.assessment(),
                item.exercise(),
                allowed.setting(item.position()),
                allowed.breathSeconds());
        Stream.of(start)
            .filter(d -> objections(allowed, item, d).isEmpty())
            .forEach(d -> fixes.add(fix(dosed(key, d, "take " + DoseNotation.format(d)))));
      }
      fixes.add(fix(tried("leave it out", new DraftEdit.Remove(key))));
      String words = name(item) + ", " + first.words();
      // What comes in later is not done now, and is asked about again then.
      add(
          locked ? Kind.LOCKED : Kind.LIMIT,
          Optional.of(key),
          words,
          line.now() ? Weight.BLOCKS : Weight.REASON,
          fixes);
    }
  }

  private static List<Allowed.Objection> objections(Allowed allowed, Item item, Dose dose) {
    return allowed.objections(item.exercise(), item.position(), dose);
  }

  /** Where one side alone is locked, the dose of the other. */
  private static Optional<Dose> oneSide(List<Allowed.Objection> against, Item item) {
    Allowed.Objection first = against.get(0);
    if (against.size() != 1 || first.limit() != Allowed.Limit.LOCKED) return Optional.empty();
    return first
        .side()
        .map(Side::opposite)
        .flatMap(free -> item.dose().on(free).map(d -> new Dose.OneSide(free, d)));
  }

  private void misplaced() {
    items.forEach(
        (key, item) ->
            given
                .kind()
                .against(item.exercise(), item.position())
                .ifPresent(
                    why -> {
                      List<Fix> fixes = new ArrayList<>();
                      Optional<Position> possible =
                          given.kind().position(item.exercise(), Optional.empty());
                      possible.ifPresent(
                          p ->
                              fixes.add(
                                  fix(
                                      tried(
                                          "do it " + p.label(),
                                          new DraftEdit.SetPosition(key, p)))));
                      fixes.add(fix(tried("leave it out", new DraftEdit.Remove(key))));
                      add(
                          Kind.MISPLACED,
                          Optional.of(key),
                          "%s: %s".formatted(name(item), why),
                          Weight.BLOCKS,
                          fixes);
                    }));
  }

  // ---- time --------------------------------------------------------------------------------

  private void minutes() {
    int most = given.kind().mostMinutes();
    boolean blocks = timed.seconds() > 60 * most;
    int has = Math.min(most, given.minutes().orElse(most));
    int limit = 60 * has;
    if (timed.seconds() <= limit) return;
    List<Fix> fixes = new ArrayList<>();
    best(cuts(), limit).ifPresent(t -> fixes.add(fix(t)));
    best(removals(), limit).ifPresent(t -> fixes.add(fix(t)));
    String words =
        "%s, and there are %d min: %s too much"
            .formatted(
                Timeline.clock(timed.seconds()), has, Timeline.clock(timed.seconds() - limit));
    add(Kind.MINUTES, Optional.empty(), words, blocks ? Weight.BLOCKS : Weight.REASON, fixes);
  }

  private List<Tried> cuts() {
    List<Tried> cuts = new ArrayList<>();
    items.forEach(
        (key, item) -> {
          Map<Side, Less> less = less(item.dose());
          if (less.isEmpty()) return;
          Dose dose = item.dose();
          for (Map.Entry<Side, Less> e : less.entrySet()) {
            dose =
                dose instanceof Dose.Alike
                    ? new Dose.Alike(e.getValue().dose())
                    : Less.on(dose, e.getKey(), e.getValue().dose());
          }
          String words = less.values().iterator().next().words();
          cuts.add(dosed(key, dose, "%s of %s".formatted(words, name(item))));
        });
    return cuts;
  }

  private static Map<Side, Less> less(Dose dose) {
    Map<Side, Less> less = new LinkedHashMap<>();
    for (Side side : Side.values()) {
      dose.on(side).flatMap(Less::than).ifPresent(l -> less.put(side, l));
      if (dose instanceof Dose.Alike) break;
    }
    return less;
  }

  private List<Tried> removals() {
    return items.entrySet().stream()
        .filter(e -> e.getValue().priority() != Priority.HIGH)
        .map(e -> tried("leave out " + name(e.getValue()), new DraftEdit.Remove(e.getKey())))
        .toList();
  }

  /** What gets there, with the least that falls under its band and the least stretch lost. */
  private Optional<Tried> best(List<Tried> all, int limit) {
    Comparator<Tried> least =
        Comparator.<Tried>comparingLong(t -> lost(t))
            .thenComparingDouble(t -> stretch(t.ledger()) * -1);
    return all.stream()
        .filter(t -> t.then().seconds() <= limit)
        .min(least)
        .or(() -> all.stream().min(Comparator.comparingInt(t -> t.then().seconds())));
  }

  /** Tissue sides that were in their band and are no longer. */
  private long lost(Tried t) {
    return places(ledger).stream()
        .filter(p -> given.band().of(p.in(ledger)) == Band.Verdict.IN)
        .filter(p -> given.band().of(p.in(t.ledger())) != Band.Verdict.IN)
        .count();
  }

  private double stretch(Ledger of) {
    return places(of).stream().mapToDouble(p -> p.in(of).aWeek()).sum();
  }

  // ---- how much ----------------------------------------------------------------------------

  private void over() {
    for (Place p : places(ledger)) {
      if (given.band().of(p.in(ledger)) != Band.Verdict.OVER) continue;
      String words =
          "%s: %d s a week, more than %d"
              .formatted(p.words(), Math.round(p.in(ledger).aWeek()), Band.MOST_A_WEEK);
      add(
          Kind.OVER,
          Optional.empty(),
          words,
          Weight.REASON,
          lowered(p, t -> given.band().of(p.in(t.ledger())) != Band.Verdict.OVER));
    }
  }

  private void rise() {
    if (nothingBefore()) return;
    Ledger before = before();
    for (Ledger.Rise r : ledger.risesFrom(before)) {
      Place p = new Place(r.tissue(), r.side());
      add(
          Kind.RISE,
          Optional.empty(),
          r.words(),
          Weight.REASON,
          lowered(
              p,
              t ->
                  t.ledger().risesFrom(before).stream()
                      .noneMatch(x -> x.tissue() == r.tissue() && x.side() == r.side())));
    }
  }

  /** The items of a tissue side, each with as much less on that side as puts it right. */
  private List<Fix> lowered(Place p, Predicate<Tried> right) {
    List<Tried> all = new ArrayList<>();
    for (Map.Entry<String, Item> e : items.entrySet()) {
      Item item = e.getValue();
      if (!item.exercise().targets().contains(p.tissue())) continue;
      Optional<SideDose> now = item.dose().on(p.side());
      String first = "";
      for (int i = 0; i < TRIES && now.isPresent(); i++) {
        Optional<Less> less = Less.than(now.get());
        if (less.isEmpty()) break;
        now = Optional.of(less.get().dose());
        first = i == 0 ? less.get().words() : "";
        Dose dose =
            item.exercise().sided()
                ? Less.on(item.dose(), p.side(), now.get())
                : new Dose.Alike(now.get());
        String words =
            (first.isEmpty() ? "%s %s" : first + " on the " + p.side().label() + " (%s %s)")
                .formatted(name(item), DoseNotation.format(dose));
        Tried t = dosed(e.getKey(), dose, words);
        if (right.test(t)) {
          all.add(t);
          break;
        }
      }
    }
    return all.stream()
        .sorted(Comparator.comparingDouble(t -> -stretch(t.ledger())))
        .limit(MOST_FIXES)
        .map(this::fix)
        .toList();
  }

  /**
   * Under the band where somebody aims at a muscle. While the ladder leads there that is as it
   * should be; where its target does not either, it wants a reason.
   */
  private void under() {
    Set<Tissue> aimedAt =
        items.values().stream().map(i -> i.exercise().targets().get(0)).collect(Collectors.toSet());
    Ledger end = atTheTarget();
    for (Place p : places(ledger)) {
      if (!aimedAt.contains(p.tissue())) continue;
      if (given.band().of(p.in(ledger)) != Band.Verdict.UNDER) continue;
      boolean leads = given.band().of(p.in(end)) == Band.Verdict.IN;
      String words =
          "%s: %d of %d s a day%s"
              .formatted(
                  p.words(),
                  p.seconds(ledger),
                  given.band().leastOn(7),
                  leads
                      ? "; its ladder leads there"
                      : ", and %d s at the end of its ladder".formatted(p.seconds(end)));
      add(Kind.UNDER, Optional.empty(), words, leads ? Weight.NOTE : Weight.REASON, raised(p));
    }
  }

  private Ledger atTheTarget() {
    List<Item> ends = items.values().stream().map(Warnings::atTarget).toList();
    Program program = timed.timeline().orElseThrow().program().of(ends);
    try {
      return Ledger.of(Timeline.compile(program)).plus(given.beside());
    } catch (Timeline.TooLong e) {
      return ledger;
    }
  }

  private static Item atTarget(Item item) {
    Dose dose = item.dose();
    if (!item.exercise().sided()) {
      return item.target(Side.LEFT).map(t -> item.dosed(new Dose.Alike(t))).orElse(item);
    }
    Optional<SideDose> left = item.target(Side.LEFT);
    Optional<SideDose> right = item.target(Side.RIGHT);
    if (dose instanceof Dose.OneSide one) {
      return item.dosed(new Dose.OneSide(one.side(), item.target(one.side()).orElseThrow()));
    }
    return item.target()
        .filter(t -> !(t instanceof Dose.OneSide))
        .map(item::dosed)
        .orElseGet(
            () -> left.equals(right) ? item.dosed(new Dose.Alike(left.orElseThrow())) : item);
  }

  /** One hold more, or as many as reach the band, where nothing else is broken by it. */
  private List<Fix> raised(Place p) {
    List<Fix> fixes = new ArrayList<>();
    for (Map.Entry<String, Item> e : items.entrySet()) {
      Item item = e.getValue();
      if (item.exercise().targets().get(0) != p.tissue()) continue;
      Optional<SideDose> now = item.dose().on(p.side());
      for (int i = 0; i < TRIES && now.isPresent(); i++) {
        now = now.flatMap(Less::more).map(Less::dose);
        if (now.isEmpty()) break;
        Dose dose =
            item.exercise().sided()
                ? Less.on(item.dose(), p.side(), now.get())
                : new Dose.Alike(now.get());
        if (!may(e.getKey(), item, dose)) break;
        Tried t = dosed(e.getKey(), dose, "%s %s".formatted(name(item), DoseNotation.format(dose)));
        if (rises(t)) break;
        if (given.band().of(p.in(t.ledger())) == Band.Verdict.IN) {
          fixes.add(fix(t));
          break;
        }
      }
    }
    return fixes;
  }

  private boolean may(String key, Item item, Dose dose) {
    List<Item> others =
        Stream.concat(
                given.before().stream(),
                items.entrySet().stream()
                    .filter(e -> !e.getKey().equals(key))
                    .map(Map.Entry::getValue))
            .toList();
    return given
        .allowed()
        .map(a -> objections(a.beside(others), item, dose).isEmpty())
        .orElse(false);
  }

  private boolean rises(Tried t) {
    return !nothingBefore() && !t.ledger().risesFrom(before()).isEmpty();
  }

  /** A first program has no week before it; beside another one it has that one's. */
  private boolean nothingBefore() {
    return given.inForce().isEmpty() && given.beside().entries().isEmpty();
  }

  private Ledger before() {
    return given.inForce().orElse(Ledger.NOTHING).plus(given.beside());
  }

  // ---- the list ----------------------------------------------------------------------------

  private void twice() {
    Map<String, String> first = new HashMap<>();
    items.forEach(
        (key, item) -> {
          String other = first.putIfAbsent(item.exercise().id(), key);
          if (other == null) return;
          add(
              Kind.TWICE,
              Optional.of(key),
              name(item) + " stands twice; its doses count together",
              Weight.REASON,
              List.of(fix(tried("leave the second out", new DraftEdit.Remove(key)))));
        });
  }

  private void order() {
    List<Item> list = List.copyOf(items.values());
    List<SessionOrder.Remark> remarks = SessionOrder.explain(list);
    if (remarks.isEmpty()) return;
    List<String> keys = List.copyOf(items.keySet());
    List<String> usual = SessionOrder.usual(list).stream().map(keys::get).toList();
    Fix arrange = fix(tried("put in the usual order", new DraftEdit.Arrange(usual)));
    Map<Kind, List<String>> words = new EnumMap<>(Kind.class);
    remarks.forEach(
        r -> words.computeIfAbsent(kind(r.about()), k -> new ArrayList<>()).add(r.text()));
    // An order of one's own is a choice; only standing up after a fold can hurt.
    words.forEach(
        (kind, texts) ->
            add(
                kind,
                Optional.empty(),
                String.join("; ", texts),
                kind == Kind.AFTER_FOLD ? Weight.REASON : Weight.NOTE,
                List.of(arrange)));
  }

  private static Kind kind(SessionOrder.About about) {
    return switch (about) {
      case FOLD -> Kind.AFTER_FOLD;
      case STAGE -> Kind.ORDER;
      case POSITION -> Kind.HOPPING;
    };
  }

  private void unheard() {
    Timeline timeline = timed.timeline().orElseThrow();
    List<String> keys = List.copyOf(items.keySet());
    given
        .cues()
        .unheard(timeline)
        .forEach(
            (place, sentences) -> {
              Item item = timeline.program().items().get(place);
              String key = keys.get(place);
              List<Fix> fixes = longEnough(key, item, place).map(this::fix).stream().toList();
              add(
                  Kind.UNHEARD,
                  Optional.of(key),
                  "%s: no time to say “%s”".formatted(name(item), String.join(" ", sentences)),
                  Weight.REASON,
                  fixes);
            });
  }

  /** The first rung on the way to the target at which everything is heard. */
  private Optional<Tried> longEnough(String key, Item item, int place) {
    Exercise e = item.exercise();
    Item now = item;
    for (int i = 0; i < TRIES; i++) {
      Dose dose = now.dose();
      for (Side side : Side.values()) {
        Optional<SideDose> here = dose.on(side);
        Optional<SideDose> end = item.target(side);
        if (here.isEmpty() || end.isEmpty()) continue;
        Optional<SideDose> next = Ladder.next(here.get(), end.get(), e.doseContext());
        if (next.isEmpty()) continue;
        dose = e.sided() ? Less.on(dose, side, next.get()) : new Dose.Alike(next.get());
        if (!e.sided()) break;
      }
      if (dose.equals(now.dose()) || !may(key, item, dose)) return Optional.empty();
      now = item.dosed(dose);
      Tried t = dosed(key, dose, "take " + DoseNotation.format(dose));
      boolean heard =
          t.then().timeline().filter(x -> !given.cues().unheard(x).containsKey(place)).isPresent();
      if (heard && !rises(t)) return Optional.of(t);
    }
    return Optional.empty();
  }
}
