package org.biokinet.core.figure.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Ball;
import org.biokinet.core.figure.body.Outline;
import org.biokinet.core.figure.body.Prop;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.View;

/**
 * Something that is drawn in one colour: a part of the body or a thing, as hulls round balls in
 * space, one list of hulls for each frame.
 *
 * @param name unique in a drawing
 * @param lift by how much it is nearer to the viewer than it is in space, in centimetres: what lies
 *     on a part is drawn over it
 */
record Solid(String name, String paint, List<List<List<Ball>>> frames, double lift) {

  private static final double GROUND = -1000;

  private static final Pattern LIMB = Pattern.compile("(left|right) (leg|foot|upper|hand|sleeve)");

  Solid {
    frames = List.copyOf(frames);
  }

  /** What is drawn of a body that goes through these frames. */
  static List<Solid> body(List<Skeleton> frames, boolean upperBody) {
    List<Solid> solids = new ArrayList<>();
    for (Outline.Group g : Outline.body()) {
      if (upperBody && (g.name().endsWith("leg") || g.name().endsWith("foot"))) continue;
      List<List<List<Ball>>> placed = frames.stream().map(f -> in(f, g)).toList();
      solids.add(new Solid(g.name(), g.paint(), placed, lift(g.name())));
    }
    return solids;
  }

  private static List<List<Ball>> in(Skeleton frame, Outline.Group group) {
    return group.shapes().stream()
        .map(
            shape ->
                shape.balls().stream()
                    .map(b -> new Ball(frame.point(b.part(), b.local()), b.radius()))
                    .toList())
        .toList();
  }

  static Solid of(Prop prop, List<Skeleton> frames, boolean legs) {
    return new Solid(
        prop.code(),
        prop.paint(),
        frames.stream().map(f -> prop.shapes(frames.get(0), f, legs)).toList(),
        prop.ground() ? GROUND : 0);
  }

  /** The neck goes into the collar, hair lies on the head. */
  private static double lift(String name) {
    return switch (name) {
      case "neck" -> -3;
      case "throat" -> 1.5;
      case "back-hair" -> 1.5;
      case "front-hair" -> 3;
      default -> 0;
    };
  }

  /** Against a limb only where things are counts, and nothing is under the ground. */
  double liftOver(Solid other) {
    boolean ground = lift < GROUND / 2 || other.lift < GROUND / 2;
    return ground || !(isLimb() || other.isLimb()) ? lift - other.lift : 0;
  }

  private boolean isLimb() {
    return LIMB.matcher(name).matches();
  }

  /** Toward the viewer, in centimetres. */
  double depth(int frame, View view, Side treated) {
    double sum = 0;
    int count = 0;
    for (List<Ball> shape : frames.get(frame)) {
      for (Ball ball : shape) {
        sum += view.project(ball.centre(), treated).z();
        count++;
      }
    }
    return sum / count + lift;
  }
}
