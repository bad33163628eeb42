package org.biokinet.app.measurement.web;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.app.measurement.History;
import org.biokinet.app.platform.Days;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Asymmetry;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.Examination;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Posture;
import org.biokinet.core.measure.Questionnaire;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.measure.Visit;
import org.jspecify.annotations.Nullable;

/**
 * A measuring visit as the page shows it.
 *
 * @param last the day of the visit before, in words, or empty
 * @param lastExamination what stood out when it was examined before, with the day, or empty
 */
record MeasurePage(
    Visit visit,
    String last,
    List<RangeLine> quickRanges,
    List<RangeLine> moreRanges,
    List<Fan> fans,
    Upright upright,
    List<ActivityLine> activities,
    List<String> mapChanges,
    List<String> asks,
    List<PainMap.Mark> marks,
    List<PainMap.Mark> clientMarks,
    List<Scores.Scored> scores,
    Examination examination,
    String lastExamination) {

  private static final List<Motion> QUICK =
      List.of(Motion.NECK_ROTATION, Motion.NECK_LATERAL_FLEXION);

  /** As an answer of the examination stands, or empty. */
  public String examined(String key) {
    return examination.answers().getOrDefault(key, "");
  }

  /** One motion with what is typed for each side; a motion without sides has only the first. */
  record RangeLine(Motion motion, List<Cell> cells, String difference, boolean flagged) {}

  /**
   * @param side null where the motion has none
   * @param typed readings with spaces
   * @param value mean and state, in words
   */
  record Cell(@Nullable Side side, String typed, String value, String before) {

    /** As part of a field's name. */
    public String key() {
      return side == null ? "" : side.name();
    }
  }

  /** Flexion and extension on an upright scale; heights are shares of the larger norm, percent. */
  record Upright(String flexion, String extension, int down, int up, int normDown, int normUp) {}

  /**
   * @param rated as it stands, or empty
   */
  record ActivityLine(String activity, String rated, int wanted, String change) {}

  static MeasurePage of(Visit visit, List<Visit> all, List<Goal> goals) {
    List<Visit> earlier = all.stream().filter(v -> v.day().isBefore(visit.day())).toList();
    List<RangeLine> quick = QUICK.stream().map(m -> line(m, visit, all)).toList();
    List<RangeLine> more =
        Arrays.stream(Motion.values())
            .filter(m -> !QUICK.contains(m))
            .map(m -> line(m, visit, all))
            .toList();
    List<Fan> fans =
        Arrays.stream(Motion.values())
            .filter(Motion::hasSides)
            .filter(
                m ->
                    QUICK.contains(m)
                        || visit.degrees(m, Optional.of(Side.LEFT)).isPresent()
                        || visit.degrees(m, Optional.of(Side.RIGHT)).isPresent())
            .map(m -> Fan.of(m, visit, all))
            .toList();
    PainMap mine = visit.map(false).orElse(PainMap.EMPTY);
    List<String> changes =
        visit.map(false).isEmpty()
            ? List.of()
            : Visit.before(all, visit.day(), v -> v.map(false))
                .map(mine::changesSince)
                .orElse(List.of());
    return new MeasurePage(
        visit,
        earlier.stream().findFirst().map(v -> Days.day(v.day())).orElse(""),
        quick,
        more,
        fans,
        upright(visit),
        goals.stream().map(g -> activity(g, visit, all)).toList(),
        changes,
        mine.asksForSigns(),
        mine.strongest(),
        visit.map(true).orElse(PainMap.EMPTY).strongest(),
        Scores.of(visit, all),
        visit.examination(),
        earlier.stream()
            .filter(v -> v.first(Measured.Examined.class).isPresent())
            .findFirst()
            .map(MeasurePage::examined)
            .orElse(""));
  }

  private static String examined(Visit v) {
    List<String> lines = v.examination().standsOut();
    return "%s: %s"
        .formatted(
            Days.day(v.day()), lines.isEmpty() ? "nothing stood out" : String.join("; ", lines));
  }

  /** One value of today with its record. */
  public record KeptReading(String what, String value, String by, String at) {}

  /** Who measured what today, and when. */
  public List<KeptReading> records(ZoneId zone) {
    return visit.taken().stream()
        .map(
            t ->
                new KeptReading(
                    what(t.measured()),
                    shown(t.measured()),
                    t.by() + (t.corrected() ? ", corrected" : ""),
                    TIME.format(t.at().atZone(zone))))
        .toList();
  }

  private static String what(Measured m) {
    if (m instanceof Measured.Range r) {
      String side = r.sideMeasured().map(x -> " " + x.letter()).orElse("");
      return r.motion().label() + side;
    }
    if (m instanceof Measured.Activity a) return a.activity();
    if (m instanceof Measured.Form f) return f.questionnaire().label();
    return switch (m.kind()) {
      case PAIN -> "Pain 0–10";
      case MAP -> "Body map";
      case ENDURANCE -> "Neck flexor endurance";
      case GLOBAL -> "Global rating";
      case EXAMINATION -> "Examination";
      default -> "Side photograph";
    };
  }

  private static String shown(Measured m) {
    if (m instanceof Measured.Range r) return value(r);
    if (m instanceof Measured.Activity a) return a.rated() + " of 10";
    if (m instanceof Measured.Pain p) return "now " + p.now();
    if (m instanceof Measured.BodyMap b) return b.map().marks().size() + " marked";
    if (m instanceof Measured.Endurance e) return e.seconds() + " s";
    if (m instanceof Measured.Examined e) {
      List<String> lines = new Examination(e.answers()).standsOut();
      return lines.isEmpty() ? "nothing stands out" : String.join("; ", lines);
    }
    if (m instanceof Measured.Global g) return Integer.toString(g.value());
    if (m instanceof Measured.SidePhoto p) return PostureController.words(Posture.of(p.marks()));
    return "";
  }

  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

  /** The pain that is kept today, as typed: now, best or worst. */
  public String pain(String which) {
    return visit
        .first(Measured.Pain.class)
        .map(
            p ->
                switch (which) {
                  case "now" -> (Integer) p.now();
                  case "best" -> p.best();
                  default -> p.worst();
                })
        .map(Object::toString)
        .orElse("");
  }

  /** One item of a questionnaire that is kept today. */
  public String item(Questionnaire q, int i) {
    return visit.form(q).map(f -> f.items().get(i)).map(Object::toString).orElse("");
  }

  public String endurance() {
    return visit.first(Measured.Endurance.class).map(e -> "" + e.seconds()).orElse("");
  }

  public String global() {
    return visit.first(Measured.Global.class).map(g -> "" + g.value()).orElse("");
  }

  private static RangeLine line(Motion motion, Visit visit, List<Visit> all) {
    List<Cell> cells = new ArrayList<>();
    if (motion.hasSides()) {
      for (Side side : Side.values()) cells.add(cell(motion, Optional.of(side), visit, all));
    } else {
      cells.add(cell(motion, Optional.empty(), visit, all));
    }
    Optional<Asymmetry> a =
        visit
            .degrees(motion, Optional.of(Side.LEFT))
            .flatMap(
                l -> visit.degrees(motion, Optional.of(Side.RIGHT)).map(r -> Asymmetry.of(l, r)));
    return new RangeLine(
        motion, cells, a.map(Fan::words).orElse(""), a.filter(Asymmetry::flagged).isPresent());
  }

  private static Cell cell(Motion motion, Optional<Side> side, Visit visit, List<Visit> all) {
    Optional<Measured.Range> range = visit.range(motion, side);
    return new Cell(
        side.orElse(null),
        range
            .map(
                r ->
                    r.readings().degrees().stream()
                        .map(History::number)
                        .collect(Collectors.joining(" ")))
            .orElse(""),
        range.map(MeasurePage::value).orElse(""),
        Visit.before(all, visit.day(), v -> v.degrees(motion, side))
            .map(d -> "%.0f°".formatted(d))
            .orElse(""));
  }

  static String value(Measured.Range r) {
    Readings.Result result = r.readings().result();
    String how = r.source() == Measured.Source.TYPED ? "" : ", " + r.source().label();
    String strict = r.readings().protocol() == Readings.Protocol.STRICT ? ", strict" : "";
    if (result instanceof Readings.Result.Value v) {
      return "%.0f° (up to %.0f°%s%s)".formatted(v.mean(), v.largest(), strict, how);
    }
    if (result instanceof Readings.Result.Inconsistent)
      return "✕ inconsistent after %d tries".formatted(Readings.MOST_TRIES);
    return r.readings().degrees().isEmpty() ? "" : "one more reading";
  }

  private static Upright upright(Visit visit) {
    Optional<Double> flexion = visit.degrees(Motion.NECK_FLEXION, Optional.empty());
    Optional<Double> extension = visit.degrees(Motion.NECK_EXTENSION, Optional.empty());
    return new Upright(
        flexion.map(d -> "%.0f°".formatted(d)).orElse(""),
        extension.map(d -> "%.0f°".formatted(d)).orElse(""),
        share(flexion.orElse(0.0)),
        share(extension.orElse(0.0)),
        share(Motion.NECK_FLEXION.norm().orElseThrow()),
        share(Motion.NECK_EXTENSION.norm().orElseThrow()));
  }

  private static int share(double degrees) {
    return (int) Math.min(78, Math.round(degrees));
  }

  private static ActivityLine activity(Goal goal, Visit visit, List<Visit> all) {
    Optional<Integer> now = visit.activity(goal.activity());
    Optional<Integer> before =
        Visit.before(all, visit.day(), v -> v.activity(goal.activity()))
            .or(() -> Optional.of(goal.rated()));
    String change =
        now.flatMap(n -> before.map(b -> Change.of(Scale.PSFS_ONE, b, n).words())).orElse("");
    return new ActivityLine(
        goal.activity(), now.map(Object::toString).orElse(""), goal.wanted(), change);
  }

  static Scale scale(Measured.Form f) {
    return f.questionnaire().scale(f.armSymptoms());
  }
}
