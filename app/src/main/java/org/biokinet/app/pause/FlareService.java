package org.biokinet.app.pause;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.EpisodeBegun;
import org.biokinet.app.pause.internal.FlareRow;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.program.VersionWithdrawn;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Flare;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A flare: begun by the client with one tap, seen by the practitioner at once. */
@Service
public class FlareService {

  interface Flares extends JpaRepository<FlareRow, UUID> {
    List<FlareRow> findByClientIdOrderByBegunAtDesc(UUID clientId);
  }

  /** For so long a tap by mistake can be taken back (our choice). */
  public static final Duration MISTAKE_WITHIN = Duration.ofHours(1);

  private final Flares flares;
  private final VersionService versions;
  private final ClientService clients;
  private final ScreeningService screenings;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  FlareService(
      Flares flares,
      VersionService versions,
      ClientService clients,
      ScreeningService screenings,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.flares = flares;
    this.versions = versions;
    this.clients = clients;
    this.screenings = screenings;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** The newest, whether it lasts or not; one by mistake was none. */
  @Transactional(readOnly = true)
  public Optional<Flare> newest(UUID clientId) {
    List<FlareRow> real = real(clientId);
    return real.stream()
        .findFirst()
        .map(
            row ->
                new Flare(
                    row.begunAt(),
                    row.days(),
                    row.endedAt(),
                    real.stream().skip(1).findFirst().map(FlareRow::begunAt)));
  }

  /** When one began and ended. */
  record Span(Instant begun, Optional<Instant> ended) {}

  @Transactional(readOnly = true)
  List<Span> all(UUID clientId) {
    return real(clientId).stream().map(row -> new Span(row.begunAt(), row.endedAt())).toList();
  }

  private List<FlareRow> real(UUID clientId) {
    return flares.findByClientIdOrderByBegunAtDesc(clientId).stream()
        .filter(row -> row.endedHow().filter(how -> how == FlareRow.Ended.MISTAKE).isEmpty())
        .toList();
  }

  private Optional<FlareRow> lasting(UUID clientId) {
    return real(clientId).stream().findFirst().filter(row -> row.endedAt().isEmpty());
  }

  /**
   * Begins the plan that was set ahead; nothing happens where there is none, or it is followed
   * already.
   */
  @Changes
  public void begin(ClientMe me) {
    Client client = clients.lock(me);
    Optional<VersionService.Replay> plan = versions.latest(client, ProgramKind.FLARE);
    if (plan.isEmpty() || lasting(me.id()).isPresent()) return;
    int days = plan.get().draft().flatMap(Draft::days).orElse(Draft.USUAL_DAYS);
    ProgramVersion version = plan.get().version();
    flares.saveAndFlush(new FlareRow(me.id(), version.id(), days, clock.instant()));
    screenings.flareBegun(me.id());
    if (newest(me.id()).filter(Flare::again).isPresent()) {
      clients.raise(me.id(), Attention.FLARE_EXAMINE, "a second flare within four weeks");
    }
    publisher.publishEvent(new PauseChanged(me.id()));
    audit.changedByClient(me.practiceId(), me.id(), "flare", version.name().inFull());
  }

  /** It was a tap by mistake; doses stay as they were. */
  @Changes
  public void undo(ClientMe me) {
    clients.lock(me);
    Instant now = clock.instant();
    lasting(me.id())
        .filter(row -> now.isBefore(row.begunAt().plus(MISTAKE_WITHIN)))
        .ifPresent(
            row -> {
              row.end(FlareRow.Ended.MISTAKE, null, now);
              screenings.flareUndone(me.id());
              publisher.publishEvent(new PauseChanged(me.id()));
              audit.changedByClient(me.practiceId(), me.id(), "flare", "by mistake");
            });
  }

  /** The client says that it has settled; not before it has lasted {@link Flare#QUIET_FOR}. */
  @Changes
  public void settled(ClientMe me) {
    clients.lock(me);
    if (newest(me.id()).filter(f -> f.maySettle(clock.instant())).isEmpty()) return;
    lasting(me.id()).ifPresent(row -> end(row, FlareRow.Ended.SETTLED, null));
    audit.changedByClient(me.practiceId(), me.id(), "flare", "settled");
  }

  /** The client says that it has not; said once for each flare. */
  @Changes
  public void notSettled(ClientMe me) {
    clients.lock(me);
    Optional<FlareRow> row = lasting(me.id());
    if (row.isEmpty() || toldSince(me.id(), row.get().begunAt())) return;
    clients.raise(me.id(), Attention.FLARE_EXAMINE, "the flare has not settled");
    audit.changedByClient(me.practiceId(), me.id(), "flare", "not settled");
  }

  /** Whether it was told already that a flare has to be examined. */
  @Transactional(readOnly = true)
  public boolean toldSince(UUID clientId, Instant begun) {
    return clients.matters(clientId).stream()
        .anyMatch(m -> m.as() == Attention.FLARE_EXAMINE && !m.at().isBefore(begun));
  }

  /** A practitioner ends it. */
  @Changes
  public void end(Me me, UUID clientId) {
    clients.lock(me, clientId);
    lasting(clientId).ifPresent(row -> end(row, FlareRow.Ended.BY_PRACTITIONER, me.id()));
    audit.changed(me, clientId, "flare", "ended");
  }

  private void end(FlareRow row, FlareRow.Ended how, @Nullable UUID by) {
    row.end(how, by, clock.instant());
    screenings.flareEnded(row.clientId());
    publisher.publishEvent(new PauseChanged(row.clientId()));
  }

  /** A new episode begins without it. */
  @EventListener
  void begun(EpisodeBegun event) {
    lasting(event.clientId()).ifPresent(row -> end(row, FlareRow.Ended.BY_PRACTITIONER, null));
  }

  /** Without its plan there is nothing left to be done in it. */
  @EventListener
  void withdrawn(VersionWithdrawn event) {
    if (event.version().program() != ProgramKind.FLARE) return;
    lasting(event.clientId()).ifPresent(row -> end(row, FlareRow.Ended.BY_PRACTITIONER, null));
  }
}
