package org.biokinet.app.review;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.internal.ReviewRow;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Visit;
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
  private final MeasurementService measurements;
  private final LibraryService library;
  private final Clock clock;

  DiaryService(
      VersionService versions,
      SessionService sessions,
      FollowUpService followUps,
      ScreeningService screenings,
      PauseService pauses,
      FlareService flares,
      MeasurementService measurements,
      LibraryService library,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.followUps = followUps;
    this.screenings = screenings;
    this.pauses = pauses;
    this.flares = flares;
    this.measurements = measurements;
    this.library = library;
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
    VersionService.Episode episode = versions.episode(client);
    return episode
        .inForce()
        .of(ProgramKind.MAIN)
        .map(now -> new Kept(diary(client, now, episode, reviews), now));
  }

  private Diary diary(
      Client client,
      VersionService.Replay now,
      VersionService.Episode episode,
      List<ReviewRow> reviews) {
    Instant at = clock.instant();
    Instant begun = client.episodeSince();
    Instant from = begun.isAfter(at.minus(BACK)) ? begun : at.minus(BACK);
    LocalDate day = LocalDate.ofInstant(from, client.zone());
    ClientScreening screening = screenings.of(client);
    List<ReviewRow> made = reviews.stream().filter(r -> !r.madeAt().isBefore(begun)).toList();
    List<Visit> visits = MeasurementService.ofEpisode(client, measurements.visits(client));
    FollowUpService.Told told = followUps.since(client.getId(), day);
    return new Diary(
        at,
        client.zone(),
        Policy.COMFORT_FIRST,
        made.stream().findFirst().map(ReviewRow::pace).orElse(Pace.USUAL),
        screening.gate() instanceof Gate.Open
            ? Allowed.of(screening.gate(), client.means(), client.breathSeconds())
            : Optional.empty(),
        Visit.newest(visits).measures().map().regions(),
        shared(episode, now),
        sessions.since(client.getId(), day),
        told.toldMornings(),
        told.refused(),
        signs(screening, at),
        pauses.all(client.getId()),
        flares.newest(client.getId()).stream().toList(),
        decided(made, now),
        Diary.asymmetric(now.program(), findings(client, visits)),
        Diary.Measures.NONE,
        episode.inForce().before(ProgramKind.MAIN),
        episode.inForce().beside(ProgramKind.MAIN));
  }

  /** Those that nobody has dismissed. */
  private List<Finding> findings(Client client, List<Visit> visits) {
    return measurements.findings(client, visits, library.of(client.practice())).stream()
        .filter(f -> !f.dismissed())
        .flatMap(f -> f.finding().stream())
        .toList();
  }

  /** Up to the one in force. */
  private static List<Diary.Version> shared(
      VersionService.Episode episode, VersionService.Replay now) {
    return episode.all().stream()
        .filter(r -> r.version().program() == ProgramKind.MAIN)
        .filter(r -> r.version().number() <= now.version().number())
        .map(r -> new Diary.Version(r.version().number(), r.version().sharedAt(), r.program()))
        .toList();
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
