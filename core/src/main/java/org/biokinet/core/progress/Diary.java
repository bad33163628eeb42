package org.biokinet.core.progress;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.measure.Scored;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;

/**
 * All that a review of the main program is decided on. In what order things came in, and whether
 * twice, makes no difference.
 *
 * @param now when it is decided
 * @param zone in which the client's days are days
 * @param thresholds of the practice
 * @param allowed what the screening leaves open; empty while nobody has been screened, or the gate
 *     is closed
 * @param painful regions in which it hurts; empty where that is not known, and then all count
 * @param versions that were shared in this episode, the oldest first, the last in force; at least
 *     one
 * @param sessions of this episode, of all programs
 * @param keptUp since when it is finished and only kept up; empty where it is not
 * @param before items of the program that went before, where a day is limited
 * @param beside what the client does as well
 */
public record Diary(
    Instant now,
    ZoneId zone,
    Policy policy,
    Pace pace,
    Thresholds thresholds,
    Optional<Allowed> allowed,
    Set<Tissue.Region> painful,
    List<Version> versions,
    List<Session> sessions,
    List<MorningTold> mornings,
    List<Refused> refused,
    List<Sign> signs,
    List<Pause> pauses,
    List<Flare> flares,
    List<Decided> decided,
    Set<Part> asymmetric,
    Measures measures,
    Optional<Instant> keptUp,
    List<Item> before,
    List<Item> beside) {

  /** A version of the main program, as it was shared. */
  public record Version(int number, Instant sharedAt, Program program) {}

  /** Pain, 0–10, with which no session was begun. */
  public record Refused(Instant at, int pain) {}

  /** What was told of a morning, and when. */
  public record MorningTold(Instant at, Morning morning) {}

  /**
   * Something that is no matter of dose.
   *
   * @param examined whether somebody has looked at it since and written down what was found
   */
  public record Sign(Instant at, Kind kind, boolean examined) {

    public enum Kind {
      STOP_RULE("a stop rule"),
      EMERGENCY("an emergency sign"),
      RED_FLAG("a red flag"),
      SPREADING("symptoms spread further down the arm"),
      TINGLING("new or worse tingling or numbness"),
      NIGHT_PAIN("constant night pain"),
      /** No reason to stop: it makes the day amber. */
      HEADACHE("a new ordinary headache");

      private final String words;

      Kind(String words) {
        this.words = words;
      }

      public String words() {
        return words;
      }

      boolean stops() {
        return this != HEADACHE;
      }
    }
  }

  /**
   * What was decided about a part before, and was applied.
   *
   * @param atTarget whether its target was reached then
   */
  public record Decided(Instant at, Part part, Outcome outcome, boolean atTarget) {}

  /**
   * What was measured in this episode.
   *
   * @param goalsMet whether all activities of the client's own are as good as was wanted
   * @param ndiBetter whether the neck index is better by what is important
   * @param ndi its newest raw score, 0–50
   * @param beyondError whether any measure is better beyond its error
   */
  public record Measures(
      boolean goalsMet, boolean ndiBetter, OptionalInt ndi, boolean beyondError) {

    public static final Measures NONE = new Measures(false, false, OptionalInt.empty(), false);

    /**
     * @param visits of the episode, the newest first
     * @param goals none is one that is met
     */
    public static Measures of(List<Visit> visits, List<Goal> goals) {
      List<Scored> scored = Scored.of(Visit.oldestFirst(visits));
      List<Scored> ndi =
          scored.stream()
              .filter(s -> s.scale() == Scale.NDI || s.scale() == Scale.NDI_ARM)
              .toList();
      return new Measures(
          goals.stream().allMatch(g -> g.met(visits)),
          ndi.stream().anyMatch(Scored::muchBetter),
          ndi.stream().mapToInt(s -> (int) s.now()).findFirst(),
          scored.stream().anyMatch(Scored::better));
    }
  }

  public Diary {
    if (versions.isEmpty()) throw new IllegalArgumentException("nothing has been shared");
    painful = Set.copyOf(painful);
    versions = List.copyOf(versions);
    sessions =
        sessions.stream()
            .distinct()
            .filter(s -> !s.startedAt().isAfter(now))
            .sorted(Comparator.comparing(Session::startedAt))
            .toList();
    mornings =
        mornings.stream()
            .distinct()
            .filter(m -> !m.at().isAfter(now))
            .sorted(Comparator.comparing(MorningTold::at))
            .toList();
    refused = refused.stream().distinct().filter(r -> !r.at().isAfter(now)).toList();
    signs = List.copyOf(signs);
    pauses = List.copyOf(pauses);
    flares = List.copyOf(flares);
    decided = List.copyOf(decided);
    asymmetric = Set.copyOf(asymmetric);
    before = List.copyOf(before);
    beside = List.copyOf(beside);
  }

  /**
   * The parts of a program that serve a side that falls short of the other; these are not
   * maintained before the sides are alike.
   *
   * @param findings in force
   */
  public static Set<Part> asymmetric(Program program, Collection<Finding> findings) {
    List<Finding.Target> targets =
        findings.stream()
            .filter(f -> f.kind() == Finding.Kind.ONE_SIDED)
            .flatMap(f -> f.treat().stream())
            .toList();
    Set<Part> parts = new HashSet<>();
    for (int place = 0; place < program.items().size(); place++) {
      Exercise e = program.items().get(place).exercise();
      if (targets.stream().noneMatch(t -> serves(e, t))) continue;
      for (Side side : Side.values()) parts.add(Part.of(program, place, Optional.of(side)));
    }
    return parts;
  }

  private static boolean serves(Exercise e, Finding.Target target) {
    if (target instanceof Finding.Target.OfTissue t) return e.targets().contains(t.tissue());
    return e.motion().equals(Optional.of(((Finding.Target.OfMotion) target).motion()));
  }

  /** The one in force. */
  public Version version() {
    return versions.get(versions.size() - 1);
  }

  public LocalDate today() {
    return LocalDate.ofInstant(now, zone);
  }

  /** Whether the client is away or ill on a day, or not back yet: nothing is planned then. */
  public boolean paused(LocalDate day) {
    return pauses.stream().anyMatch(p -> p.holds(day) || p.waits(day));
  }
}
