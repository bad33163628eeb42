package org.biokinet.core.measure;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;

/** All that was measured on one day, in the client's zone, as it stands. */
public record Visit(LocalDate day, List<Taken> taken) {

  /**
   * One measure with its record.
   *
   * @param by who took it; "the client" for answers through the link
   * @param corrected whether it replaced an earlier one of the same day
   */
  public record Taken(
      UUID id, Measured measured, String by, boolean byClient, Instant at, boolean corrected) {}

  public Visit {
    taken = List.copyOf(taken);
  }

  /** What was taken from a moment on. */
  public Visit since(Instant moment) {
    return new Visit(day, taken.stream().filter(t -> !t.at().isBefore(moment)).toList());
  }

  /** What one value is of. */
  private record Of(Measured.Kind kind, String part, Optional<Side> side) {
    static Of of(Measured m) {
      return new Of(m.kind(), m.part(), m.sideMeasured());
    }
  }

  /** One value of each: the practitioner's, and the client's own where there is no other. */
  public <T extends Measured> Stream<T> of(Class<T> type) {
    Map<Of, Taken> one = new LinkedHashMap<>();
    for (Taken t : taken) {
      one.merge(Of.of(t.measured()), t, (a, b) -> a.byClient() || !b.byClient() ? b : a);
    }
    return one.values().stream().map(Taken::measured).filter(type::isInstance).map(type::cast);
  }

  public <T extends Measured> Optional<T> first(Class<T> type) {
    return of(type).findFirst();
  }

  public Optional<PainMap> map(boolean byClient) {
    return taken.stream()
        .filter(t -> t.byClient() == byClient && t.measured() instanceof Measured.BodyMap)
        .map(t -> ((Measured.BodyMap) t.measured()).map())
        .findFirst();
  }

  public Optional<Measured.Range> range(Motion motion, Optional<Side> side) {
    return of(Measured.Range.class)
        .filter(r -> r.motion() == motion && r.sideMeasured().equals(side))
        .findFirst();
  }

  /** Mean degrees; empty while there is no value. */
  public Optional<Double> degrees(Motion motion, Optional<Side> side) {
    return range(motion, side).flatMap(r -> r.readings().mean());
  }

  public Optional<Measured.Form> form(Questionnaire q) {
    return of(Measured.Form.class).filter(f -> f.questionnaire() == q).findFirst();
  }

  public Optional<Integer> activity(String activity) {
    return of(Measured.Activity.class)
        .filter(a -> a.activity().equals(activity))
        .map(Measured.Activity::rated)
        .findFirst();
  }

  public Examination examination() {
    return first(Measured.Examined.class)
        .map(e -> new Examination(e.answers()))
        .orElse(Examination.NOTHING);
  }

  /** What findings are read off. */
  public Findings.Measures measures() {
    Map<Motion, Map<Side, Double>> ranges = new EnumMap<>(Motion.class);
    of(Measured.Range.class)
        .forEach(
            r ->
                r.readings()
                    .mean()
                    .ifPresent(
                        degrees -> {
                          Map<Side, Double> sides =
                              ranges.computeIfAbsent(r.motion(), m -> new EnumMap<>(Side.class));
                          sides.put(r.sideMeasured().orElse(Side.LEFT), degrees);
                          if (r.sideMeasured().isEmpty()) sides.put(Side.RIGHT, degrees);
                        }));
    OptionalInt endurance =
        of(Measured.Endurance.class).mapToInt(Measured.Endurance::seconds).findFirst();
    Optional<Posture> posture =
        of(Measured.SidePhoto.class).map(p -> Posture.of(p.marks())).reduce((a, b) -> b);
    return new Findings.Measures(
        ranges,
        map(false).or(() -> map(true)).orElse(PainMap.EMPTY),
        posture,
        endurance,
        examination());
  }

  public static List<Visit> oldestFirst(List<Visit> newestFirst) {
    List<Visit> visits = new ArrayList<>(newestFirst);
    Collections.reverse(visits);
    return visits;
  }

  /** The newest value of each measure, as if all had been taken in one visit. */
  public static Visit newest(List<Visit> newestFirst) {
    record By(Of of, boolean byClient) {}
    Map<By, Taken> newest = new LinkedHashMap<>();
    for (Visit v : newestFirst) {
      for (Taken t : v.taken) newest.putIfAbsent(new By(Of.of(t.measured()), t.byClient()), t);
    }
    LocalDate day = newestFirst.isEmpty() ? LocalDate.EPOCH : newestFirst.get(0).day();
    return new Visit(day, List.copyOf(newest.values()));
  }

  /** The last value before this one of what {@code read} finds, with its day. */
  public static <T> Optional<T> before(
      List<Visit> newestFirst, LocalDate day, Function<Visit, Optional<T>> read) {
    return newestFirst.stream()
        .filter(v -> v.day().isBefore(day))
        .map(read)
        .flatMap(Optional::stream)
        .findFirst();
  }
}
