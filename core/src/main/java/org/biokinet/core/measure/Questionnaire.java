package org.biokinet.core.measure;

import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * Questionnaires as topics and scoring: the wording belongs to its owners and is not here. A
 * practice enters item scores from forms that it is licensed to use.
 */
@SuppressWarnings("ImmutableEnumChecker") // topics are never written
public enum Questionnaire {
  /**
   * Ten sections of 0–5. Prorated raw score of 50: sum ÷ answered × 10; none with more than two
   * missing (common practice). Vernon and Mior 1991, recalled from memory.
   */
  NDI(
      "Neck Disability Index",
      0,
      5,
      2,
      List.of(
          "pain",
          "personal care",
          "lifting",
          "reading",
          "headache",
          "concentration",
          "work",
          "driving",
          "sleep",
          "recreation")),
  /** Eleven items of 1–5: (mean − 1) × 25, at least ten answered. Beaton and others 2005. */
  QUICK_DASH(
      "QuickDASH",
      1,
      5,
      1,
      List.of(
          "grip",
          "household",
          "carrying",
          "washing",
          "cutting",
          "sport with impact",
          "company",
          "work",
          "pain",
          "tingling",
          "sleep"));

  private static final int NDI_RAW = 10;
  private static final int QUICK_DASH_STEP = 25;

  private final String label;
  private final int least;
  private final int most;
  private final int mayMiss;
  private final List<String> topics;

  Questionnaire(String label, int least, int most, int mayMiss, List<String> topics) {
    this.label = label;
    this.least = least;
    this.most = most;
    this.mayMiss = mayMiss;
    this.topics = topics;
  }

  public String label() {
    return label;
  }

  /** The lowest score of an item. */
  public int least() {
    return least;
  }

  /** The highest score of an item. */
  public int most() {
    return most;
  }

  public List<String> topics() {
    return topics;
  }

  /**
   * @param items in the order of the topics; null for one that was not answered
   * @return empty with too many missing
   * @throws IllegalArgumentException for another number of items, or a score out of range
   */
  public OptionalDouble score(List<@Nullable Integer> items) {
    if (items.size() != topics.size()) {
      throw new IllegalArgumentException(label + " has %d items".formatted(topics.size()));
    }
    List<Integer> answered =
        items.stream().filter(Objects::nonNull).map(Integer.class::cast).toList();
    if (answered.stream().anyMatch(i -> i < least || i > most)) {
      throw new IllegalArgumentException("items are %d to %d".formatted(least, most));
    }
    if (items.size() - answered.size() > mayMiss) return OptionalDouble.empty();
    double mean = answered.stream().mapToInt(i -> i).average().orElseThrow();
    return OptionalDouble.of(this == NDI ? mean * NDI_RAW : (mean - least) * QUICK_DASH_STEP);
  }

  /** Whether it matters for the score's error that an arm has symptoms. */
  public boolean asksForArm() {
    return this == NDI;
  }

  /** The scale that a score of it is compared on. */
  public Scale scale(boolean armSymptoms) {
    return switch (this) {
      case QUICK_DASH -> Scale.QUICK_DASH;
      case NDI -> armSymptoms ? Scale.NDI_ARM : Scale.NDI;
    };
  }

  /** Of how much a score is, with the band that it falls in where there are bands. */
  public String outOf(double score) {
    return this == NDI ? "of 50, " + ndiBand(score) : "of 100";
  }

  /** The band of a raw NDI score: Vernon and Mior 1991, recalled from memory. */
  public static String ndiBand(double raw) {
    if (raw < 5) return "none";
    if (raw < 15) return "mild";
    if (raw < 25) return "moderate";
    return raw < 35 ? "severe" : "complete";
  }
}
