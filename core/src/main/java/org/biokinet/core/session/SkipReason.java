package org.biokinet.core.session;

/** Why an exercise was left out, in one tap. */
public enum SkipReason {
  HURT,
  NO_TIME,
  /** No room, no chair, people about. */
  NOT_HERE,
  /** It was not clear how it is done. */
  UNSURE,
  OTHER
}
