package org.biokinet.core.measure;

import static java.util.stream.Collectors.toSet;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;

/**
 * A measure whose error is known, over visits.
 *
 * @param values one for each visit, the oldest first; empty where it was not taken
 */
public record Scored(String label, Scale scale, List<Optional<Double>> values) {

  public Scored {
    values = List.copyOf(values);
  }

  /**
   * All that were taken at least once.
   *
   * @param visits the oldest first
   */
  public static List<Scored> of(List<Visit> visits) {
    List<Scored> all = new ArrayList<>();
    add(
        all,
        visits,
        "Pain now",
        Scale.NPRS,
        v -> v.first(Measured.Pain.class).map(p -> (double) p.now()));
    add(
        all,
        visits,
        "Pain, worst in 24 h",
        Scale.NPRS,
        v ->
            v.first(Measured.Pain.class)
                .map(Measured.Pain::worst)
                .filter(Objects::nonNull)
                .map(Integer::doubleValue));
    Set<String> activities = new LinkedHashSet<>();
    visits.forEach(v -> activities.addAll(rated(v)));
    for (String a : activities) {
      add(all, visits, a, Scale.PSFS_ONE, v -> v.activity(a).map(Integer::doubleValue));
    }
    Set<String> always = new LinkedHashSet<>(activities);
    visits.stream().map(Scored::rated).filter(r -> !r.isEmpty()).forEach(always::retainAll);
    add(all, visits, "Mean of activities", Scale.PSFS, v -> mean(v, always));
    for (Questionnaire q : Questionnaire.values()) {
      // With symptoms in an arm at any time the larger error holds for the whole course.
      boolean arm =
          visits.stream().flatMap(v -> v.form(q).stream()).anyMatch(Measured.Form::armSymptoms);
      add(all, visits, q.label(), q.scale(arm), v -> v.form(q).flatMap(f -> score(q, f)));
    }
    add(
        all,
        visits,
        "Neck flexor endurance, s",
        Scale.ENDURANCE,
        v -> v.first(Measured.Endurance.class).map(e -> (double) e.seconds()));
    return all;
  }

  private static Set<String> rated(Visit v) {
    return v.of(Measured.Activity.class).map(Measured.Activity::activity).collect(toSet());
  }

  /** Of the same activities at every visit: other ones would make another mean. */
  private static Optional<Double> mean(Visit v, Set<String> activities) {
    OptionalDouble mean =
        Psfs.mean(activities.stream().flatMap(a -> v.activity(a).stream()).toList());
    return mean.isPresent() ? Optional.of(mean.getAsDouble()) : Optional.empty();
  }

  private static Optional<Double> score(Questionnaire q, Measured.Form form) {
    OptionalDouble score = q.score(form.items());
    return score.isPresent() ? Optional.of(score.getAsDouble()) : Optional.empty();
  }

  private static void add(
      List<Scored> all,
      List<Visit> visits,
      String label,
      Scale scale,
      Function<Visit, Optional<Double>> read) {
    List<Optional<Double>> values = visits.stream().map(read).toList();
    if (values.stream().anyMatch(Optional::isPresent)) all.add(new Scored(label, scale, values));
  }

  private List<Double> known() {
    return values.stream().flatMap(Optional::stream).toList();
  }

  /** The newest value. */
  public double now() {
    return known().get(known().size() - 1);
  }

  /** From the first to the newest; empty while it was taken once. */
  public Optional<Change> change() {
    List<Double> known = known();
    return known.size() < 2 ? Optional.empty() : Optional.of(Change.of(scale, known.get(0), now()));
  }

  /** Whether it is better by more than the measure errs. */
  public boolean better() {
    return change().filter(c -> c.better() && c.beyondError()).isPresent();
  }

  /** Whether it is better by what matters to people; never where that is not known. */
  public boolean muchBetter() {
    return change().filter(c -> c.better() && c.size() == Change.Size.IMPORTANT).isPresent();
  }
}
