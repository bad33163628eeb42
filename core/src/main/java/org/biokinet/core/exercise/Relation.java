package org.biokinet.core.exercise;

import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;

/** Where a movement goes, seen from the treated side. */
public enum Relation implements Coded {
  AWAY("away"),
  TOWARD("toward"),
  SELF("self");

  private final String code;

  Relation(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }

  /** The absolute direction, on the client's own left or right, when this side is treated. */
  public Side direction(Side treated) {
    return this == AWAY ? treated.opposite() : treated;
  }

  /** The side to treat so that the movement goes this way; the inverse of {@link #direction}. */
  public Side treated(Side direction) {
    return this == AWAY ? direction.opposite() : direction;
  }
}
