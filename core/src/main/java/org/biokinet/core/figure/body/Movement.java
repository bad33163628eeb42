package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Stanza;

/**
 * What an exercise looks like: the poses that it goes through.
 *
 * @param poses from rest on, at least two, all on the same base
 * @param props what is drawn with the body
 * @param view from where it has to be seen; empty where {@link Views#best} may choose
 */
public record Movement(List<Pose> poses, List<Prop> props, Optional<View> view) {

  public Movement {
    poses = List.copyOf(poses);
    props = List.copyOf(props);
    if (poses.size() < 2) throw new IllegalArgumentException("nothing moves");
  }

  public Pose rest() {
    return poses.get(0);
  }

  /** Where a stretch is held. */
  public Pose end() {
    return poses.get(poses.size() - 1);
  }

  /** Poses that a practice has set are written in one line, one after the other. */
  private static final String NEXT = "|";

  /** How many poses a practice may set. */
  public static final int MOST_POSES = 5;

  /**
   * A movement as a practice has posed it, for the right treated side.
   *
   * @param text as {@link #text} writes it
   * @throws CatalogueException when it is not understood
   */
  public static Movement posed(Position position, String text) {
    Base base = Base.of(position);
    List<Pose> poses = new ArrayList<>();
    try {
      for (String pose : text.split(Pattern.quote(NEXT), -1)) {
        poses.add(PoseText.read(pose, Pose.resting(base)));
      }
      if (poses.size() > MOST_POSES) {
        throw new CatalogueException("at most %d poses".formatted(MOST_POSES));
      }
      return new Movement(poses, with(base, List.of()), Optional.empty());
    } catch (IllegalArgumentException e) {
      throw new CatalogueException(String.valueOf(e.getMessage()));
    }
  }

  /** Its poses in one line; what it rests on is not part of it. */
  public String text() {
    return poses.stream().map(PoseText::write).collect(Collectors.joining(" " + NEXT + " "));
  }

  /** With one pose changed. */
  public Movement with(int at, Pose pose) {
    List<Pose> changed = new ArrayList<>(poses);
    changed.set(at, pose);
    return new Movement(changed, props, view);
  }

  /** With the same pose once more behind this one. */
  public Movement twice(int at) {
    List<Pose> longer = new ArrayList<>(poses);
    longer.add(at + 1, poses.get(at));
    return new Movement(longer, props, view);
  }

  /** Without a pose; two are the least. */
  public Movement without(int at) {
    List<Pose> shorter = new ArrayList<>(poses);
    shorter.remove(at);
    return new Movement(shorter, props, view);
  }

  /** The same angles on another base. */
  Movement on(Base base) {
    List<Prop> others =
        props.stream().filter(p -> !Prop.under(rest().base()).equals(Optional.of(p))).toList();
    return new Movement(
        poses.stream().map(p -> new Pose(base, p.angles())).toList(), with(base, others), view);
  }

  public Movement mirrored() {
    return new Movement(poses.stream().map(Pose::mirrored).toList(), props, view);
  }

  private static List<Prop> with(Base base, List<Prop> others) {
    return Stream.concat(Prop.under(base).stream(), others.stream()).toList();
  }

  /**
   * @throws CatalogueException when a line is not understood
   */
  static Movement read(Stanza stanza) {
    Base base =
        Coded.find(Base.class, stanza.required("base"))
            .orElseThrow(() -> new CatalogueException(stanza.id() + " has no known base"));
    String rest = stanza.optional("rest").orElse("");
    List<Pose> poses = new ArrayList<>();
    try {
      poses.add(PoseText.read(rest, Pose.resting(base)));
      for (int i = 1; stanza.optional(Integer.toString(i)).isPresent(); i++) {
        String frame = stanza.required(Integer.toString(i));
        poses.add(PoseText.read(rest + "," + frame, Pose.resting(base)));
      }
    } catch (IllegalArgumentException e) {
      throw new CatalogueException("%s: %s".formatted(stanza.id(), e.getMessage()));
    }
    Optional<View> view =
        stanza
            .optional("view")
            .map(
                code ->
                    Arrays.stream(View.values())
                        .filter(v -> v.code().equals(code))
                        .findFirst()
                        .orElseThrow(
                            () -> new CatalogueException(stanza.id() + ": no view " + code)));
    List<Prop> props = stanza.list("with").stream().map(code -> prop(stanza, code)).toList();
    return new Movement(poses, with(base, props), view);
  }

  private static Prop prop(Stanza stanza, String code) {
    return Coded.find(Prop.class, code)
        .orElseThrow(() -> new CatalogueException(stanza.id() + ": no " + code + " to rest on"));
  }
}
