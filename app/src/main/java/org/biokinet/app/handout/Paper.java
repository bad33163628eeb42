package org.biokinet.app.handout;

/** Paper, by the name that style sheets have for it. */
public enum Paper {
  A4("A4"),
  LETTER("letter");

  private final String code;

  Paper(String code) {
    this.code = code;
  }

  String code() {
    return code;
  }
}
