package org.biokinet.core.dose;

/**
 * The seconds between the work: everything in a session that is not the dose itself. All defaults
 * are our choice, near what is heard in practice; one breath of 5 s is the 12 a minute at the slow
 * end of resting adults (12–20 a minute, physiology texts, value recalled from memory).
 */
public record Pacing(
    int firstPosition,
    int betweenChairAndStanding,
    int toOrFromFloor,
    int betweenFloorPositions,
    int fetchEquipment,
    int setUp,
    int enter,
    int leave,
    int enterNeck,
    int leaveNeck,
    int move,
    int circle,
    int rise,
    int release,
    int changeSides,
    int changeDirection,
    int restBetweenHolds,
    int restBetweenSets,
    int settle) {

  public static final double DEFAULT_BREATH_SECONDS = 5;

  public static final Pacing DEFAULT =
      new Pacing(5, 5, 15, 8, 10, 4, 3, 2, 3, 3, 4, 6, 1, 1, 4, 2, 2, 10, 3);
}
