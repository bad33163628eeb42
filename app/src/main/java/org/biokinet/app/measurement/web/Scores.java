package org.biokinet.app.measurement.web;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.biokinet.app.measurement.History;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.GlobalRating;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Posture;
import org.biokinet.core.measure.Psfs;
import org.biokinet.core.measure.Questionnaire;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.measure.Visit;

/** What a visit scores, each beside its change since the first value of the episode. */
final class Scores {

  /**
   * One score.
   *
   * @param change in words; empty where there is nothing to compare with
   */
  record Scored(String label, String value, String change, String source) {}

  private final Visit visit;
  private final List<Visit> newestFirst;

  private Scores(Visit visit, List<Visit> newestFirst) {
    this.visit = visit;
    this.newestFirst = newestFirst;
  }

  static List<Scored> of(Visit visit, List<Visit> newestFirst) {
    return new Scores(visit, newestFirst).all();
  }

  private List<Scored> all() {
    Stream<Optional<Scored>> forms = Arrays.stream(Questionnaire.values()).map(this::form);
    Stream<Optional<Scored>> rest =
        Stream.of(activities(), endurance(), globalRating(), sidePhotograph());
    return Stream.concat(Stream.concat(Stream.of(pain()), forms), rest)
        .flatMap(Optional::stream)
        .toList();
  }

  private Optional<Scored> pain() {
    return visit
        .first(Measured.Pain.class)
        .map(
            p -> {
              Optional<Integer> worst = Optional.ofNullable(p.worst());
              String value =
                  "now %d".formatted(p.now())
                      + Optional.ofNullable(p.best()).map(b -> ", best " + b).orElse("")
                      + worst.map(w -> ", worst " + w).orElse("");
              String change = worst.map(w -> change(Scale.NPRS, w, Scores::worst)).orElse("");
              return new Scored("Pain 0–10", value, change, Scale.NPRS.source());
            });
  }

  private static Optional<Double> worst(Visit v) {
    return v.first(Measured.Pain.class)
        .map(Measured.Pain::worst)
        .filter(Objects::nonNull)
        .map(Integer::doubleValue);
  }

  private Optional<Scored> form(Questionnaire q) {
    return visit
        .form(q)
        .map(
            f -> {
              Scale scale = MeasurePage.scale(f);
              OptionalDouble score = q.score(f.items());
              if (score.isEmpty()) {
                return new Scored(q.label(), "too many left out, no score", "", scale.source());
              }
              double is = score.getAsDouble();
              return new Scored(
                  q.label(),
                  History.number(is) + " " + q.outOf(is),
                  change(scale, is, v -> v.form(q).flatMap(x -> boxed(q.score(x.items())))),
                  scale.source());
            });
  }

  private Optional<Scored> activities() {
    return activities(visit)
        .map(
            mean ->
                new Scored(
                    Scale.PSFS.label(),
                    History.number(mean),
                    change(Scale.PSFS, mean, Scores::activities),
                    Scale.PSFS.source()));
  }

  private static Optional<Double> activities(Visit v) {
    return boxed(Psfs.mean(v.of(Measured.Activity.class).map(Measured.Activity::rated).toList()));
  }

  private Optional<Scored> endurance() {
    return visit
        .first(Measured.Endurance.class)
        .map(
            e ->
                new Scored(
                    Scale.ENDURANCE.label(),
                    e.seconds() + " s",
                    change(
                        Scale.ENDURANCE,
                        e.seconds(),
                        v -> v.first(Measured.Endurance.class).map(x -> (double) x.seconds())),
                    Scale.ENDURANCE.source()));
  }

  private Optional<Scored> globalRating() {
    return visit
        .first(Measured.Global.class)
        .map(
            g ->
                new Scored(
                    "Global rating of change",
                    "%+d, %s".formatted(g.value(), new GlobalRating(g.value()).words()),
                    "",
                    "Jaeschke and others 1989, recalled from memory"));
  }

  private Optional<Scored> sidePhotograph() {
    return visit
        .of(Measured.SidePhoto.class)
        .reduce((a, b) -> b)
        .map(p -> Posture.of(p.marks()))
        .map(
            p ->
                new Scored(
                    "Craniovertebral angle",
                    String.format(Locale.ROOT, "%.1f°", p.craniovertebral())
                        + (p.forwardHead() ? ", forward head" : ""),
                    "",
                    "Yip and others 2008, recalled from memory; under 50 common practice"));
  }

  /** Since the first value of the episode's visits; empty where this is the first. */
  private String change(Scale scale, double now, Function<Visit, Optional<Double>> read) {
    return newestFirst.stream()
        .filter(v -> v.day().isBefore(visit.day()))
        .map(read)
        .flatMap(Optional::stream)
        .reduce((a, b) -> b)
        .map(first -> Change.of(scale, first, now).words())
        .orElse("");
  }

  private static Optional<Double> boxed(OptionalDouble value) {
    return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
  }
}
