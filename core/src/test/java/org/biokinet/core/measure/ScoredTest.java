package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.core.progress.Diary;
import org.junit.jupiter.api.Test;

/**
 * Errors and important changes: NPRS 2.1 (Cleland and others 2008), NDI 5 and 7, with arm symptoms
 * 10 (MacDermid and others 2009), PSFS 2 for the mean and 3 for one activity (Stratford and others
 * 1995); recalled from memory.
 */
class ScoredTest {

  private static Visit visit(int day, Measured... taken) {
    return new Visit(
        LocalDate.of(2026, 3, day),
        Stream.of(taken)
            .map(m -> new Visit.Taken(UUID.randomUUID(), m, "A", false, Instant.EPOCH, false))
            .toList());
  }

  private static Measured pain(int now) {
    return new Measured.Pain(now, null, null);
  }

  /** With that score in every section. */
  private static Measured ndi(int each, boolean arm) {
    return new Measured.Form(Questionnaire.NDI, Collections.nCopies(10, each), arm);
  }

  private static Measured does(String activity, int rated) {
    return new Measured.Activity(activity, rated);
  }

  private static Scored one(String label, Visit... oldestFirst) {
    return Scored.of(List.of(oldestFirst)).stream()
        .filter(s -> s.label().equals(label))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aChangeIsFromTheFirstValueToTheNewest() {
    Scored pain =
        one("Pain now", visit(1, pain(6)), visit(2), visit(3, pain(8)), visit(4, pain(4)));
    assertThat(pain.change().orElseThrow().by()).isEqualTo(-2);
    assertThat(pain.better()).as("inside the error of 2.1").isFalse();
    assertThat(one("Pain now", visit(1, pain(6)), visit(2, pain(3))).better()).isTrue();
    assertThat(one("Pain now", visit(1, pain(3)), visit(2, pain(6))).better()).isFalse();
    assertThat(one("Pain now", visit(1, pain(3))).change()).isEmpty();
  }

  @Test
  void symptomsInAnArmMakeTheErrorOfTheNeckIndexLarger() {
    assertThat(one("Neck Disability Index", visit(1, ndi(2, false)), visit(2, ndi(1, false))))
        .satisfies(s -> assertThat(s.now()).isEqualTo(10))
        .satisfies(s -> assertThat(s.muchBetter()).isTrue());
    Measured half =
        new Measured.Form(Questionnaire.NDI, List.of(1, 1, 1, 1, 1, 1, 1, 1, 2, 2), true);
    assertThat(one("Neck Disability Index", visit(1, ndi(2, false)), visit(2, half)).better())
        .as("8 points with an arm that had symptoms once")
        .isFalse();
  }

  @Test
  void aMeanIsOfTheSameActivitiesEachTime() {
    Visit first = visit(1, does("drive", 2), does("read", 3), does("swim", 4));
    Visit then = visit(9, does("drive", 4), does("read", 5), does("swim", 6), does("sing", 10));
    assertThat(one("Mean of activities", first, then).change().orElseThrow().by()).isEqualTo(2);
    Visit other = visit(9, does("drive", 9), does("read", 9), does("sing", 10));
    assertThat(Scored.of(List.of(first, other)))
        .extracting(Scored::label)
        .containsExactlyInAnyOrder("drive", "read", "swim", "sing");
  }

  @Test
  void aReviewKnowsGoalsAndScores() {
    List<Visit> newestFirst =
        List.of(
            visit(20, ndi(0, false), does("drive", 8), pain(1)),
            visit(1, ndi(2, false), does("drive", 3), pain(2)));
    Goal drive = new Goal("drive", 3, 8);
    assertThat(Diary.Measures.of(newestFirst, List.of(drive)))
        .isEqualTo(new Diary.Measures(true, true, OptionalInt.of(0), true));
    assertThat(Diary.Measures.of(newestFirst, List.of(drive, new Goal("swim", 4, 6))).goalsMet())
        .as("never measured: it stands where it was set")
        .isFalse();
    assertThat(Diary.Measures.of(newestFirst, List.of(new Goal("drive", 3, 9))).goalsMet())
        .isFalse();
    assertThat(Diary.Measures.of(List.of(), List.of()))
        .isEqualTo(new Diary.Measures(true, false, OptionalInt.empty(), false));
  }
}
