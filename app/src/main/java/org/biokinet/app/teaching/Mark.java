package org.biokinet.app.teaching;

/**
 * What was seen at a step.
 *
 * @param step from 0, an item on a side
 * @param fault which of the exercise's own list, from 0; 0 where it is none
 */
public record Mark(int step, Kind kind, int fault) {

  public enum Kind {
    WELL,
    FAULT,
    TOO_MUCH
  }
}
