package org.biokinet.app.review.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.review.DiaryService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Review;

/** What a review suggests, item by item, on both sides of the axis. */
record DecisionGrid(List<Row> rows) {

  /**
   * An item.
   *
   * @param both what has no sides; then the others are empty
   */
  record Row(String name, Optional<Cell> left, Optional<Cell> right, Optional<Cell> both) {}

  /**
   * What is suggested for one side.
   *
   * @param dose "2x20s → 2x30s", or what stays
   * @param reason in one line
   */
  record Cell(
      String outcome,
      String state,
      String dose,
      String reason,
      String line,
      List<String> evidence,
      List<String> barred,
      List<String> takes,
      List<String> asks) {}

  static DecisionGrid of(DiaryService.Kept kept, Locale language) {
    Review review = Review.of(kept.diary());
    Program program = kept.now().program();
    List<Row> rows = new ArrayList<>();
    for (int place = 0; place < program.items().size(); place++) {
      int item = place;
      List<Decision> own =
          review.decisions().stream()
              .filter(d -> d.part().place(program).filter(p -> p == item).isPresent())
              .toList();
      rows.add(
          new Row(
              kept.now().name(place, language),
              on(own, Optional.of(Side.LEFT)),
              on(own, Optional.of(Side.RIGHT)),
              on(own, Optional.empty())));
    }
    return new DecisionGrid(rows);
  }

  private static Optional<Cell> on(List<Decision> decisions, Optional<Side> side) {
    return decisions.stream()
        .filter(d -> d.part().side().equals(side))
        .findFirst()
        .map(DecisionGrid::cell);
  }

  private static Cell cell(Decision d) {
    String now = text(d.now());
    String next = d.next().map(DecisionGrid::text).orElse("");
    List<String> why = d.barred().isEmpty() ? d.evidence() : d.barred();
    return new Cell(
        d.outcome().word(),
        state(d.outcome()),
        next.equals(now) || next.isEmpty() ? now : now + " → " + next,
        why.get(0),
        "%d, %s: %s".formatted(d.line().number(), d.line().title(), d.line().condition()),
        d.evidence(),
        d.barred(),
        d.takes(),
        d.asks().stream().sorted().map(Decision.Ask::words).toList());
  }

  /** How much it presses, for the eye beside the word. */
  private static String state(Outcome outcome) {
    return switch (outcome) {
      case STOP, RE_ENTER, FLARE_PLAN, EASE, RETURN -> "state-stop";
      case STAY, HOLD, MAINTAIN -> "";
      case GO_ON -> "state-go";
    };
  }

  private static String text(SideDose dose) {
    return DoseNotation.format(new Dose.Alike(dose));
  }
}
