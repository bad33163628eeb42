package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Coded;

/** Things that a body rests on, leans on or holds. Sizes in centimetres; our choice. */
public enum Prop implements Coded {
  MAT("mat"),
  /** Under the spine, from the pelvis to the head. */
  ROLLER_ALONG("roller along"),
  /** Under the ribs, from side to side. */
  ROLLER_ACROSS("roller across"),
  ROLLER_UNDER_HEAD("roller under head"),
  ROLLED_TOWEL("rolled towel"),
  WALL_AHEAD("wall ahead"),
  /** Its back rest is held. */
  CHAIR_AHEAD("chair ahead"),
  /** Held between the hands. */
  TOWEL("towel"),
  CHAIR("chair");

  private static final double ROLLER = 6.5;
  private static final double BACK_ROLLER = 5;
  private static final double EDGE = 1;

  private final String code;

  Prop(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }

  /** Whether it is behind everything, wherever it is seen from. */
  public boolean ground() {
    return this == MAT;
  }

  public String paint() {
    return switch (this) {
      case MAT -> "mat";
      case TOWEL, ROLLED_TOWEL -> "towel";
      default -> "support";
    };
  }

  /** What a base needs of itself: who sits has a seat, who lies has a mat. */
  static Optional<Prop> under(Base base) {
    if (base == Base.CHAIR) return Optional.of(CHAIR);
    return base.onFloor() ? Optional.of(MAT) : Optional.empty();
  }

  /**
   * Its shapes, one hull each, beside a body.
   *
   * @param rest the body at rest: what is not held stays where it is then
   * @param legs whether what is below the seat is shown
   */
  public List<List<Ball>> shapes(Skeleton rest, Skeleton now, boolean legs) {
    return switch (this) {
      case MAT -> List.of(mat(rest));
      case ROLLER_ALONG ->
          List.of(
              roller(
                  under(rest, Part.PELVIS, new Vec(0, -4, 0)),
                  under(rest, Part.HEAD, new Vec(0, 14, 0))));
      case ROLLER_ACROSS -> List.of(across(rest, Part.THORAX, new Vec(0, 12, 0), BACK_ROLLER, 24));
      case ROLLER_UNDER_HEAD -> List.of(across(rest, Part.HEAD, new Vec(0, 3, 0), 5, 20));
      case ROLLED_TOWEL -> List.of(across(rest, Part.NECK, new Vec(0, 9, 0), 4.6, 18));
      case WALL_AHEAD -> List.of(box(-45, 45, 0, 212, reach(rest), reach(rest) + 4));
      case CHAIR_AHEAD -> {
        Vec hands = hand(rest, Part.LEFT_HAND).plus(hand(rest, Part.RIGHT_HAND)).times(0.5);
        double z = hands.z();
        double y = hands.y() - 3;
        yield List.of(
            box(-20, 20, y - 26, y, z, z + 2),
            box(-20, -17, 0, y - 26, z, z + 3),
            box(17, 20, 0, y - 26, z, z + 3),
            box(-20, 20, 42, 46, z, z + 40),
            box(-20, -17, 0, 42, z + 37, z + 40),
            box(17, 20, 0, 42, z + 37, z + 40));
      }
      case TOWEL ->
          List.of(
              List.of(
                  new Ball(hand(now, Part.LEFT_HAND), 1.4),
                  new Ball(hand(now, Part.RIGHT_HAND), 1.4)));
      case CHAIR -> chair(rest, legs);
    };
  }

  private static Vec hand(Skeleton body, Part hand) {
    return body.point(hand, new Vec(0, -9, 0));
  }

  /** Just beyond the palms. */
  private static double reach(Skeleton body) {
    return Math.max(hand(body, Part.LEFT_HAND).z(), hand(body, Part.RIGHT_HAND).z()) + 3;
  }

  private static List<Ball> mat(Skeleton rest) {
    double front = -Double.MAX_VALUE;
    double back = Double.MAX_VALUE;
    for (Outline.Ball b : Outline.bearing()) {
      double z = rest.point(b.part(), b.local()).z();
      front = Math.max(front, z);
      back = Math.min(back, z);
    }
    return box(-34, 34, -2, 0, back - 12, front + 16);
  }

  private static Vec under(Skeleton body, Part part, Vec local) {
    Vec p = body.point(part, local);
    return new Vec(0, ROLLER, p.z());
  }

  private static List<Ball> roller(Vec from, Vec to) {
    return List.of(new Ball(from, ROLLER), new Ball(to, ROLLER));
  }

  private static List<Ball> across(
      Skeleton body, Part part, Vec local, double radius, double half) {
    double z = body.point(part, local).z();
    return List.of(
        new Ball(new Vec(-half, radius, z), radius), new Ball(new Vec(half, radius, z), radius));
  }

  private static List<List<Ball>> chair(Skeleton rest, boolean legs) {
    double seat = rest.part(Part.PELVIS).origin().y() - 10;
    List<List<Ball>> shapes = new ArrayList<>();
    shapes.add(box(-20, 20, seat - 4, seat, -24, 22));
    shapes.add(box(-19, 19, seat + 16, seat + 42, -26, -23));
    for (double x : new double[] {-19, 17}) {
      shapes.add(box(x, x + 2, seat - 4, seat + 20, -26, -23));
      if (!legs) continue;
      shapes.add(box(x, x + 2, 0, seat - 4, -26, -23));
      shapes.add(box(x, x + 2, 0, seat - 4, 18, 21));
    }
    return shapes;
  }

  private static List<Ball> box(double x0, double x1, double y0, double y1, double z0, double z1) {
    return Stream.of(x0 + EDGE, x1 - EDGE)
        .flatMap(x -> Stream.of(y0 + EDGE, y1 - EDGE).map(y -> new Vec(x, y, 0)))
        .flatMap(p -> Stream.of(z0 + EDGE, z1 - EDGE).map(z -> new Vec(p.x(), p.y(), z)))
        .map(corner -> new Ball(corner, EDGE))
        .toList();
  }
}
