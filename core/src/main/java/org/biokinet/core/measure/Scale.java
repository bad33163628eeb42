package org.biokinet.core.measure;

import java.util.OptionalDouble;
import org.biokinet.core.anatomy.Coded;

/**
 * What is scored, with how large a change has to be. Nothing is claimed where the error is not
 * known. All figures are published and recalled from memory.
 */
public enum Scale implements Coded {
  /** Numeric pain rating of the neck; the published important change lies inside the error. */
  NPRS("nprs", "Pain", 10, true, 2.1, 2.1, "Cleland and others 2008"),
  NDI("ndi", "Neck Disability Index", 50, true, 5, 7, "MacDermid and others 2009"),
  /** The same with symptoms in an arm. */
  NDI_ARM(
      "ndi-arm", "Neck Disability Index, with arm symptoms", 50, true, 10, 10, "MacDermid 2009"),
  /** Mean of three to five activities; no important change is known to us. */
  PSFS("psfs", "Patient-Specific Functional Scale", 10, false, 2, 0, "Stratford and others 1995"),
  PSFS_ONE("psfs-one", "One activity", 10, false, 3, 0, "Stratford and others 1995"),
  QUICK_DASH("quick-dash", "QuickDASH", 100, true, 11, 11, "Beaton and others 2005; Mintken 2009"),
  /** Of the neck flexors, in seconds; small groups. */
  ENDURANCE("endurance", "Neck flexor endurance", 600, false, 20, 0, "Harris and others 2005");

  private final String code;
  private final String label;
  private final int most;
  private final boolean lessIsBetter;
  private final double error;
  private final double important;
  private final String source;

  Scale(
      String code,
      String label,
      int most,
      boolean lessIsBetter,
      double error,
      double important,
      String source) {
    this.code = code;
    this.label = label;
    this.most = most;
    this.lessIsBetter = lessIsBetter;
    this.error = error;
    this.important = important;
    this.source = source;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  public int most() {
    return most;
  }

  public boolean lessIsBetter() {
    return lessIsBetter;
  }

  /** A smaller change than this may be chance. */
  public double error() {
    return error;
  }

  /** From here on a change matters to people; never below the error; empty where not known. */
  public OptionalDouble important() {
    return important == 0 ? OptionalDouble.empty() : OptionalDouble.of(important);
  }

  public String source() {
    return source + ", recalled from memory";
  }
}
