package org.biokinet.core.figure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;

/**
 * Draws a body as SVG. Every shape has the same corners in every frame, so that one can turn into
 * the other. Colours are attributes, for print, and classes, for a page's own scheme. A unit is a
 * millimetre of the body.
 */
public final class Drawing {

  private static final double LINE = 7;
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
  private final Base base;
  private final Optional<Tissue> tissue;
  private final boolean sided;
  private final boolean upperBody;
  private long left = Long.MAX_VALUE;
  private long top = Long.MAX_VALUE;
  private long right = Long.MIN_VALUE;
  private long bottom = Long.MIN_VALUE;

  /** Where the movement that matters goes from and to; empty where nothing goes far. */
  private final Optional<Arrow> arrow;

  /** On paper, in centimetres: from, over and to. */
  private record Arrow(Vec from, Vec over, Vec to) {}

  private record Layer(Outline.Group group, double depth) {}

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
    this.base = poses.get(0).base();
    this.tissue = tissue;
    this.upperBody = upperBody;
    this.arrow = arrow(movement);
  }

  /**
   * The end of a movement.
   *
   * @param treated the side whose colour the tissue has, and that a side view shows
   * @param sided whether there is a treated side at all
   * @param tissue what to point out; nothing when it has no line
   * @param upperBody whether the legs are left out
   * @param title for those who hear the page
   */
  public static String still(
      Movement movement,
      Side treated,
      boolean sided,
      View view,
      Optional<Tissue> tissue,
      boolean upperBody,
      String title) {
    return new Drawing(List.of(movement.end()), movement, treated, sided, view, tissue, upperBody)
        .svg(title, 0);
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
      String title,
      int seconds) {
    return new Drawing(movement.poses(), movement, treated, sided, view, tissue, upperBody)
        .svg(title, seconds);
  }

  private String svg(String title, int seconds) {
    StringBuilder body = new StringBuilder();
    List<Layer> layers = layers();
    boolean faces = facing(frames.get(frames.size() - 1)) > FRONT_FACING;
    boolean underFace = faces && tissue.filter(this::fromBehindTheFace).isPresent();
    for (Layer layer : layers) {
      if (underFace && layer.group().name().equals("head")) patch(body, seconds);
      group(body, layer.group(), seconds, faces);
    }
    if (!underFace) patch(body, seconds);
    arrow.ifPresent(a -> arrow(body, a));
    String support = support();
    if (upperBody) bottom = Math.min(bottom, Math.round(10 * hipLine()));
    long width = right - left + 2 * MARGIN;
    long height = bottom - top + (upperBody ? MARGIN : 2 * MARGIN);
    return """
        <svg class="figure" xmlns="http://www.w3.org/2000/svg" viewBox="%d %d %d %d" \
        width="%d" height="%d" role="img" aria-label="%s">%s%s</svg>"""
        .formatted(
            left - MARGIN,
            top - MARGIN,
            width,
            height,
            width / SMALL,
            height / SMALL,
            escaped(title),
            support,
            body);
  }

  private double hipLine() {
    return view.project(frames.get(0).point(Part.PELVIS, new Vec(0, 4, 0)), treated).y();
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("\"", "&quot;").replace("<", "&lt;");
  }

  /** Farthest first, by where they are on the whole. */
  private List<Layer> layers() {
    List<Layer> layers = new ArrayList<>();
    for (Outline.Group g : Outline.body()) {
      if (upperBody && (g.name().endsWith("leg") || g.name().endsWith("foot"))) continue;
      layers.add(new Layer(g, depth(g)));
    }
    layers.sort(Comparator.comparingDouble(Layer::depth));
    return layers;
  }

  private double depth(Outline.Group group) {
    double sum = 0;
    int count = 0;
    for (Skeleton frame : frames) {
      for (Outline.Shape shape : group.shapes()) {
        for (Outline.Ball ball : shape.balls()) {
          sum += view.project(frame.point(ball.part(), ball.local()), treated).z();
          count++;
        }
      }
    }
    double mean = sum / count;
    return switch (group.name()) {
      // The neck goes into the collar, hair and ears lie on the head.
      case "neck" -> mean - 3;
      case "hair top" -> mean + 2;
      default -> mean;
    };
  }

  /** How far the face looks at the viewer, from −1 to 1. */
  private double facing(Skeleton frame) {
    Skeleton.Placed head = frame.part(Part.HEAD);
    Vec ahead = head.turn().apply(new Vec(0, 0, 1));
    return view.project(ahead, treated).z();
  }

  private void group(StringBuilder out, Outline.Group group, int seconds, boolean faces) {
    List<String> paths =
        frames.stream()
            .map(f -> group.shapes().stream().map(s -> path(f, s)).collect(Collectors.joining()))
            .toList();
    out.append(
            "<path class=\"fig-%s\" fill=\"%s\" stroke=\"#1e2329\" stroke-width=\"%s\" "
                .formatted(group.paint(), colour(group.paint()), number(LINE)))
        .append("stroke-linejoin=\"round\" paint-order=\"stroke\" d=\"")
        .append(paths.get(0))
        .append('"');
    close(out, paths, seconds);
    if (group.name().equals("head") && faces) face(out, seconds);
  }

  private static void close(StringBuilder out, List<String> values, int seconds) {
    if (seconds == 0 || values.stream().distinct().count() == 1) {
      out.append("/>");
      return;
    }
    List<String> round = new ArrayList<>(values);
    round.add(values.get(0));
    out.append("><animate attributeName=\"d\" repeatCount=\"indefinite\" dur=\"")
        .append(seconds)
        .append("s\"");
    if (values.size() == 2) {
      // Quickly there, long at the end, quickly back.
      out.append(" calcMode=\"spline\" keyTimes=\"0;.5;1\" keySplines=\".2 .8 .3 1;.7 0 .8 .2\"");
    }
    out.append(" values=\"").append(String.join(";", round)).append("\"/></path>");
  }

  private static String colour(String paint) {
    return switch (paint) {
      case "skin" -> "#e3c09b";
      case "shirt" -> "#c9d0cf";
      case "trousers" -> "#87919a";
      case "shoe" -> "#59616a";
      case "hair" -> "#4b3d35";
      default -> throw new IllegalArgumentException(paint);
    };
  }

  private String path(Skeleton frame, Outline.Shape shape) {
    List<Vec> centres = new ArrayList<>();
    for (Outline.Ball b : shape.balls()) {
      centres.add(view.project(frame.point(b.part(), b.local()), treated));
    }
    StringBuilder d = new StringBuilder();
    long lastX = 0;
    long lastY = 0;
    int corners = shape.corners(frames.size());
    for (int k = 0; k < corners; k++) {
      double angle = 2 * Math.PI * k / corners;
      double ux = Math.cos(angle);
      double uy = Math.sin(angle);
      double most = -Double.MAX_VALUE;
      double px = 0;
      double py = 0;
      for (int i = 0; i < centres.size(); i++) {
        Vec c = centres.get(i);
        double r = shape.balls().get(i).radius();
        double support = c.x() * ux + c.y() * uy + r;
        if (support > most) {
          most = support;
          px = c.x() + r * ux;
          py = c.y() + r * uy;
        }
      }
      long x = Math.round(10 * px);
      long y = Math.round(10 * py);
      left = Math.min(left, x);
      right = Math.max(right, x);
      top = Math.min(top, y);
      bottom = Math.max(bottom, y);
      if (k == 0) {
        d.append('M').append(x).append(' ').append(y).append('l');
      } else {
        d.append(k == 1 ? "" : " ").append(x - lastX).append(' ').append(y - lastY);
      }
      lastX = x;
      lastY = y;
    }
    return d.append('z').toString();
  }

  // ---- what is on the face, and the tissue --------------------------------------------------

  private void face(StringBuilder out, int seconds) {
    for (double x : new double[] {3, -3}) {
      List<String> eyes =
          frames.stream().map(f -> mark(f, new Vec(x, 7, 8.2), new Vec(x, 7, 8.4), 0.7)).toList();
      out.append("<path class=\"fig-ink\" fill=\"#1e2329\" d=\"").append(eyes.get(0)).append('"');
      close(out, eyes, seconds);
    }
    List<String> mouth =
        frames.stream()
            .map(f -> mark(f, new Vec(1.7, 0.6, 8.4), new Vec(-1.7, 0.6, 8.4), 0.35))
            .toList();
    out.append("<path class=\"fig-ink\" fill=\"#1e2329\" d=\"").append(mouth.get(0)).append('"');
    close(out, mouth, seconds);
  }

  /** A mark on the head, shrunk to nothing where it has turned away. */
  private String mark(Skeleton frame, Vec from, Vec to, double radius) {
    Vec out = frame.part(Part.HEAD).turn().apply(new Vec(from.x(), 0, from.z()).unit());
    double r = view.project(out, treated).z() > 0.1 ? radius : 0.01;
    return path(
        frame,
        new Outline.Shape(
            List.of(
                new Outline.Ball(Part.HEAD, from, r),
                new Outline.Ball(Part.HEAD, r == radius ? to : from, r))));
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
    Pose rest = movement.rest();
    Pose first = movement.poses().get(1);
    Skeleton from = Skeleton.of(rest);
    Skeleton over = Skeleton.of(rest.toward(first, 0.5));
    Skeleton to = Skeleton.of(first);
    double most = LEAST_WAY;
    Optional<Arrow> found = Optional.empty();
    for (Part p : Views.WATCHED) {
      if (upperBody && (p.name().endsWith("SHANK") || p.name().endsWith("FOOT"))) continue;
      Vec local = p == Part.HEAD ? HEAD_TOP : Vec.ZERO;
      Vec a = view.project(from.point(p, local), treated);
      Vec b = view.project(over.point(p, local), treated);
      Vec c = view.project(to.point(p, local), treated);
      double way = Math.hypot(c.x() - a.x(), c.y() - a.y());
      double weight = p == Part.HEAD ? HEAD_FIRST : 1;
      if (way < LEAST_WAY || way * weight <= most) continue;
      most = way * weight;
      Vec middle = view.project(over.point(Part.THORAX, Vec.ZERO), treated);
      Vec out = new Vec(b.x() - middle.x(), b.y() - middle.y(), 0);
      if (out.length() < 1) out = new Vec(0, -1, 0);
      Vec aside = out.unit().times(ASIDE);
      found = Optional.of(new Arrow(a.plus(aside), b.plus(aside), c.plus(aside)));
    }
    return found;
  }

  private void arrow(StringBuilder out, Arrow a) {
    Vec pull = a.over().times(2).minus(a.from().plus(a.to()).times(0.5));
    Vec back = new Vec(pull.x() - a.to().x(), pull.y() - a.to().y(), 0);
    if (back.length() < 1e-6)
      back = new Vec(a.from().x() - a.to().x(), a.from().y() - a.to().y(), 0);
    StringBuilder d = new StringBuilder("M").append(at(a.from()));
    d.append('Q').append(at(pull)).append(' ').append(at(a.to()));
    for (double turn : new double[] {30, -30}) {
      Vec wing = Rotation.aboutZ(turn).apply(back.unit()).times(WING);
      d.append('M').append(at(a.to())).append('L').append(at(a.to().plus(wing)));
    }
    for (Vec p : List.of(a.from(), a.over(), a.to())) {
      left = Math.min(left, Math.round(10 * p.x()));
      right = Math.max(right, Math.round(10 * p.x()));
      top = Math.min(top, Math.round(10 * p.y()));
      bottom = Math.max(bottom, Math.round(10 * p.y()));
    }
    out.append("<path class=\"fig-arrow\" fill=\"none\" stroke=\"#1e2329\" stroke-width=\"14\" ")
        .append("stroke-linecap=\"round\" stroke-linejoin=\"round\" d=\"")
        .append(d)
        .append("\"/>");
  }

  // ---- what it rests on ---------------------------------------------------------------------

  /** A chair under the seat, or the ground under everything. */
  private String support() {
    if (upperBody && base != Base.CHAIR) return "";
    StringBuilder out = new StringBuilder();
    if (base == Base.CHAIR) {
      Skeleton f = frames.get(0);
      double seat = f.part(Part.PELVIS).origin().y() - 10;
      double floor = Skeleton.HIP - Skeleton.SHANK - Skeleton.ANKLE;
      box(out, -20, 20, seat - 4, seat, -20, 22);
      box(out, -19, 19, seat + 14, seat + 40, -25, -22);
      for (double x : new double[] {-18, 18}) {
        box(out, x - 1.5, x + 1.5, floor, seat - 4, -21, -18);
        if (!upperBody) box(out, x - 1.5, x + 1.5, floor, seat - 4, 17, 20);
      }
    }
    if (!upperBody) {
      out.append(
          "<path class=\"fig-ground\" stroke=\"#b9b0a0\" stroke-width=\"7\" fill=\"none\" d=\"M%d %dH%d\"/>"
              .formatted(left - MARGIN, bottom + 4, right + MARGIN));
    }
    return out.toString();
  }

  private void box(
      StringBuilder out, double x0, double x1, double y0, double y1, double z0, double z1) {
    List<Vec> corners = new ArrayList<>();
    for (double x : new double[] {x0, x1}) {
      for (double y : new double[] {y0, y1}) {
        for (double z : new double[] {z0, z1}) corners.add(view.project(new Vec(x, y, z), treated));
      }
    }
    double l = corners.stream().mapToDouble(Vec::x).min().orElse(0);
    double r = corners.stream().mapToDouble(Vec::x).max().orElse(0);
    double t = corners.stream().mapToDouble(Vec::y).min().orElse(0);
    double b = corners.stream().mapToDouble(Vec::y).max().orElse(0);
    out.append(
        "<rect class=\"fig-support\" fill=\"#ddd4c2\" x=\"%d\" y=\"%d\" width=\"%d\" height=\"%d\" rx=\"12\"/>"
            .formatted(
                Math.round(10 * l),
                Math.round(10 * t),
                Math.round(10 * (r - l)),
                Math.round(10 * (b - t))));
    if (!upperBody) bottom = Math.max(bottom, Math.round(10 * b));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.0f", value);
  }
}
