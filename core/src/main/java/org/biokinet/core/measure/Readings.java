package org.biokinet.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Readings of one range, in degrees, in the order in which they were taken.
 *
 * @param degrees each from 0 to {@link Motion#most()}
 */
public record Readings(Protocol protocol, List<Double> degrees) {

  /** How many readings make a value. */
  public enum Protocol {
    /** The mean of all, usually two; common practice, no source. */
    USUAL,
    /**
     * Three in a row that agree, out of at most six: AMA Guides 5th ed., recalled from memory. We
     * read "agree" as the stricter: the largest and the smallest of the three lie within 5° (mean
     * under 50°) or within 10 % of the mean.
     */
    STRICT
  }

  /** Under the strict protocol, after so many it is called inconsistent. */
  public static final int MOST_TRIES = 6;

  private static final int IN_A_ROW = 3;
  private static final double SMALL_MEAN = 50;
  private static final double WITHIN_DEGREES = 5;
  private static final double WITHIN_SHARE = 0.10;

  public Readings {
    degrees = List.copyOf(degrees);
    if (degrees.size() > MOST_TRIES) {
      throw new IllegalArgumentException("at most %d readings".formatted(MOST_TRIES));
    }
  }

  /** What readings come to. */
  public sealed interface Result {
    /**
     * @param largest kept beside the mean
     */
    record Value(double mean, double largest) implements Result {}

    /** Not enough yet. */
    record More() implements Result {}

    /** Six tries without three that agree: no value. */
    record Inconsistent() implements Result {}
  }

  public Result result() {
    if (degrees.isEmpty()) return new Result.More();
    if (protocol == Protocol.USUAL) return value(degrees);
    for (int from = 0; from + IN_A_ROW <= degrees.size(); from++) {
      List<Double> three = degrees.subList(from, from + IN_A_ROW);
      if (agree(three)) return value(three);
    }
    return degrees.size() < MOST_TRIES ? new Result.More() : new Result.Inconsistent();
  }

  /** In degrees; empty while there is none. */
  public Optional<Double> mean() {
    return result() instanceof Result.Value v ? Optional.of(v.mean()) : Optional.empty();
  }

  private static Result.Value value(List<Double> of) {
    return new Result.Value(mean(of), of.stream().mapToDouble(d -> d).max().orElseThrow());
  }

  private static double mean(List<Double> of) {
    return of.stream().mapToDouble(d -> d).average().orElseThrow();
  }

  private static boolean agree(List<Double> three) {
    double mean = mean(three);
    double spread =
        three.stream().mapToDouble(d -> d).max().orElseThrow()
            - three.stream().mapToDouble(d -> d).min().orElseThrow();
    return spread <= (mean < SMALL_MEAN ? WITHIN_DEGREES : WITHIN_SHARE * mean);
  }

  /** What a line of numbers says: readings, or what is wrong with it. */
  public sealed interface Reading {
    record Ok(Readings readings) implements Reading {}

    record Fault(String why) implements Reading {}
  }

  /**
   * Reads numbers with spaces, commas or semicolons between them: {@code 31 33}.
   *
   * @return no readings for an empty line
   */
  public static Reading parse(String line, Motion motion, Protocol protocol) {
    List<Double> degrees = new ArrayList<>();
    for (String word : line.strip().replace("°", "").split("[\\s,;]+", -1)) {
      if (word.isEmpty()) continue;
      if (!word.matches("\\d{1,3}(\\.\\d)?")) {
        return new Reading.Fault("Degrees with spaces between, such as 31 33.");
      }
      double value = Double.parseDouble(word);
      if (value > motion.most()) {
        return new Reading.Fault(
            "%s° is more than %s can be.".formatted(word, motion.label().toLowerCase(Locale.ROOT)));
      }
      degrees.add(value);
    }
    if (degrees.size() > MOST_TRIES) {
      return new Reading.Fault("At most %d readings.".formatted(MOST_TRIES));
    }
    return new Reading.Ok(new Readings(protocol, degrees));
  }
}
