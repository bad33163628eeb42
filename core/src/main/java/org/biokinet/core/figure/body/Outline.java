package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.List;
import org.biokinet.core.exercise.Resources;

/**
 * The body as it is drawn: groups of shapes in one colour, each wrapping balls that are fixed to
 * parts.
 */
public final class Outline {

  public record Ball(Part part, Vec local, double radius) {
    Ball mirrored() {
      return new Ball(part.mirrored(), local.mirrored(), radius);
    }
  }

  /** One shape; all shapes of a group are one silhouette. */
  public record Shape(List<Ball> balls) {
    public Shape {
      balls = List.copyOf(balls);
    }
  }

  /**
   * @param paint what it is made of: skin, shirt, trousers, shoe, hair
   * @param name what it is, with its side where there are two: "left leg"
   */
  public record Group(String paint, String name, List<Shape> shapes) {
    public Group {
      shapes = List.copyOf(shapes);
    }
  }

  /** Behind the name of what there is on each side though its part is in the middle. */
  private static final String PAIR = "*";

  private static final List<Group> BODY = read();

  private static final List<Ball> BEARING =
      BODY.stream()
          .flatMap(g -> g.shapes().stream())
          .flatMap(shape -> shape.balls().stream())
          .filter(b -> !b.part().ofTheArm())
          .toList();

  private Outline() {}

  public static List<Group> body() {
    return BODY;
  }

  /** What the weight can rest on: everything but the arms. */
  static List<Ball> bearing() {
    return BEARING;
  }

  private static List<Group> read() {
    List<Group> groups = new ArrayList<>();
    for (String line : Resources.text(Outline.class, "body.txt").split("\n", -1)) {
      if (line.isBlank() || line.startsWith("#")) continue;
      int colon = line.indexOf(':');
      String[] head = line.substring(0, colon).strip().split(" ", -1);
      List<Ball> balls = new ArrayList<>();
      boolean sided = true;
      for (String ball : line.substring(colon + 1).split(";", -1)) {
        String[] words = ball.strip().split("\\s+", -1);
        Part part = Part.named(words[0]);
        boolean oneSaid = words[0].startsWith("left-") || words[0].startsWith("right-");
        sided &= part.side().isPresent() && !oneSaid;
        balls.add(
            new Ball(
                part,
                new Vec(number(words[1]), number(words[2]), number(words[3])),
                number(words[4])));
      }
      sided |= head[1].endsWith(PAIR);
      String what = head[1].replace(PAIR, "");
      Shape shape = new Shape(balls);
      if (sided) {
        add(groups, head[0], "left " + what, shape);
        add(
            groups,
            head[0],
            "right " + what,
            new Shape(balls.stream().map(Ball::mirrored).toList()));
      } else {
        add(groups, head[0], what, shape);
      }
    }
    return List.copyOf(groups);
  }

  private static void add(List<Group> groups, String paint, String name, Shape shape) {
    for (int i = 0; i < groups.size(); i++) {
      Group g = groups.get(i);
      if (g.name().equals(name)) {
        List<Shape> shapes = new ArrayList<>(g.shapes());
        shapes.add(shape);
        groups.set(i, new Group(paint, name, shapes));
        return;
      }
    }
    groups.add(new Group(paint, name, List.of(shape)));
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }
}
