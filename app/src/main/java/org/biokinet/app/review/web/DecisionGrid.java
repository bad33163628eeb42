package org.biokinet.app.review.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.review.DiaryService;
import org.biokinet.app.review.KeptDecision;
import org.biokinet.app.review.ReviewService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Agreed;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Line;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Review;
import org.biokinet.core.progress.Variant;

/**
 * What a review suggests, item by item, on both sides of the axis, and what was chosen.
 *
 * @param stopped whether nothing goes on before somebody has examined
 * @param course what is suggested for the program as a whole, or empty
 * @param unanswered whether that is to examine again what has not changed
 * @param ends whether it may end here: all was reached, or is only kept up
 * @param mark of what is seen
 */
record DecisionGrid(
    List<Row> rows,
    boolean stopped,
    int decided,
    int all,
    String course,
    boolean unanswered,
    boolean ends,
    String mark) {

  /**
   * An item.
   *
   * @param both what has no sides; then the others are empty
   */
  record Row(String name, Optional<Cell> left, Optional<Cell> right, Optional<Cell> both) {}

  /**
   * What is suggested for one side.
   *
   * @param id of its element
   * @param seen what a choice is made on
   * @param dose "2x20s → 2x30s", or what stays
   * @param next the dose alone
   * @param reason in one line
   * @param extra what is offered because of how the sides differ
   * @param variant another form of the exercise that is offered, in words
   * @param step where one goes on from here instead of choosing
   */
  record Cell(
      String id,
      String part,
      String seen,
      String outcome,
      String state,
      String dose,
      String next,
      String reason,
      String line,
      List<String> evidence,
      List<String> barred,
      List<String> takes,
      List<String> asks,
      Optional<Offered> extra,
      Optional<String> variant,
      Step step,
      Optional<Picked> picked,
      Optional<Typed> typed) {

    /** Of what is typed about this suggestion; another one begins anew. */
    public String typing() {
      return id + "-" + Integer.toHexString(seen.hashCode());
    }

    /** Whether a word is needed before it can be accepted. */
    public boolean examine() {
      return step == Step.EXAMINE;
    }

    public boolean choosable() {
      return step != Step.SCREEN;
    }

    /** Whether it rests for the time of a flare. */
    public boolean rests() {
      return step == Step.FLARE;
    }

    public Optional<Typed> accepting() {
      return typed(Choice.Kind.ACCEPT);
    }

    public Optional<Typed> altering() {
      return typed(Choice.Kind.ALTER);
    }

    public Optional<Typed> rejecting() {
      return typed(Choice.Kind.REJECT);
    }

    private Optional<Typed> typed(Choice.Kind kind) {
      return typed.filter(t -> t.kind() == kind);
    }
  }

  /** What comes first. */
  enum Step {
    NONE,
    /** Nothing can be chosen: somebody has to screen. */
    SCREEN,
    /** What was examined and found is written down with it. */
    EXAMINE,
    /** The plan for a flare is looked at. */
    FLARE
  }

  /**
   * A dose that one press chooses, with its reason.
   *
   * @param why no longer than a reason may be
   */
  record Offered(String dose, String label, String why) {}

  /** What was chosen on it. */
  record Picked(String words, String reason, String by, boolean stale) {}

  /**
   * What somebody typed that was not taken.
   *
   * @param kind which of the choices it was
   */
  record Typed(String part, Choice.Kind kind, String fault, String dose, String reason) {}

  static DecisionGrid of(ReviewService.Open open, Optional<Typed> typed, Locale language) {
    Program program = open.program();
    List<Row> rows = new ArrayList<>();
    for (int place = 0; place < program.items().size(); place++) {
      int item = place;
      List<ReviewService.Line> own =
          open.lines().stream()
              .filter(l -> l.decision().part().place(program).filter(p -> p == item).isPresent())
              .toList();
      rows.add(
          new Row(
              open.kept().now().name(place, language),
              on(own, Optional.of(Side.LEFT), open.kept(), typed, language),
              on(own, Optional.of(Side.RIGHT), open.kept(), typed, language),
              on(own, Optional.empty(), open.kept(), typed, language)));
    }
    Optional<Review.Whole> course = open.review().course();
    return new DecisionGrid(
        rows,
        open.lines().stream().anyMatch(l -> step(l.decision()) == Step.SCREEN),
        open.agreed().size(),
        open.lines().size(),
        course.map(Review.Whole::words).orElse(""),
        course.equals(Optional.of(Review.Whole.NO_RESPONSE)),
        course.map(w -> w == Review.Whole.FINISH).orElse(open.kept().diary().keptUp().isPresent()),
        open.mark());
  }

  private static Optional<Cell> on(
      List<ReviewService.Line> lines,
      Optional<Side> side,
      DiaryService.Kept kept,
      Optional<Typed> typed,
      Locale language) {
    return lines.stream()
        .filter(l -> l.decision().part().side().equals(side))
        .findFirst()
        .map(l -> cell(l, kept, typed, language));
  }

  private static Cell cell(
      ReviewService.Line line, DiaryService.Kept kept, Optional<Typed> typed, Locale language) {
    Decision d = line.decision();
    String part = d.part().text();
    String now = KeptDecision.text(d.now());
    String next = d.next().map(KeptDecision::text).orElse(now);
    List<String> why = d.barred().isEmpty() ? d.evidence() : d.barred();
    return new Cell(
        "d-" + part.replaceAll("[^a-zA-Z0-9-]", "-"),
        part,
        line.seen(),
        d.outcome().word(),
        state(d.outcome()),
        next.equals(now) ? now : now + " → " + next,
        next,
        why.get(0),
        d.line().words(),
        d.evidence(),
        d.barred(),
        d.takes(),
        d.asks().stream().sorted().map(Decision.Ask::words).toList(),
        kept.extra(d)
            .map(x -> new Offered(KeptDecision.text(x.dose()), x.kind().label(), x.kind().words())),
        kept.variant(d).map(v -> words(v, kept, language)),
        step(d),
        line.chosen().map(c -> picked(d, c)),
        typed.filter(t -> t.part().equals(part)));
  }

  /** "harder form: Upper trapezius stretch, anchored, from 2x15s @4". */
  private static String words(Variant v, DiaryService.Kept kept, Locale language) {
    return "%s: %s, from %s"
        .formatted(
            v.kind().label(),
            kept.now().catalogue().words(v.item().exercise(), language).name(),
            DoseNotation.format(v.item().dose()));
  }

  private static Step step(Decision d) {
    if (d.line() == Line.STOP) return Step.SCREEN;
    if (d.examine()) return Step.EXAMINE;
    return d.line() == Line.FLARE && d.next().isEmpty() ? Step.FLARE : Step.NONE;
  }

  private static Picked picked(Decision d, ReviewService.Chosen c) {
    Agreed agreed = new Agreed(d, c.choice());
    String dose =
        c.choice().kind() == Choice.Kind.ALTER
            ? ": " + agreed.dose().map(KeptDecision::text).orElse("left out")
            : "";
    return new Picked(c.choice().kind().word() + dose, c.choice().reason(), c.by(), c.stale());
  }

  /** How much it presses, for the eye beside the word. */
  private static String state(Outcome outcome) {
    return switch (outcome) {
      case STOP, RE_ENTER, FLARE_PLAN, EASE, RETURN -> "state-stop";
      case STAY, HOLD, MAINTAIN -> "";
      case GO_ON -> "state-go";
    };
  }
}
