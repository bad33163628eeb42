package org.biokinet.core.figure;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.biokinet.core.exercise.CatalogueException;

/**
 * The body as it is drawn: groups of shapes in one colour, each wrapping balls that are fixed to
 * parts.
 */
final class Outline {

  record Ball(Part part, Vec local, double radius) {
    Ball mirrored() {
      return new Ball(part.mirrored(), local.mirrored(), radius);
    }
  }

  /** One shape; all shapes of a group are one silhouette. */
  record Shape(List<Ball> balls) {
    private static final double SMALL = 2.4;
    private static final double LARGE = 4.9;

    Shape {
      balls = List.copyOf(balls);
    }

    /**
     * With how many corners it looks round.
     *
     * @param frames in how many poses it is drawn; many have to stay small
     */
    int corners(int frames) {
      double most = balls.stream().mapToDouble(Ball::radius).max().orElse(0);
      if (most < SMALL) return 8;
      if (frames > 3) return most < LARGE ? 10 : 14;
      return most < LARGE ? 12 : 20;
    }
  }

  /**
   * @param paint what it is made of: skin, shirt, trousers, shoe, hair
   * @param name what it is, with its side where there are two: "left leg"
   */
  record Group(String paint, String name, List<Shape> shapes) {
    Group {
      shapes = List.copyOf(shapes);
    }
  }

  private static final List<Group> BODY = read();

  private Outline() {}

  static List<Group> body() {
    return BODY;
  }

  private static List<Group> read() {
    List<Group> groups = new ArrayList<>();
    for (String line : resource().split("\n", -1)) {
      if (line.isBlank() || line.startsWith("#")) continue;
      int colon = line.indexOf(':');
      String[] head = line.substring(0, colon).strip().split(" ", -1);
      List<Ball> balls = new ArrayList<>();
      boolean sided = true;
      for (String ball : line.substring(colon + 1).split(";", -1)) {
        String[] words = ball.strip().split("\\s+", -1);
        String name = words[0].replace('-', '_').toUpperCase(Locale.ROOT);
        Part part = part(name);
        sided &= part.side().isPresent() && !name.startsWith("LEFT_") && !name.startsWith("RIGHT_");
        balls.add(
            new Ball(
                part,
                new Vec(number(words[1]), number(words[2]), number(words[3])),
                number(words[4])));
      }
      sided |= head[1].equals("ear") || head[1].equals("sleeve");
      Shape shape = new Shape(balls);
      if (sided) {
        add(groups, head[0], "left " + head[1], shape);
        add(
            groups,
            head[0],
            "right " + head[1],
            new Shape(balls.stream().map(Ball::mirrored).toList()));
      } else {
        add(groups, head[0], head[1], shape);
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

  private static Part part(String name) {
    for (Part p : Part.values()) {
      if (p.name().equals(name) || p.name().equals("LEFT_" + name)) return p;
    }
    throw new CatalogueException("no part is called " + name);
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }

  private static String resource() {
    try (InputStream in = Outline.class.getResourceAsStream("body.txt")) {
      if (in == null) throw new CatalogueException("the resource body.txt is missing");
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
