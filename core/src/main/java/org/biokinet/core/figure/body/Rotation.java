package org.biokinet.core.figure.body;

/** A rotation in space, as a unit quaternion. Angles are in degrees, right-handed. */
public record Rotation(double w, double x, double y, double z) {

  public static final Rotation NONE = new Rotation(1, 0, 0, 0);

  /**
   * @param axis of any length but zero
   */
  public static Rotation about(Vec axis, double degrees) {
    Vec a = axis.unit();
    double half = Math.toRadians(degrees) / 2;
    double s = Math.sin(half);
    return new Rotation(Math.cos(half), a.x() * s, a.y() * s, a.z() * s);
  }

  static Rotation aboutX(double degrees) {
    return about(new Vec(1, 0, 0), degrees);
  }

  static Rotation aboutY(double degrees) {
    return about(new Vec(0, 1, 0), degrees);
  }

  public static Rotation aboutZ(double degrees) {
    return about(new Vec(0, 0, 1), degrees);
  }

  /** First the other, then this: {@code a.times(b).apply(v) = a.apply(b.apply(v))}. */
  public Rotation times(Rotation o) {
    return new Rotation(
        w * o.w - x * o.x - y * o.y - z * o.z,
        w * o.x + x * o.w + y * o.z - z * o.y,
        w * o.y - x * o.z + y * o.w + z * o.x,
        w * o.z + x * o.y - y * o.x + z * o.w);
  }

  public Rotation inverse() {
    return new Rotation(w, -x, -y, -z);
  }

  public Vec apply(Vec v) {
    Vec q = new Vec(x, y, z);
    Vec t = q.cross(v).times(2);
    return v.plus(t.times(w)).plus(q.cross(t));
  }
}
