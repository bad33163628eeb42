package org.biokinet.core.progress;

import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.screening.Irritability;

/**
 * How strong a stretch may be for a client, and how much pain may rise in a session. Which rises
 * are borne is our choice, after the pain-monitoring model of Thomeé (1997) and Silbernagel (2007),
 * which was made for knee and Achilles (values recalled from memory).
 */
public enum Policy implements Coded {
  /** Never painful. */
  COMFORT_FIRST("comfort-first", Irritability.COMFORT_CEILING, 1),
  /** A strong pull that is just bearable while relaxed. */
  TOLERABLE_STRETCH("tolerable-stretch", 6, 2);

  private final String code;
  private final int ceiling;
  private final int borne;

  Policy(String code, int ceiling, int borne) {
    this.code = code;
    this.ceiling = ceiling;
    this.borne = borne;
  }

  @Override
  public String code() {
    return code;
  }

  /** Of a stretch whose dose names none, of 10. */
  public int ceiling() {
    return ceiling;
  }

  /** The highest rise of a green session; one more is amber, two more are red. */
  public int borne() {
    return borne;
  }
}
