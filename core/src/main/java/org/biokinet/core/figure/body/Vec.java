package org.biokinet.core.figure.body;

/**
 * A point or a direction, in centimetres: {@code x} to the client's own left, {@code y} up, {@code
 * z} forward. Right-handed.
 */
public record Vec(double x, double y, double z) {

  public static final Vec ZERO = new Vec(0, 0, 0);

  public Vec plus(Vec o) {
    return new Vec(x + o.x, y + o.y, z + o.z);
  }

  public Vec minus(Vec o) {
    return new Vec(x - o.x, y - o.y, z - o.z);
  }

  public Vec times(double k) {
    return new Vec(x * k, y * k, z * k);
  }

  public double dot(Vec o) {
    return x * o.x + y * o.y + z * o.z;
  }

  public Vec cross(Vec o) {
    return new Vec(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
  }

  public double length() {
    return Math.sqrt(dot(this));
  }

  public Vec unit() {
    return times(1 / length());
  }

  /** The same on the other side of the body's middle. */
  public Vec mirrored() {
    return new Vec(-x, y, z);
  }
}
