package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.AboutClient;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.settings.ThresholdsChanged;
import org.biokinet.app.worklist.internal.PutOffs;
import org.biokinet.app.worklist.internal.StandingRow;
import org.biokinet.app.worklist.internal.Standings;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.Review;
import org.biokinet.core.session.Session;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Where every client stands, brought up in the transaction that changes it, and when its time is
 * over. It can be made from the records at any time, and a test compares.
 */
@Service
public class StandingService {

  private static final Logger LOG = LoggerFactory.getLogger(StandingService.class);

  /** Days of which the list knows; the strip shows the last seven, wherever the client lives. */
  private static final int DAYS_BACK = 8;

  private final Standings standings;
  private final ClientService clients;
  private final LinkService links;
  private final ScreeningService screenings;
  private final MeasurementService measurements;
  private final DraftService drafts;
  private final VersionService versions;
  private final SessionService sessions;
  private final PauseService pauses;
  private final FlareService flares;
  private final ReviewService reviews;
  private final PutOffs putOffs;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  StandingService(
      Standings standings,
      ClientService clients,
      LinkService links,
      ScreeningService screenings,
      MeasurementService measurements,
      DraftService drafts,
      VersionService versions,
      SessionService sessions,
      PauseService pauses,
      FlareService flares,
      ReviewService reviews,
      PutOffs putOffs,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.standings = standings;
    this.clients = clients;
    this.links = links;
    this.screenings = screenings;
    this.measurements = measurements;
    this.drafts = drafts;
    this.versions = versions;
    this.sessions = sessions;
    this.pauses = pauses;
    this.flares = flares;
    this.reviews = reviews;
    this.putOffs = putOffs;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** The clients of one transaction about whom something has happened. */
  private final class Touched implements TransactionSynchronization {
    private final Set<UUID> clientIds = new LinkedHashSet<>();

    @Override
    public void beforeCommit(boolean readOnly) {
      for (UUID id : clientIds) bringUp(id);
    }

    @Override
    public void afterCompletion(int status) {
      TransactionSynchronizationManager.unbindResourceIfPossible(StandingService.this);
    }
  }

  /** Once for each client and transaction, when all of it is written. */
  @EventListener
  void happened(AboutClient event) {
    Touched touched = (Touched) TransactionSynchronizationManager.getResource(this);
    if (touched == null) {
      touched = new Touched();
      TransactionSynchronizationManager.bindResource(this, touched);
      TransactionSynchronizationManager.registerSynchronization(touched);
    }
    touched.clientIds.add(event.clientId());
  }

  /** Of all clients at once; each is brought up when it is asked for, or by the next round. */
  @EventListener
  void changed(ThresholdsChanged event) {
    standings.expire(event.practiceId(), clock.instant());
  }

  private void bringUp(UUID clientId) {
    // Two that change different things of one client take turns here, if they did not before.
    Client client = clients.lock(clients.byId(clientId));
    Optional<StandingRow> row = standings.findByClientIdAndForm(clientId, Standing.FORM);
    if (client.archived()) {
      standings.deleteByClientId(clientId);
    } else if (row.isPresent()) {
      row.get().set(client, clients.careTeam(client), of(client));
    } else {
      standings.deleteByClientId(clientId);
      standings.save(new StandingRow(client, clients.careTeam(client), of(client)));
    }
    publisher.publishEvent(new StandingMoved(client.practiceId()));
  }

  /** The same for one whose time is over. */
  @Changes
  public void renew(UUID clientId) {
    bringUp(clientId);
  }

  /**
   * So many are brought up while somebody waits for the list; the rest is the matter of the next
   * round (our choice).
   */
  private static final Limit MOST_AT_A_LOOK = Limit.of(40);

  /** How many of a practice are still to be looked at for the first time in this form. */
  @Transactional(readOnly = true)
  public long missing(UUID practiceId) {
    return standings.missing(practiceId, Standing.FORM);
  }

  /** Those of a practice that time has changed, or whose row has an older form, as many. */
  @Transactional(readOnly = true)
  public List<UUID> due(UUID practiceId) {
    return standings.due(practiceId, clock.instant(), Standing.FORM, MOST_AT_A_LOOK);
  }

  /** As it is kept, or made from the records where nothing is kept or its time is over. */
  @Transactional(readOnly = true)
  public Standing of(Client client, Instant now) {
    return standings
        .findByClientIdAndForm(client.getId(), Standing.FORM)
        .filter(row -> row.holds(now))
        .map(StandingRow::standing)
        .orElseGet(() -> of(client));
  }

  /** As it is kept; empty for who is not treated now. */
  @Transactional(readOnly = true)
  public Optional<Standing> kept(Client client) {
    return standings
        .findByClientIdAndForm(client.getId(), Standing.FORM)
        .map(StandingRow::standing);
  }

  /** As the records say; empty for who is not treated now. */
  @Transactional(readOnly = true)
  public Optional<Standing> made(Client client) {
    return client.archived() ? Optional.empty() : Optional.of(of(client));
  }

  private Standing of(Client client) {
    UUID id = client.getId();
    Instant now = clock.instant();
    LocalDate today = now.atZone(client.zone()).toLocalDate();
    List<Session> recent = sessions.since(id, today.minusDays(DAYS_BACK));
    Optional<Session> newest =
        recent.isEmpty() ? sessions.last(id) : Optional.of(recent.get(recent.size() - 1));
    return new ClientRecords(
            client,
            screenings.of(client),
            links.state(id),
            versions.shared(client),
            drafts.begun(client),
            recent,
            newest,
            clients.matters(id),
            clients.lastCall(id),
            measurements.lastVisit(client),
            flares.newest(id),
            pauses.newest(id),
            reviews.due(client),
            () -> newest.flatMap(done -> reviewed(client)),
            desk(client, recent),
            putOffs.findById(id),
            now)
        .standing();
  }

  /** What would be suggested; what it is read off is loaded as for any other page. */
  private Optional<ClientRecords.Reviewed> reviewed(Client client) {
    return reviews
        .kept(client)
        .flatMap(
            kept -> {
              try {
                Optional<Instant> decided =
                    kept.diary().decided().stream()
                        .map(Diary.Decided::at)
                        .max(Comparator.naturalOrder());
                return Optional.of(
                    new ClientRecords.Reviewed(Review.of(kept.diary()), decided, kept.now()));
              } catch (RuntimeException e) {
                // What a client sends is kept, whatever can be made of it.
                LOG.warn("what to suggest for {} is not known", client.getId(), e);
                return Optional.empty();
              }
            });
  }

  private Optional<Instant> desk(Client client, List<Session> recent) {
    return versions
        .latest(client, ProgramKind.DESK)
        .map(
            replay -> {
              Instant shared = replay.version().sharedAt();
              return recent.stream()
                  .filter(s -> s.program() == ProgramKind.DESK)
                  .reduce((a, b) -> b)
                  .or(() -> sessions.last(client.getId(), ProgramKind.DESK))
                  .map(Session::startedAt)
                  .filter(shared::isBefore)
                  .orElse(shared);
            });
  }
}
