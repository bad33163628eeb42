package org.biokinet.core.figure.body;

import java.util.Arrays;
import java.util.List;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Position;

/** How the body rests before anything moves: which way the trunk points and how the legs are. */
public enum Base implements Coded {
  CHAIR(Position.CHAIR, 0, 0, 88, 0, 0, 88, 0),
  STAND(Position.STAND, 0, 0, 0, 4, 0, 0, 0),
  FLOOR_SIT(Position.FLOOR_SIT, 0, 0, 112, 45, 72, 130, -30),
  KNEEL(Position.KNEEL, 0, 0, 0, 6, 0, 90, -50),
  ALL_FOURS(Position.ALL_FOURS, 85, 0, 85, 4, 0, 90, -50),
  SUPINE(Position.SUPINE, -90, 0, 45, 4, 0, 90, 0),
  PRONE(Position.PRONE, 90, 0, 0, 4, 0, 0, -45),
  /** On the left side, so that the right one is on top. */
  SIDE_LYING(Position.SIDE_LYING, 0, -90, 60, 0, 0, 80, 0),
  SIDE_LYING_ON_THE_RIGHT(Position.SIDE_LYING, 0, 90, 60, 0, 0, 80, 0);

  private final Position position;
  private final double pitch;
  private final double roll;
  private final double hip;
  private final double out;
  private final double hipRotation;
  private final double knee;
  private final double ankle;

  Base(
      Position position,
      double pitch,
      double roll,
      double hip,
      double out,
      double hipRotation,
      double knee,
      double ankle) {
    this.position = position;
    this.pitch = pitch;
    this.roll = roll;
    this.hip = hip;
    this.out = out;
    this.hipRotation = hipRotation;
    this.knee = knee;
    this.ankle = ankle;
  }

  @Override
  public String code() {
    return position.code();
  }

  public Position position() {
    return position;
  }

  /** For the right treated side. */
  static Base of(Position position) {
    return Arrays.stream(values()).filter(b -> b.position == position).findFirst().orElseThrow();
  }

  Base mirrored() {
    return switch (this) {
      case SIDE_LYING -> SIDE_LYING_ON_THE_RIGHT;
      case SIDE_LYING_ON_THE_RIGHT -> SIDE_LYING;
      default -> this;
    };
  }

  /** The parts whose joints stay over the same place on the floor; none on a chair. */
  List<Part> still() {
    return switch (this) {
      case CHAIR -> List.of();
      case STAND -> List.of(Part.LEFT_FOOT, Part.RIGHT_FOOT);
      case KNEEL, ALL_FOURS -> List.of(Part.LEFT_SHANK, Part.RIGHT_SHANK);
      case SUPINE -> List.of(Part.THORAX);
      case FLOOR_SIT, PRONE, SIDE_LYING, SIDE_LYING_ON_THE_RIGHT -> List.of(Part.PELVIS);
    };
  }

  /** Whether the body is on the floor with more than the feet. */
  boolean onFloor() {
    return this != CHAIR && this != STAND;
  }

  Rotation trunk() {
    return Rotation.aboutX(pitch).times(Rotation.aboutZ(roll));
  }

  /** What this angle is when nothing is said. */
  double usual(Joint joint) {
    return switch (joint) {
      case HIP_FLEX -> hip;
      case HIP_OUT -> out;
      case HIP_ROTATION -> hipRotation;
      case KNEE -> knee;
      case ANKLE -> ankle;
      case ARM_LIFT ->
          this == ALL_FOURS ? 85 : position == Position.SIDE_LYING ? 80 : this == PRONE ? 10 : 0;
      case FOREARM -> this == ALL_FOURS ? -80 : 0;
      case WRIST -> this == ALL_FOURS ? -76 : 0;
      case ARM_PLANE -> this == PRONE ? 90 : 0;
      default -> 0;
    };
  }
}
