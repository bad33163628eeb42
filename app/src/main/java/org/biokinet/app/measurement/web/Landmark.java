package org.biokinet.app.measurement.web;

/**
 * What is marked on a photograph, by the names of {@link org.biokinet.core.measure.Posture.Marks}.
 */
enum Landmark {
  PLUMB_TOP("plumbTop", "true line, top", 0.9, 0.15),
  PLUMB_BOTTOM("plumbBottom", "true line, foot", 0.9, 0.85),
  TRAGUS("tragus", "tragus", 0.55, 0.2),
  C7("c7", "C7", 0.4, 0.3),
  SHOULDER("shoulder", "shoulder", 0.5, 0.4);

  private final String code;
  private final String label;
  private final double x;
  private final double y;

  Landmark(String code, String label, double x, double y) {
    this.code = code;
    this.label = label;
    this.x = x;
    this.y = y;
  }

  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** Where it lies before it is moved, from the left, as a part of the picture's width. */
  public double x() {
    return x;
  }

  /** From the top, as a part of its height. */
  public double y() {
    return y;
  }
}
