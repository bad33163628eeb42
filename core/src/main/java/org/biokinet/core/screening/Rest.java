package org.biokinet.core.screening;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;

/**
 * What is left on a day with too much pain: breathing, and lying still on the back. Nothing of it
 * moves the neck, pulls or presses. Common practice, no source; which exercises these are is our
 * choice.
 */
public final class Rest {

  private Rest() {}

  /** Those that this client can do and nothing locks; breathing fits every position. */
  public static List<Exercise> of(
      Catalogue catalogue, Optional<Assessment> assessment, Means means) {
    return catalogue.offered().stream()
        .filter(Exercise::isRest)
        .filter(e -> means.equipment().containsAll(e.equipment()))
        .filter(
            e ->
                e.positions().stream()
                    .filter(means.positions()::contains)
                    .anyMatch(p -> !locked(assessment, e, Setting.of(p, means))))
        .toList();
  }

  private static boolean locked(Optional<Assessment> assessment, Exercise e, Setting at) {
    return assessment.filter(a -> a.of(e, at).locked()).isPresent();
  }
}
