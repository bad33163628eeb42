package org.biokinet.core.program;

import org.biokinet.core.anatomy.Coded;

/** Whether the sides take turns, or one side is finished before the other begins. */
public enum Order implements Coded {
  ALTERNATE("alternate", "sides in turn"),
  BLOCK("block", "one side, then the other");

  private final String code;
  private final String label;

  Order(String code, String label) {
    this.code = code;
    this.label = label;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }
}
