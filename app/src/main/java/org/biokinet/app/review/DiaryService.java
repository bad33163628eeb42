package org.biokinet.app.review;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.internal.DiaryRow;
import org.biokinet.app.review.internal.ReviewRow;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.DiaryDocument;
import org.biokinet.core.progress.DiaryWriter;
import org.biokinet.core.progress.Extra;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Variant;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Policy;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts together what a review of a client is decided on. */
@Service
public class DiaryService {

  /**
   * Further back nothing is asked about: the week before what was finished twelve weeks ago; our
   * choice.
   */
  private static final Duration BACK = Duration.ofDays(98);

  interface Diaries extends JpaRepository<DiaryRow, UUID> {}

  private final Diaries diaries;
  private final VersionService versions;
  private final SessionService sessions;
  private final ScreeningService screenings;
  private final PauseService pauses;
  private final FlareService flares;
  private final MeasurementService measurements;
  private final LibraryService library;
  private final ClientService clients;
  private final SettingsService settings;
  private final Clock clock;

  DiaryService(
      Diaries diaries,
      VersionService versions,
      SessionService sessions,
      ScreeningService screenings,
      PauseService pauses,
      FlareService flares,
      MeasurementService measurements,
      LibraryService library,
      ClientService clients,
      SettingsService settings,
      Clock clock) {
    this.diaries = diaries;
    this.versions = versions;
    this.sessions = sessions;
    this.screenings = screenings;
    this.pauses = pauses;
    this.flares = flares;
    this.measurements = measurements;
    this.library = library;
    this.clients = clients;
    this.settings = settings;
    this.clock = clock;
  }

  /**
   * A diary, and what it was put together from.
   *
   * @param now the version in force, with the names of its items
   * @param visits of the episode, the newest first
   * @param limited sides that may do more than the other, and {@code evened} those alike again
   * @param before the program before it was only kept up; empty where it is not
   * @param allowedBy who allowed last that it may be eased by itself; empty where nobody did
   */
  public record Kept(
      Diary diary,
      VersionService.Replay now,
      FollowUpService.Told told,
      List<Visit> visits,
      List<Goal> goals,
      Set<Part> limited,
      Set<Part> evened,
      Optional<Program> before,
      Optional<UUID> allowedBy) {

    /** What is offered beside a decision because of how the sides differ. */
    public Optional<Extra> extra(Decision d) {
      return Extra.of(d, now.program(), diary.allowed(), limited, evened);
    }

    /** Another form of the exercise that is offered beside it. */
    public Optional<Variant> variant(Decision d) {
      return Variant.of(d, now.program(), diary.allowed(), now.catalogue());
    }
  }

  /**
   * Of the main program; empty where nothing of it is in force.
   *
   * @param reviews that were made, the newest first
   */
  @Transactional(readOnly = true)
  public Optional<Kept> of(Client client, List<ReviewRow> reviews) {
    VersionService.Episode episode = versions.episode(client);
    return episode.inForce().of(ProgramKind.MAIN).map(now -> kept(client, now, episode, reviews));
  }

  private Kept kept(
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
    SessionService.Log log = sessions.log(client.getId(), day);
    List<Goal> goals = clients.goals(client.getId());
    List<Finding> findings = findings(client, visits);
    PainMap map = Visit.newest(visits).measures().map();
    Optional<ReviewRow> keptUp = keptUp(made, episode, now);
    Diary diary =
        new Diary(
            at,
            client.zone(),
            screening.gate().answers().map(Assessment::policy).orElse(Policy.COMFORT_FIRST),
            made.stream().findFirst().map(r -> r.terms().pace()).orElse(Pace.USUAL),
            settings.of(client.practice()).thresholds(),
            screening.gate() instanceof Gate.Open
                ? Allowed.of(screening.gate(), client.means(), client.breathSeconds())
                : Optional.empty(),
            map.regions(),
            shared(episode, now),
            log.sessions(),
            log.told().toldMornings(),
            log.told().refused(),
            signs(screening, at),
            pauses.all(client.getId()),
            flares.newest(client.getId()).stream().toList(),
            decided(made, now),
            Diary.asymmetric(now.program(), findings),
            Diary.Measures.of(visits, goals),
            keptUp.map(ReviewRow::madeAt),
            episode.inForce().before(ProgramKind.MAIN),
            episode.inForce().beside(ProgramKind.MAIN));
    return new Kept(
        diary,
        now,
        log.told(),
        visits,
        goals,
        Extra.limited(now.program(), findings, map),
        Extra.evened(now.program(), visits, diary.asymmetric()),
        keptUp.flatMap(r -> version(episode, r.ofVersion())).map(VersionService.Replay::program),
        made.stream().findFirst().filter(r -> r.terms().automatic()).map(ReviewRow::madeBy));
  }

  // ---- as it was ---------------------------------------------------------------------------

  /** Keeps what a review is made on. */
  void keep(ReviewRow review, Diary diary) {
    diaries.save(new DiaryRow(review.getId(), DiaryWriter.write(diary)));
  }

  /** As a document; empty for a review from before these were kept. */
  Optional<String> document(UUID review) {
    return diaries.findById(review).map(DiaryRow::diary);
  }

  /**
   * The diary on which a review was made.
   *
   * @return empty for a review from before these were kept, or where an exercise of it is gone
   */
  Optional<Diary> asItWas(ReviewRow review) {
    ProgramVersion.Name of = new ProgramVersion.Name(ProgramKind.MAIN, review.ofVersion());
    Optional<Catalogue> catalogue =
        versions.of(review.clientId(), of).map(VersionService.Replay::catalogue);
    return document(review.getId())
        .flatMap(text -> catalogue.map(c -> DiaryDocument.read(text, c)))
        .flatMap(
            read ->
                read instanceof DiaryDocument.Reading.Ok ok
                    ? Optional.of(ok.diary())
                    : Optional.empty());
  }

  // ---- what it is put together from --------------------------------------------------------

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

  /** With what it is only kept up, as long as it is not done more often again. */
  private static Optional<ReviewRow> keptUp(
      List<ReviewRow> made, VersionService.Episode episode, VersionService.Replay now) {
    return made.stream()
        .filter(ReviewRow::keptUp)
        .findFirst()
        .filter(
            r ->
                r.toVersion().stream()
                    .boxed()
                    .flatMap(number -> version(episode, number).stream())
                    .anyMatch(v -> days(now) <= days(v)));
  }

  /** A version of the main program. */
  private static Optional<VersionService.Replay> version(
      VersionService.Episode episode, int number) {
    return episode.all().stream()
        .filter(v -> v.version().program() == ProgramKind.MAIN)
        .filter(v -> v.version().number() == number)
        .findFirst();
  }

  private static int days(VersionService.Replay version) {
    return Rhythm.of(version.program()).perWeek();
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
