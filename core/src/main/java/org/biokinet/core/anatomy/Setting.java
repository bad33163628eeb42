package org.biokinet.core.anatomy;

/** Where and on what something is done. */
public record Setting(Position position, boolean onBed) {

  /** Who has a bed lies on it, not on the floor. */
  public static Setting of(Position position, Means means) {
    return new Setting(position, position.lying() && means.has(Equipment.BED));
  }
}
