package org.biokinet.core.figure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Stanza;

/**
 * What an exercise looks like: the poses that it goes through.
 *
 * @param poses from rest on, at least two, all on the same base
 * @param view from where it has to be seen; empty where {@link Views#best} may choose
 */
public record Movement(List<Pose> poses, Optional<View> view) {

  public Movement {
    poses = List.copyOf(poses);
    if (poses.size() < 2) throw new IllegalArgumentException("nothing moves");
  }

  public Pose rest() {
    return poses.get(0);
  }

  /** Where a stretch is held. */
  public Pose end() {
    return poses.get(poses.size() - 1);
  }

  /** The same angles on another base. */
  Movement on(Base base) {
    return new Movement(poses.stream().map(p -> new Pose(base, p.angles())).toList(), view);
  }

  public Movement mirrored() {
    return new Movement(poses.stream().map(Pose::mirrored).toList(), view);
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
    return new Movement(poses, view);
  }
}
