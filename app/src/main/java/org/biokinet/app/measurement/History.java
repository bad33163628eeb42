package org.biokinet.app.measurement;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.biokinet.app.platform.Days;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Asymmetry;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.Posture;
import org.biokinet.core.measure.Scored;
import org.biokinet.core.measure.Visit;

/**
 * Every measure as a line, every visit as a column, the oldest first.
 *
 * @param days of the visits, in words
 */
public record History(List<String> days, List<Course> lines) {

  /**
   * @param cells what was measured on each day, or empty
   * @param change from the first to the last, where its error is known; else empty
   * @param matters whether the change is beyond error
   */
  public record Course(
      String label, Optional<Side> side, List<String> cells, String change, boolean matters) {

    /** "Neck rotation, left": what it is called without its unit, which goes with a value. */
    public String name() {
      return label.substring(0, label.length() - unit().length())
          + side.map(s -> ", " + s.label()).orElse("");
    }

    /** A cell with its unit: "55°", "19 s". */
    public String with(String cell) {
      return cell + unit().replace(", °", "°").replace(", s", " s");
    }

    private String unit() {
      return UNITS.stream().filter(label::endsWith).findFirst().orElse("");
    }

    /** Whether it only compares the two sides of the lines before it. */
    public boolean ofBothSides() {
      return label.equals(DIFFERENCE);
    }
  }

  private static final String DIFFERENCE = "difference of sides";

  /** As labels end in them. */
  private static final List<String> UNITS = List.of(", °", ", s");

  public static History of(List<Visit> newestFirst) {
    List<Visit> visits = Visit.oldestFirst(newestFirst);
    List<Course> lines = new ArrayList<>(Scored.of(visits).stream().map(History::scored).toList());
    felt(lines, visits);
    for (Motion m : Motion.values()) range(lines, visits, m);
    plain(
        lines,
        visits,
        "Craniovertebral angle, °",
        Optional.empty(),
        v ->
            v.of(Measured.SidePhoto.class)
                .reduce((a, b) -> b)
                .map(p -> Posture.of(p.marks()).craniovertebral()));
    plain(
        lines,
        visits,
        "Global rating",
        Optional.empty(),
        v -> v.first(Measured.Global.class).map(g -> (double) g.value()));
    return new History(visits.stream().map(v -> Days.day(v.day())).toList(), lines);
  }

  private static void felt(List<Course> lines, List<Visit> visits) {
    for (BodyArea.Region region : BodyArea.Region.values()) {
      for (Side side : Side.values()) {
        plain(
            lines,
            visits,
            "Felt: " + region.label(),
            Optional.of(side),
            v ->
                v.map(false)
                    .flatMap(m -> m.worst(region, side))
                    .map(mark -> (double) mark.intensity()));
      }
    }
  }

  /**
   * No error of a range is known to us, so degrees stand without a verdict; asymmetry has its flag.
   */
  private static void range(List<Course> lines, List<Visit> visits, Motion m) {
    if (!m.hasSides()) {
      plain(
          lines, visits, m.label() + ", °", Optional.empty(), v -> v.degrees(m, Optional.empty()));
      return;
    }
    for (Side side : Side.values()) {
      plain(
          lines,
          visits,
          m.label() + ", °",
          Optional.of(side),
          v -> v.degrees(m, Optional.of(side)));
    }
    List<String> flags =
        visits.stream()
            .map(
                v ->
                    v.degrees(m, Optional.of(Side.LEFT))
                        .flatMap(
                            l -> v.degrees(m, Optional.of(Side.RIGHT)).map(r -> Asymmetry.of(l, r)))
                        .map(
                            a ->
                                a.flagged()
                                    ? "△ " + Math.round(a.degrees()) + "°"
                                    : Math.round(a.degrees()) + "°")
                        .orElse(""))
            .toList();
    if (flags.stream().anyMatch(f -> !f.isEmpty())) {
      lines.add(new Course(DIFFERENCE, Optional.empty(), flags, "", false));
    }
  }

  private static void plain(
      List<Course> lines,
      List<Visit> visits,
      String label,
      Optional<Side> side,
      Function<Visit, Optional<Double>> read) {
    List<Optional<Double>> values = visits.stream().map(read).toList();
    if (values.stream().allMatch(Optional::isEmpty)) return;
    lines.add(new Course(label, side, cells(values), "", false));
  }

  private static Course scored(Scored s) {
    return new Course(
        s.label(),
        Optional.empty(),
        cells(s.values()),
        s.change().map(Change::words).orElse(""),
        s.change().filter(Change::beyondError).isPresent());
  }

  private static List<String> cells(List<Optional<Double>> values) {
    return values.stream().map(v -> v.map(History::number).orElse("")).toList();
  }

  /** With one decimal place, where it has one. */
  public static String number(double d) {
    return String.format(Locale.ROOT, "%.1f", d).replaceAll("\\.0$", "");
  }
}
