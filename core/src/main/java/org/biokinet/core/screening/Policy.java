package org.biokinet.core.screening;

import java.util.List;
import org.biokinet.core.anatomy.Coded;

/**
 * How strong a stretch may be for a client, and how much pain may rise in a session. Which rises
 * are borne is our choice, after the pain-monitoring model of Thomeé (1997) and Silbernagel (2007),
 * which was made for knee and Achilles (values recalled from memory); the ceilings are our choice.
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

  /** "tolerable-stretch: up to 6 of 10, a rise of 2 is borne". */
  public String words() {
    return "%s: up to %d of 10, a rise of %d is borne".formatted(code, ceiling, borne);
  }

  /** Of a stretch whose dose names none, of 10. */
  public int ceiling() {
    return ceiling;
  }

  /** Of a client so irritable: only where nothing is stirred up easily is it the policy's own. */
  int ceiling(Irritability irritability) {
    return irritability == Irritability.LOW ? ceiling : irritability.ceiling();
  }

  /** The highest rise of a green session; one more is amber, two more are red. */
  public int borne() {
    return borne;
  }

  /** What speaks against it, in words; empty where it may be chosen. Comfort first always may. */
  public List<String> against(Assessment a) {
    return this == COMFORT_FIRST ? List.of() : a.againstStrongPull();
  }
}
