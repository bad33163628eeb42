package org.biokinet.core.anatomy;

/**
 * What should be done to a target: a short muscle is lengthened, a weak or long one strengthened.
 */
public enum Intent implements Coded {
  LENGTHEN("lengthen"),
  STRENGTHEN("strengthen"),
  MOBILISE("mobilise"),
  CALM("calm");

  private final String code;

  Intent(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }
}
