package org.biokinet.core.session;

/** Which side of a stretch that was done on both felt tighter. */
public enum Tighter {
  LEFT,
  RIGHT,
  SAME
}
