package org.biokinet.core.figure.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.figure.body.Ball;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Part;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.Rotation;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.TissuePaths;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.body.Views;

/**
 * Draws a body as SVG. Every shape has the same corners in every frame, so that one can turn into
 * the other. Colours are attributes, for print, and classes, for a page's own scheme. A unit is a
 * millimetre of the body.
 */
public final class Drawing {

  /** What it is and what is seen, for those who hear the page. */
  public record Words(String title, String description) {}

  /** Round every shape; painted first, so that the shapes of one limb have no seams. */
  private static final String STROKES =
      "<g stroke=\"#1e2329\" stroke-width=\"7\" stroke-linejoin=\"round\" paint-order=\"stroke\">";

  /** When a movement of two poses is half-way to the second, as part of the round. */
  private static final double HALF_THERE = 0.07;

  private static final int MARGIN = 40;

  /** Units in a pixel where a page says nothing else. */
  private static final int SMALL = 4;

  /** Ways that are shorter get no arrow, in centimetres. */
  private static final double LEAST_WAY = 3;

  /** Where the head moves the movement is about it, almost whatever the hands do. */
  private static final double HEAD_FIRST = 6;

  /** How far beside its way an arrow stands, and how long its head is, in centimetres. */
  private static final double ASIDE = 10;

  private static final double WING = 4;

  /** What an arrow can stand beside; the shoulders first, which take the arms with them. */
  private static final List<Part> POINTED_AT =
      Stream.concat(Stream.of(Part.LEFT_UPPER_ARM, Part.RIGHT_UPPER_ARM), Views.WATCHED.stream())
          .toList();

  private static final Vec HEAD_TOP = new Vec(0, 16, 2);

  /** From how far on the face counts as turned to the viewer, where 1 is all the way. */
  private static final double FRONT_FACING = 0.3;

  /** How far behind the middle a muscle has to be to be hidden by the body, in centimetres. */
  private static final double DEEP = 7;

  /** How near to the head's middle a muscle begins that begins on the head, in centimetres. */
  private static final double HEAD = 15;

  private final Side treated;
  private final View view;
  private final List<Skeleton> frames;
  private final List<Solid> solids;
  private final boolean ground;
  private final Optional<Tissue> tissue;
  private final boolean sided;
  private final boolean upperBody;
  private final Silhouette paper;

  /** Where the movement that matters goes from and to; empty where nothing goes far. */
  private final Optional<Arrow> arrow;

  /** Its way on paper, in centimetres, of at least three points. */
  private record Arrow(List<Vec> points) {}

  private Drawing(
      List<Pose> poses,
      Movement movement,
      Side treated,
      boolean sided,
      View view,
      Optional<Tissue> tissue,
      boolean upperBody) {
    this.treated = treated;
    this.sided = sided;
    this.view = view;
    this.frames = poses.stream().map(Skeleton::of).toList();
    this.solids = new ArrayList<>(Solid.body(frames, upperBody));
    movement.props().forEach(p -> solids.add(Solid.of(p, frames, !upperBody)));
    this.ground = !upperBody && view != View.ABOVE;
    this.tissue = tissue;
    this.upperBody = upperBody;
    this.paper = new Silhouette(view, treated, frames.size() > 2);
    this.arrow = arrow(movement);
  }

  /**
   * One pose of a movement.
   *
   * @param treated the side whose colour the tissue has, and that a side view shows
   * @param sided whether there is a treated side at all
   * @param tissue what to point out; nothing when it has no line
   * @param upperBody whether the legs are left out
   */
  public static String still(
      Pose pose,
      Movement movement,
      Side treated,
      boolean sided,
      View view,
      Optional<Tissue> tissue,
      boolean upperBody,
      Words words) {
    return new Drawing(List.of(pose), movement, treated, sided, view, tissue, upperBody)
        .svg(words, 0);
  }

  /**
   * A movement from rest and back, again and again.
   *
   * @param seconds of one round
   */
  public static String moving(
      Movement movement,
      Side treated,
      boolean sided,
      View view,
      Optional<Tissue> tissue,
      boolean upperBody,
      Words words,
      int seconds) {
    return new Drawing(movement.poses(), movement, treated, sided, view, tissue, upperBody)
        .svg(words, seconds);
  }

  private String svg(Words words, int seconds) {
    StringBuilder body = new StringBuilder(STROKES);
    boolean faces = facing(frames.get(frames.size() - 1)) > FRONT_FACING;
    boolean underFace = faces && tissue.filter(this::fromBehindTheFace).isPresent();
    boolean marked = false;
    for (DepthOrder.Slot slot : DepthOrder.of(solids, view, treated, frames.size())) {
      if (underFace && !marked && slot.solid().name().equals("head")) {
        patch(body, seconds);
        marked = true;
      }
      solid(body, slot, seconds, faces);
    }
    body.append("</g>");
    if (!marked) patch(body, seconds);
    arrow.ifPresent(a -> arrow(body, a));
    long floor = Math.round(10 * view.project(Vec.ZERO, treated).y());
    long bottom = paper.top() + paper.height();
    if (ground) bottom = Math.max(bottom, floor);
    if (upperBody) bottom = Math.min(bottom, Math.round(10 * hipLine()));
    long x = paper.left() - MARGIN;
    long y = paper.top() - MARGIN;
    long width = paper.width() + 2 * MARGIN;
    long height = bottom - paper.top() + (upperBody ? MARGIN : 2 * MARGIN);
    String line =
        ground
            ? "<path class=\"fig-ground\" stroke=\"#b9b0a0\" stroke-width=\"7\" d=\"M%d %dh%d\"/>"
                .formatted(x, floor + 4, width)
            : "";
    String frame = "viewBox=\"%d %d %d %d\"".formatted(x, y, width, height);
    // What is cut off stays so in a frame of any shape.
    String cut =
        upperBody
            ? "<svg x=\"%d\" y=\"%d\" width=\"%d\" height=\"%d\" %s>%s</svg>"
                .formatted(x, y, width, height, frame, body)
            : line + body;
    return """
        <svg class="figure" xmlns="http://www.w3.org/2000/svg" %s width="%d" height="%d" \
        role="img"><title>%s</title><desc>%s</desc>%s</svg>"""
        .formatted(
            frame,
            width / SMALL,
            height / SMALL,
            escaped(words.title()),
            escaped(words.description()),
            cut);
  }

  private double hipLine() {
    return view.project(frames.get(0).point(Part.PELVIS, new Vec(0, 4, 0)), treated).y();
  }

  static String escaped(String text) {
    return text.replace("&", "&amp;").replace("\"", "&quot;").replace("<", "&lt;");
  }

  /** How far the face looks at the viewer, from −1 to 1. */
  private double facing(Skeleton frame) {
    Skeleton.Placed head = frame.part(Part.HEAD);
    Vec ahead = head.turn().apply(new Vec(0, 0, 1));
    return view.project(ahead, treated).z();
  }

  /** What is in the order twice is drawn once and used again. */
  private void solid(StringBuilder out, DepthOrder.Slot slot, int seconds, boolean faces) {
    if (slot.always(frames.size())) {
      shape(out, slot.solid(), seconds, faces);
      return;
    }
    StringBuilder shape = new StringBuilder();
    shape(shape, slot.solid(), seconds, faces);
    // The same name in two drawings on one page names the same shape.
    String id = "f" + Integer.toUnsignedString(shape.toString().hashCode(), Character.MAX_RADIX);
    if (out.indexOf("id=\"" + id + "\"") < 0) {
      out.append("<g");
      seen(out, slot, seconds);
      out.append("<g id=\"").append(id).append("\">").append(shape).append("</g></g>");
    } else {
      out.append("<use href=\"#").append(id).append('"');
      seen(out, slot, seconds);
      out.append("</use>");
    }
  }

  /** Ends a start tag with when its element is seen. */
  private void seen(StringBuilder out, DepthOrder.Slot slot, int seconds) {
    List<String> seen =
        IntStream.range(0, frames.size())
            .mapToObj(f -> slot.frames().get(f) ? "visible" : "hidden")
            .toList();
    out.append(" visibility=\"")
        .append(seen.get(0))
        .append("\">")
        .append(animate("visibility", seconds))
        .append(" calcMode=\"discrete\" keyTimes=\"0;")
        .append(halfWays(frames.size()))
        .append("\" values=\"")
        .append(String.join(";", seen))
        .append(';')
        .append(seen.get(0))
        .append("\"/>");
  }

  private void shape(StringBuilder out, Solid solid, int seconds, boolean faces) {
    List<String> paths =
        solid.frames().stream()
            .map(f -> f.stream().map(paper::path).collect(Collectors.joining()))
            .toList();
    out.append("<path class=\"fig-")
        .append(solid.paint())
        .append("\" fill=\"")
        .append(colour(solid.paint()))
        .append("\" d=\"")
        .append(paths.get(0))
        .append('"');
    close(out, paths, seconds);
    if (solid.name().equals("head") && faces) face(out, seconds);
  }

  private static void close(StringBuilder out, List<String> paths, int seconds) {
    if (seconds == 0 || paths.stream().distinct().count() == 1) {
      out.append("/>");
      return;
    }
    out.append('>').append(animate("d", seconds));
    // Quickly there, long at the end, quickly back.
    if (paths.size() == 2) {
      out.append(" calcMode=\"spline\" keyTimes=\"0;.5;1\" keySplines=\".2 .8 .3 1;.7 0 .8 .2\"");
    }
    out.append(" values=\"").append(String.join(";", paths)).append(';');
    out.append(paths.get(0)).append("\"/></path>");
  }

  private static String animate(String attribute, int seconds) {
    return "<animate attributeName=\"%s\" repeatCount=\"indefinite\" dur=\"%ds\""
        .formatted(attribute, seconds);
  }

  /** The times at which the body is half-way between two frames, as parts of the round. */
  private static String halfWays(int frames) {
    if (frames == 2) return "%s;%s".formatted(HALF_THERE, 1 - HALF_THERE);
    return IntStream.range(0, frames)
        .mapToObj(f -> String.format(Locale.ROOT, "%.3f", (f + 0.5) / frames))
        .collect(Collectors.joining(";"));
  }

  private static String colour(String paint) {
    return switch (paint) {
      case "skin" -> "#e3c09b";
      case "shirt" -> "#c9d0cf";
      case "trousers" -> "#87919a";
      case "shoe" -> "#59616a";
      case "hair" -> "#4b3d35";
      case "support" -> "#ddd4c2";
      case "mat" -> "#cfd8c4";
      case "towel" -> "#f4efe4";
      default -> throw new IllegalArgumentException(paint);
    };
  }

  // ---- what is on the face, and the tissue --------------------------------------------------

  private void face(StringBuilder out, int seconds) {
    for (double x : new double[] {1, -1}) {
      feature(out, seconds, 0.75, new Vec(3 * x, 7, 8.2), new Vec(3 * x, 7, 8.4));
      feature(out, seconds, 0.3, new Vec(1.9 * x, 9.2, 8.6), new Vec(4.3 * x, 9, 8));
    }
    feature(out, seconds, 0.25, new Vec(0.9, 3.2, 9.8), new Vec(-0.9, 3.2, 9.8));
    feature(out, seconds, 0.35, new Vec(1.9, 0.7, 8.2), new Vec(0, 0.1, 8.6));
    feature(out, seconds, 0.35, new Vec(-1.9, 0.7, 8.2), new Vec(0, 0.1, 8.6));
  }

  /** A stroke on the head, shrunk to nothing where it has turned away. */
  private void feature(StringBuilder out, int seconds, double radius, Vec from, Vec to) {
    List<String> paths = frames.stream().map(f -> paper.path(mark(f, from, to, radius))).toList();
    out.append("<path class=\"fig-ink\" fill=\"#1e2329\" stroke-width=\"0\" d=\"")
        .append(paths.get(0))
        .append('"');
    close(out, paths, seconds);
  }

  private List<Ball> mark(Skeleton frame, Vec from, Vec to, double radius) {
    Vec out = frame.part(Part.HEAD).turn().apply(new Vec(from.x(), 0, from.z()).unit());
    boolean seen = view.project(out, treated).z() > 0.1;
    double r = seen ? radius : 0.01;
    return List.of(
        new Ball(frame.point(Part.HEAD, from), r),
        new Ball(frame.point(Part.HEAD, seen ? to : from), r));
  }

  private void patch(StringBuilder out, int seconds) {
    if (tissue.isEmpty()) return;
    // What has no sides is marked on both, and in no side's colour.
    for (Side side : sided ? List.of(treated) : List.of(Side.LEFT, Side.RIGHT)) {
      List<String> lines =
          frames.stream()
              .map(f -> line(TissuePaths.shipped().line(f, tissue.get(), side)))
              .toList();
      if (lines.get(0).isEmpty()) return;
      String name = !sided ? "both" : side == Side.LEFT ? "left" : "right";
      String colour = !sided ? "#59616a" : side == Side.LEFT ? "#2f55a4" : "#a5590f";
      out.append(
              "<path class=\"fig-tissue-%s\" fill=\"none\" stroke=\"%s\" stroke-width=\"32\" "
                  .formatted(name, colour))
          .append("stroke-linecap=\"round\" stroke-linejoin=\"round\" opacity=\"0.8\"")
          .append(behind(tissue.get()) ? " stroke-dasharray=\"6 46\"" : "")
          .append(" d=\"")
          .append(lines.get(0))
          .append('"');
      close(out, lines, seconds);
    }
  }

  /** Whether the body hides it; it is then dotted. */
  private boolean behind(Tissue t) {
    Skeleton end = frames.get(frames.size() - 1);
    double sum = 0;
    List<Vec> line = TissuePaths.shipped().line(end, t, treated);
    for (Vec p : line) sum += view.project(p, treated).z();
    Vec middle = end.point(Part.NECK, Vec.ZERO).plus(end.point(Part.THORAX, Vec.ZERO)).times(0.5);
    return sum / line.size() < view.project(middle, treated).z() - DEEP;
  }

  /** A line from the back of the head would be drawn over the face. */
  private boolean fromBehindTheFace(Tissue t) {
    Skeleton end = frames.get(frames.size() - 1);
    List<Vec> line = TissuePaths.shipped().line(end, t, treated);
    if (line.isEmpty()) return false;
    Vec head = end.point(Part.HEAD, new Vec(0, 5, 0));
    return line.get(0).minus(head).length() < HEAD
        && view.project(line.get(0), treated).z() < view.project(head, treated).z();
  }

  /** Over one point in between it goes as a curve through it. */
  private String line(List<Vec> points) {
    if (points.isEmpty()) return "";
    List<Vec> p = points.stream().map(q -> view.project(q, treated)).toList();
    Vec last = p.get(p.size() - 1);
    if (p.size() == 3) {
      Vec pull = p.get(1).times(2).minus(p.get(0).plus(last).times(0.5));
      return "M" + at(p.get(0)) + "Q" + at(pull) + " " + at(last);
    }
    return "M" + p.stream().map(Drawing::at).collect(Collectors.joining("L"));
  }

  private static String at(Vec p) {
    return Math.round(10 * p.x()) + " " + Math.round(10 * p.y());
  }

  // ---- where it goes -------------------------------------------------------------------------

  /** The point that is moved farthest, the head counting more: beside its way the arrow stands. */
  private Optional<Arrow> arrow(Movement movement) {
    List<Pose> poses = movement.poses();
    List<Pose> way = new ArrayList<>(List.of(poses.get(0)));
    // Between two poses the way is round; more of them make a round by themselves.
    if (poses.size() == 2) way.add(poses.get(0).toward(poses.get(1), 0.5));
    way.addAll(poses.subList(1, poses.size()));
    List<Skeleton> bodies = way.stream().map(Skeleton::of).toList();
    double most = LEAST_WAY;
    Optional<Arrow> found = Optional.empty();
    for (Part p : POINTED_AT) {
      if (upperBody && (p.name().endsWith("SHANK") || p.name().endsWith("FOOT"))) continue;
      Vec local = p == Part.HEAD ? HEAD_TOP : Vec.ZERO;
      List<Vec> line = bodies.stream().map(b -> view.project(b.point(p, local), treated)).toList();
      double length = farthest(line);
      double weight = p == Part.HEAD ? HEAD_FIRST : p.name().endsWith("UPPER_ARM") ? 1.2 : 1;
      if (length < LEAST_WAY || length * weight <= most) continue;
      most = length * weight;
      Vec aside = aside(line, view.project(bodies.get(1).point(Part.THORAX, Vec.ZERO), treated));
      found = Optional.of(new Arrow(line.stream().map(q -> q.plus(aside)).toList()));
    }
    return found;
  }

  private static double farthest(List<Vec> line) {
    return line.stream()
        .mapToDouble(q -> Math.hypot(q.x() - line.get(0).x(), q.y() - line.get(0).y()))
        .max()
        .orElse(0);
  }

  private static Vec aside(List<Vec> line, Vec body) {
    Vec middle = line.get(line.size() / 2);
    Vec out = new Vec(middle.x() - body.x(), middle.y() - body.y(), 0);
    return (out.length() < 1 ? new Vec(0, -1, 0) : out.unit()).times(ASIDE);
  }

  private void arrow(StringBuilder out, Arrow a) {
    List<Vec> p = a.points();
    Vec tip = p.get(p.size() - 1);
    StringBuilder d = new StringBuilder("M").append(at(p.get(0)));
    Vec pull = p.get(0);
    if (p.size() == 3) {
      pull = p.get(1).times(2).minus(p.get(0).plus(tip).times(0.5));
      d.append('Q').append(at(pull)).append(' ').append(at(tip));
    } else {
      // Each corner draws the line toward it.
      for (int i = 1; i + 1 < p.size(); i++) {
        pull = p.get(i);
        Vec to = i + 2 == p.size() ? tip : pull.plus(p.get(i + 1)).times(0.5);
        d.append('Q').append(at(pull)).append(' ').append(at(to));
      }
    }
    Vec back = new Vec(pull.x() - tip.x(), pull.y() - tip.y(), 0);
    if (back.length() < 1e-6) back = new Vec(p.get(0).x() - tip.x(), p.get(0).y() - tip.y(), 0);
    if (back.length() < 1e-6) return;
    double wings = Math.min(WING, 1 + farthest(p) / 3);
    for (double turn : new double[] {30, -30}) {
      Vec wing = Rotation.aboutZ(turn).apply(back.unit()).times(wings);
      d.append('M').append(at(tip)).append('L').append(at(tip.plus(wing)));
    }
    p.forEach(paper::reach);
    out.append("<path class=\"fig-arrow\" fill=\"none\" stroke=\"#1e2329\" stroke-width=\"14\" ")
        .append("stroke-linecap=\"round\" stroke-linejoin=\"round\" d=\"")
        .append(d)
        .append("\"/>");
  }
}
