package org.biokinet.core.measure;

import java.util.OptionalDouble;

/** Something that says how far it is turned; a real one and the stand-in look alike here. */
public interface Inclinometer {

  /** How often it is asked, in milliseconds. */
  int EVERY_MILLIS = 50;

  /**
   * @param millis since it was switched on
   * @return degrees from where it was then; empty where nothing arrived. May be nonsense: who reads
   *     it has to notice.
   */
  OptionalDouble degrees(long millis);
}
