package org.biokinet.app.client;

import java.util.Locale;

/** The five stations of a client's page, in the order of the work. */
public enum Station {
  SCREEN("Screen"),
  MEASURE("Measure"),
  PLAN("Plan"),
  DO("Do"),
  REVIEW("Review");

  private final String label;

  Station(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  public String path() {
    return name().toLowerCase(Locale.ROOT);
  }
}
