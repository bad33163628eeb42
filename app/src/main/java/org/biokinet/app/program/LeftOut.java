package org.biokinet.app.program;

/** An exercise that is not suggested to a client, by its id in the catalogue. */
public record LeftOut(String exercise, Reason reason) {

  /** Why; the last takes it back. */
  public enum Reason {
    DISLIKED("disliked"),
    PROVOKED("provoked pain"),
    NONE("may be suggested");

    private final String label;

    Reason(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }
}
