package org.biokinet.core.program;

import org.biokinet.core.anatomy.Coded;

/** Whether the sides take turns, or one side is finished before the other begins. */
public enum Order implements Coded {
  ALTERNATE("alternate"),
  BLOCK("block");

  private final String code;

  Order(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }
}
