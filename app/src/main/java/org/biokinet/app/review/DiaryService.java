package org.biokinet.app.review;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.internal.ReviewRow;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Policy;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Gate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together what a review of a client is decided on. */
@Service
public class DiaryService {

  /** Further back nothing is asked about; our choice. */
  private static final Duration BACK = Duration.ofDays(70);

  private final VersionService versions;
  private final SessionService sessions;
  private final FollowUpService followUps;
  private final ScreeningService screenings;
  private final PauseService pauses;
  private final FlareService flares;
  private final Clock clock;

  DiaryService(
      VersionService versions,
      SessionService sessions,
      FollowUpService followUps,
      ScreeningService screenings,
      PauseService pauses,
      FlareService flares,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.followUps = followUps;
    this.screenings = screenings;
    this.pauses = pauses;
    this.flares = flares;
    this.clock = clock;
  }

  /** A diary, and the version that is in force with the names of its items. */
  public record Kept(Diary diary, VersionService.Replay now) {}

  /**
   * Of the main program; empty where nothing of it is in force.
   *
   * @param reviews that were made, the newest first
   */
  @Transactional(readOnly = true)
  public Optional<Kept> of(Client client, List<ReviewRow> reviews) {
    VersionService.InForce inForce = versions.inForce(client);
    return inForce
        .of(ProgramKind.MAIN)
        .map(now -> new Kept(diary(client, now, inForce, reviews), now));
  }

  private Diary diary(
      Client client,
      VersionService.Replay now,
      VersionService.InForce inForce,
      List<ReviewRow> reviews) {
    Instant at = clock.instant();
    Instant begun = client.episodeSince();
    Instant from = begun.isAfter(at.minus(BACK)) ? begun : at.minus(BACK);
    LocalDate day = LocalDate.ofInstant(from, client.zone());
    ClientScreening screening = screenings.of(client);
    List<ReviewRow> made = reviews.stream().filter(r -> !r.madeAt().isBefore(begun)).toList();
    FollowUpService.Told told = followUps.since(client.getId(), day);
    return new Diary(
        at,
        client.zone(),
        Policy.COMFORT_FIRST,
        made.stream().findFirst().map(ReviewRow::pace).orElse(Pace.USUAL),
        screening.gate() instanceof Gate.Open
            ? Allowed.of(screening.gate(), client.means(), client.breathSeconds())
            : Optional.empty(),
        Set.of(),
        shared(client, now),
        sessions.since(client.getId(), day),
        told.toldMornings(),
        told.refused(),
        signs(screening, at),
        pauses.all(client.getId()),
        flares.newest(client.getId()).stream().toList(),
        decided(made, now),
        Set.of(),
        Diary.Measures.NONE,
        inForce.before(ProgramKind.MAIN),
        inForce.beside(ProgramKind.MAIN));
  }

  /** Of this episode, up to the one in force. */
  private List<Diary.Version> shared(Client client, VersionService.Replay now) {
    List<ProgramVersion> all =
        versions.all(client.getId()).stream()
            .filter(v -> v.program() == ProgramKind.MAIN)
            .filter(v -> !v.sharedAt().isBefore(client.episodeSince()))
            .filter(v -> v.number() <= now.version().number())
            .toList();
    Map<ProgramVersion.Name, VersionService.Replay> replays =
        versions.replays(
            client.getId(), all.stream().map(ProgramVersion::name).collect(Collectors.toSet()));
    List<Diary.Version> shared = new ArrayList<>();
    for (ProgramVersion v : all) {
      VersionService.Replay replay = replays.get(v.name());
      if (replay != null) {
        shared.add(new Diary.Version(v.number(), v.sharedAt(), replay.program()));
      }
    }
    return shared;
  }

  /** What was decided and came into force; what was left as a draft has not. */
  private static List<Diary.Decided> decided(List<ReviewRow> made, VersionService.Replay now) {
    return made.stream()
        .filter(r -> r.toVersion().isEmpty() || r.toVersion().getAsInt() <= now.version().number())
        .flatMap(
            r ->
                r.decided().stream()
                    .map(
                        d ->
                            new Diary.Decided(
                                r.madeAt(), Part.of(d.part()), d.outcome(), d.atTarget())))
        .toList();
  }

  /** What closes the gate until somebody has looked, or had closed it by a stop. */
  private static List<Diary.Sign> signs(ClientScreening screening, Instant now) {
    Optional<Instant> stop = screening.facts().lastStop();
    if (screening.gate() instanceof Gate.Closed closed) {
      Optional<Diary.Sign.Kind> kind =
          switch (closed.why()) {
            case EMERGENCY -> Optional.of(Diary.Sign.Kind.EMERGENCY);
            case EXAMINE -> Optional.of(Diary.Sign.Kind.RED_FLAG);
            case STOPPED, AFTER_STOP -> Optional.of(Diary.Sign.Kind.STOP_RULE);
            case ARCHIVED, NOT_SCREENED, TO_CONFIRM, CONSENT, LAPSED, AFTER_FEVER, LONG_PAUSE ->
                Optional.empty();
          };
      if (kind.isPresent()) {
        return List.of(new Diary.Sign(stop.orElse(now), kind.get(), false));
      }
    }
    return Stream.ofNullable(stop.orElse(null))
        .map(at -> new Diary.Sign(at, Diary.Sign.Kind.STOP_RULE, true))
        .toList();
  }
}
