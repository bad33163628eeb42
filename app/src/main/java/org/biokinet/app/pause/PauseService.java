package org.biokinet.app.pause;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.pause.internal.PauseRow;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.progress.Pause;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Days on which a client is away or ill, told by the client or by a practitioner. */
@Service
public class PauseService {

  interface Pauses extends JpaRepository<PauseRow, UUID> {
    List<PauseRow> findByClientIdOrderByToldAtDesc(UUID clientId);
  }

  private final Pauses pauses;
  private final ClientService clients;
  private final ScreeningService screenings;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  PauseService(
      Pauses pauses,
      ClientService clients,
      ScreeningService screenings,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.pauses = pauses;
    this.clients = clients;
    this.screenings = screenings;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** The newest that was told, whether it is to come, lasts or is over. */
  @Transactional(readOnly = true)
  public Optional<Pause> newest(UUID clientId) {
    return rows(clientId).stream().findFirst().map(PauseRow::pause);
  }

  /** All of them, the newest first. */
  @Transactional(readOnly = true)
  public List<Pause> all(UUID clientId) {
    return rows(clientId).stream().map(PauseRow::pause).toList();
  }

  /** What was told of pauses, and when. */
  record Told(Instant at, Pause pause, boolean byClient) {}

  @Transactional(readOnly = true)
  List<Told> told(UUID clientId) {
    return rows(clientId).stream()
        .map(row -> new Told(row.toldAt(), row.pause(), row.toldBy().isEmpty()))
        .toList();
  }

  private List<PauseRow> rows(UUID clientId) {
    return pauses.findByClientIdOrderByToldAtDesc(clientId);
  }

  /**
   * Tells of a pause; one that was told before and is not over ends with it.
   *
   * @return what is wrong with the dates, or empty
   */
  @Changes
  public Optional<String> tell(Me me, UUID clientId, Pause pause) {
    Client client = clients.lock(me, clientId);
    Optional<String> wrong = tell(client, pause, me.id());
    if (wrong.isEmpty()) audit.changed(me, clientId, "pause", words(pause));
    return wrong;
  }

  @Changes
  public Optional<String> tell(ClientMe me, Pause pause) {
    Client client = clients.lock(me);
    Optional<String> wrong = tell(client, pause, null);
    if (wrong.isEmpty()) audit.changedByClient(me.practiceId(), me.id(), "pause", words(pause));
    return wrong;
  }

  private static String words(Pause p) {
    return "%s %s to %s%s"
        .formatted(p.kind().words(), p.from(), p.until(), p.fever() ? ", fever" : "");
  }

  private Optional<String> tell(Client client, Pause pause, @Nullable UUID by) {
    LocalDate today = today(client);
    if (pause.until().isBefore(pause.from())) return Optional.of("ends before it begins");
    if (pause.until().isBefore(today)) return Optional.of("is over already");
    if (ChronoUnit.DAYS.between(today, pause.until()) > Pause.LONGEST_DAYS) {
      return Optional.of("is longer than %d days".formatted(Pause.LONGEST_DAYS));
    }
    end(client, today);
    pauses.save(new PauseRow(client.getId(), pause, by, clock.instant()));
    if (pause.fever()) screenings.fever(client.getId());
    publisher.publishEvent(new PauseChanged(client.getId()));
    return Optional.empty();
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  private void end(Client client, LocalDate today) {
    rows(client.getId()).stream()
        .findFirst()
        .filter(row -> row.pause().ended().isEmpty() && !row.pause().over(today))
        .ifPresent(row -> row.end(today.isBefore(row.pause().from()) ? row.pause().from() : today));
  }

  /**
   * The client is back.
   *
   * @param fever whether the illness came with fever
   */
  @Changes
  public void back(ClientMe me, boolean fever) {
    Client client = clients.lock(me);
    back(client, fever);
    audit.changedByClient(me.practiceId(), me.id(), "back from a pause", fever ? "with fever" : "");
  }

  @Changes
  public void back(Me me, UUID clientId, boolean fever) {
    Client client = clients.lock(me, clientId);
    back(client, fever);
    audit.changed(me, clientId, "back from a pause", fever ? "with fever" : "");
  }

  private void back(Client client, boolean fever) {
    end(client, today(client));
    if (fever) screenings.fever(client.getId());
    publisher.publishEvent(new PauseChanged(client.getId()));
  }
}
