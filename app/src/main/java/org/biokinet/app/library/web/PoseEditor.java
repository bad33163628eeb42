package org.biokinet.app.library.web;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.figure.body.Joint;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Movements;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.draw.Figure;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/**
 * The picture of an own exercise, as it is being posed: one slider for each angle of one pose, and
 * what becomes of it on both sides.
 *
 * @param at the pose that is being set, from 0
 * @param count how many there are
 * @param lengthens what this pose lengthens, in words
 */
public record PoseEditor(
    int at,
    int count,
    List<Region> regions,
    List<Drawn.Picture> pictures,
    List<String> lengthens,
    View view,
    List<View> views) {

  /** Where the poses are in the form and among the facts of an exercise. */
  static final String FIELD = "posed";

  private static final String AT = "pose";
  private static final String VIEW = "pose-view";

  /** Less is not felt as a stretch by anybody, in percent; our choice. */
  private static final double WORTH_SAYING = 3;

  private static final int MOST_TISSUES = 4;

  /** A part of the body, with its angles. */
  public record Region(String label, boolean open, List<Row> rows) {}

  /**
   * An angle, or one on each side.
   *
   * @param low what the least means
   * @param high what the most means
   */
  public record Row(String label, String low, String high, List<Slider> sliders) {}

  /**
   * @param fromRight whether the greatest is on the left: left is on the left of the axis
   */
  public record Slider(
      String name, Optional<Side> side, long value, long least, long most, boolean fromRight) {}

  /** What is asked of the row of poses. */
  enum Change {
    BEGIN,
    SELECT,
    ADD,
    REMOVE,
    CLEAR;

    /** Which pose is to be seen afterwards. */
    MultiValueMap<String, String> place(MultiValueMap<String, String> sent) {
      MultiValueMap<String, String> after = new LinkedMultiValueMap<>(sent);
      int at = number(sent, AT);
      switch (this) {
        case BEGIN -> after.set(AT, "99");
        case SELECT -> after.set(AT, String.valueOf(number(sent, "to")));
        case ADD -> after.set(AT, String.valueOf(at + 1));
        case REMOVE -> after.set(AT, String.valueOf(Math.max(0, at - 1)));
        case CLEAR -> after.remove(AT);
      }
      return after;
    }
  }

  /** Empty where the exercise has no poses of its own. */
  static Optional<PoseEditor> of(EntryForm form, MultiValueMap<String, String> sent) {
    String text = form.value(FIELD);
    Optional<Movement> movement = movement(form.typed().facts(), text);
    if (movement.isEmpty()) return Optional.empty();
    int count = movement.get().poses().size();
    int at = sent.containsKey(AT) ? Math.min(number(sent, AT), count - 1) : count - 1;
    return form.typed().exercise().map(e -> shown(e, movement.get(), at, sent));
  }

  private static PoseEditor shown(
      Exercise e, Movement movement, int at, MultiValueMap<String, String> sent) {
    Figure right = Figure.of(e, Side.RIGHT).orElseThrow();
    List<View> views = right.views();
    View view =
        Arrays.stream(View.values())
            .filter(v -> v.name().equals(sent.getFirst(VIEW)) && views.contains(v))
            .findFirst()
            .orElse(views.get(0));
    List<Drawn.Picture> pictures = new ArrayList<>();
    for (Side side : e.sided() ? Side.values() : new Side[] {Side.RIGHT}) {
      String still = Figure.of(e, side).orElseThrow().still(at, view, "Pose " + (at + 1));
      Optional<Side> shown = e.sided() ? Optional.of(side) : Optional.empty();
      pictures.add(new Drawn.Picture(shown, still, still, List.of()));
    }
    return new PoseEditor(
        at,
        movement.poses().size(),
        regions(movement.poses().get(at)),
        pictures,
        lengthens(e, right, at),
        view,
        views);
  }

  /** What it is for, whatever becomes of it, then what else the pose lengthens. */
  private static List<String> lengthens(Exercise e, Figure figure, int at) {
    List<Figure.Lengthened> all =
        figure.lengthened(at).stream()
            .filter(l -> !e.sided() || l.side() == Side.RIGHT)
            .filter(l -> l.side() == Side.RIGHT || e.targets().contains(l.tissue()))
            .toList();
    return Stream.concat(
            all.stream().filter(l -> e.targets().contains(l.tissue())),
            all.stream()
                .filter(l -> !e.targets().contains(l.tissue()) && l.percent() >= WORTH_SAYING)
                .limit(MOST_TISSUES))
        .map(l -> (l.side() == Side.LEFT ? "left " : "right ") + Drawn.words(l))
        .toList();
  }

  public boolean full() {
    return count == Movement.MOST_POSES;
  }

  public String name(int pose) {
    if (pose == 0) return "at rest";
    return pose == count - 1 ? "end" : "on the way " + pose;
  }

  // ---- what was sent -------------------------------------------------------------------------

  /** The poses with the angles that were sent put in. */
  static String moved(Map<String, String> facts, MultiValueMap<String, String> sent) {
    String text = Objects.requireNonNullElse(sent.getFirst(FIELD), "");
    Optional<Movement> movement = movement(facts, text);
    if (movement.isEmpty()) return text;
    int at = Math.min(number(sent, AT), movement.get().poses().size() - 1);
    Pose pose = movement.get().poses().get(at);
    for (Joint joint : Joint.values()) {
      for (Optional<Side> side : sides(joint)) {
        String value = Objects.requireNonNullElse(sent.getFirst(name(joint, side)), "");
        if (!value.matches("-?\\d{1,3}")) continue;
        double angle = Double.parseDouble(value);
        if (joint.allows(angle) && angle != Math.round(angle(pose, joint, side))) {
          pose = pose.with(joint, side, angle);
        }
      }
    }
    return movement.get().with(at, pose).text();
  }

  static EntryForm changed(EntryForm form, MultiValueMap<String, String> sent, Change change) {
    Optional<Movement> now = movement(form.typed().facts(), form.value(FIELD));
    int at = number(sent, AT);
    String text =
        switch (change) {
          case BEGIN -> begun(form.typed());
          case CLEAR -> "";
          case SELECT -> form.value(FIELD);
          case ADD ->
              now.filter(m -> m.poses().size() < Movement.MOST_POSES)
                  .map(m -> m.twice(Math.min(at, m.poses().size() - 1)).text())
                  .orElse(form.value(FIELD));
          case REMOVE ->
              now.filter(m -> m.poses().size() > 2)
                  .map(m -> m.without(Math.min(at, m.poses().size() - 1)).text())
                  .orElse(form.value(FIELD));
        };
    Map<String, String> facts = new LinkedHashMap<>(form.typed().facts());
    facts.put(FIELD, text);
    OwnExercise typed = new OwnExercise(form.code(), facts, form.typed().words());
    return new EntryForm(form.code(), form.base(), form.draft(), typed, form.problems());
  }

  /** From the picture that it has, else from standing still. */
  private static String begun(OwnExercise typed) {
    Optional<Movement> has = typed.exercise().flatMap(e -> Movements.shipped().of(e, Side.RIGHT));
    return has.filter(m -> m.poses().size() <= Movement.MOST_POSES).map(Movement::text).orElse("|");
  }

  private static Optional<Movement> movement(Map<String, String> facts, String text) {
    String position = facts.getOrDefault("positions", "").split(",", -1)[0].strip();
    if (text.isBlank()) return Optional.empty();
    try {
      return Coded.find(Position.class, position).map(p -> Movement.posed(p, text));
    } catch (CatalogueException e) {
      return Optional.empty();
    }
  }

  private static int number(MultiValueMap<String, String> sent, String key) {
    String value = Objects.requireNonNullElse(sent.getFirst(key), "");
    return value.matches("\\d{1,2}") ? Integer.parseInt(value) : 0;
  }

  // ---- the sliders ---------------------------------------------------------------------------

  private static List<Region> regions(Pose pose) {
    return List.of(
        region("Head and neck", true, pose, "NECK", "HEAD"),
        region("Trunk", false, pose, "THORAX", "LUMBAR", "PELVIS"),
        region("Shoulder blades and arms", false, pose, "GIRDLE", "BLADE", "ARM", "ELBOW"),
        region("Forearms and hands", false, pose, "FOREARM", "WRIST"),
        region("Legs", false, pose, "HIP", "KNEE", "ANKLE"));
  }

  private static Region region(String label, boolean open, Pose pose, String... parts) {
    List<Row> rows = new ArrayList<>();
    boolean set = false;
    for (Joint joint : Joint.values()) {
      if (Arrays.stream(parts).noneMatch(p -> joint.name().split("_", -1)[0].equals(p))) continue;
      rows.add(row(pose, joint));
      set |= pose.angles().keySet().stream().anyMatch(k -> k.joint() == joint);
    }
    return new Region(label, open || set, rows);
  }

  private static Row row(Pose pose, Joint joint) {
    boolean sideways = joint.name().endsWith("TILT") || joint.name().endsWith("TURN");
    List<Slider> sliders =
        sides(joint).stream()
            .map(
                side ->
                    new Slider(
                        name(joint, side),
                        side,
                        Math.round(angle(pose, joint, side)),
                        Math.round(joint.least()),
                        Math.round(joint.most()),
                        sideways || side.equals(Optional.of(Side.LEFT))))
            .toList();
    return new Row(joint.code(), joint.low(), joint.high(), sliders);
  }

  private static List<Optional<Side>> sides(Joint joint) {
    return joint.ofASide()
        ? List.of(Optional.of(Side.LEFT), Optional.of(Side.RIGHT))
        : List.of(Optional.empty());
  }

  private static double angle(Pose pose, Joint joint, Optional<Side> side) {
    return side.map(s -> pose.angle(joint, s)).orElseGet(() -> pose.angle(joint));
  }

  private static String name(Joint joint, Optional<Side> side) {
    return "angle-" + joint.code().replace(' ', '-') + side.map(s -> "-" + s.letter()).orElse("");
  }
}
