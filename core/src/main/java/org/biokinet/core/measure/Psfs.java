package org.biokinet.core.measure;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Patient-Specific Functional Scale: the mean of three to five activities of the client's own, 0
 * unable – 10 as before. Stratford and others 1995, recalled from memory.
 */
public final class Psfs {

  public static final int LEAST_ACTIVITIES = 3;

  private Psfs() {}

  /** Empty with fewer activities than the scale wants; each still stands for itself. */
  public static OptionalDouble mean(List<Integer> rated) {
    return rated.size() < LEAST_ACTIVITIES
        ? OptionalDouble.empty()
        : rated.stream().mapToInt(i -> i).average();
  }
}
