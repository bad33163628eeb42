package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.AboutClient;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Matter;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.worklist.internal.StandingRow;
import org.biokinet.app.worklist.internal.Standings;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Feature;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.springframework.context.event.EventListener;
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
      Clock clock) {
    this.standings = standings;
    this.clients = clients;
    this.links = links;
    this.screenings = screenings;
    this.measurements = measurements;
    this.drafts = drafts;
    this.versions = versions;
    this.sessions = sessions;
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

  private void bringUp(UUID clientId) {
    // Two that change different things of one client take turns here, if they did not before.
    Client client = clients.lock(clients.byId(clientId));
    Optional<StandingRow> row = standings.findByClientIdAndForm(clientId, Standing.FORM);
    if (client.archived()) {
      standings.deleteByClientId(clientId);
    } else if (row.isPresent()) {
      row.get().set(client, of(client));
    } else {
      standings.deleteByClientId(clientId);
      standings.save(new StandingRow(client, of(client)));
    }
  }

  /** The same for one whose time is over. */
  @Changes
  public void renew(UUID clientId) {
    bringUp(clientId);
  }

  /** Those of a practice that time has changed, or whose row has an older form. */
  @Transactional(readOnly = true)
  public List<UUID> due(UUID practiceId) {
    return standings.due(practiceId, clock.instant(), Standing.FORM);
  }

  /** As it is kept, or made from the records where nothing is kept or its time is over. */
  @Transactional(readOnly = true)
  public Standing of(Client client, Instant now) {
    return kept(client)
        .filter(s -> s.validUntil().filter(until -> !now.isBefore(until)).isEmpty())
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
    ClientScreening screening = screenings.of(client);
    Gate gate = screening.gate();
    LinkService.State link = links.state(id);
    Optional<ProgramVersion> shared = versions.inForce(client);
    Optional<Instant> draft = drafts.begun(id);
    LocalDate today = now.atZone(client.zone()).toLocalDate();
    List<Session> recent = sessions.since(id, today.minusDays(DAYS_BACK));
    Optional<Session> newest =
        recent.isEmpty() ? sessions.last(id) : Optional.of(recent.get(recent.size() - 1));
    Optional<Standing.Last> last =
        newest.map(
            s ->
                new Standing.Last(
                    s.startedAt(), s.painBefore(), s.checkIn().flatMap(CheckIn::highestPain)));
    List<Matter> open = clients.matters(id);
    Optional<Gate.Why> closed =
        gate instanceof Gate.Closed c ? Optional.of(c.why()) : Optional.empty();
    boolean renewable = gate instanceof Gate.Open o && o.renewable();
    Attention.Facts facts =
        new Attention.Facts(
            at(open, Attention.STOPPED),
            closed,
            renewable,
            at(open, Attention.WHILE_CLOSED),
            at(open, Attention.MAP_ASKS),
            at(open, Attention.PAIN_TOO_HIGH),
            link.pinForgottenAt().isPresent(),
            newest.flatMap(Session::rise),
            last.map(Standing.Last::at),
            shared.map(ProgramVersion::sharedAt),
            draft.isPresent(),
            link.everOpened());
    Attention attention = Attention.of(facts, now);
    Optional<Instant> gateChanges =
        screening.gateChanges().map(day -> day.atStartOfDay(client.zone()).toInstant());
    Optional<Instant> validUntil =
        Stream.concat(Attention.changes(facts, now).stream(), gateChanges.stream())
            .min(Comparator.naturalOrder());
    Optional<Instant> answered = screening.newest().map(k -> k.answered().at());
    Instant since =
        switch (attention) {
          case STOPPED, WHILE_CLOSED, MAP_ASKS, PAIN_TOO_HIGH -> at(open, attention).orElseThrow();
          case EMERGENCY, EXAMINE, SCREEN, SCREEN_SOON -> answered.orElse(client.createdAt());
          case NEW_PIN -> link.pinForgottenAt().orElseThrow();
          case PAIN_ROSE, QUIET -> last.orElseThrow().at();
          case DRAFT_NOT_SHARED -> draft.orElseThrow();
          case NO_PROGRAM -> client.episodeSince();
          case NOT_OPENED, NOT_STARTED -> shared.orElseThrow().sharedAt();
          case STEADY -> last.map(Standing.Last::at).orElse(client.createdAt());
        };
    return new Standing(
        attention,
        since,
        validUntil,
        open,
        called(id, open),
        closed,
        gate instanceof Gate.Open o ? o.assessment().result().label() : "",
        renewable,
        gate instanceof Gate.Open o ? Optional.of(o.validUntil()) : Optional.empty(),
        gate.answers().map(Assessment::lockedFeatures).orElse(Set.of()).stream()
            .map(Feature::label)
            .toList(),
        screening.opened().map(c -> new Standing.OpenedBy(c.by(), c.at(), c.examined(), c.found())),
        link.pinForgottenAt(),
        link.madeAt(),
        link.openedAt(),
        link.everOpened(),
        shared.map(v -> new Standing.Shared(v.number(), v.sharedAt())),
        draft.isPresent(),
        last,
        days(recent),
        measurements.lastVisit(client));
  }

  private static Optional<Instant> at(List<Matter> open, Attention as) {
    return open.stream().filter(o -> o.as() == as).map(Matter::at).findFirst();
  }

  /** When somebody called about the stop that is open; its outcome may still be. */
  private Optional<Instant> called(UUID clientId, List<Matter> open) {
    return clients
        .lastCall(clientId)
        .map(ClientService.Call::at)
        .filter(called -> at(open, Attention.STOPPED).filter(called::isAfter).isPresent());
  }

  private static List<Standing.Day> days(List<Session> recent) {
    Map<LocalDate, List<Session>> byDay = new TreeMap<>();
    for (Session s : recent) byDay.computeIfAbsent(s.day(), d -> new ArrayList<>()).add(s);
    List<Standing.Day> days = new ArrayList<>();
    byDay.forEach(
        (day, that) ->
            days.add(
                new Standing.Day(
                    day,
                    that.stream().anyMatch(s -> s.stretchSeconds(Side.LEFT) > 0),
                    that.stream().anyMatch(s -> s.stretchSeconds(Side.RIGHT) > 0),
                    that.stream().anyMatch(Session::stopped),
                    that.size())));
    return days;
  }
}
