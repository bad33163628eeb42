package org.biokinet.app.client;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.support.Changes;
import org.biokinet.app.support.NotFound;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Clients of a practice, and what happened to them. */
@Service
public class ClientService {

  private final Clients clients;
  private final ClientEvents events;
  private final Audit audit;
  private final Clock clock;

  ClientService(Clients clients, ClientEvents events, Audit audit, Clock clock) {
    this.clients = clients;
    this.events = events;
    this.audit = audit;
    this.clock = clock;
  }

  @Changes
  public Client add(
      Me me,
      String name,
      @Nullable LocalDate birthDate,
      String work,
      ZoneId zone,
      double breathSeconds) {
    Client client =
        clients.save(
            new Client(
                me.practiceId(),
                me.id(),
                name,
                birthDate,
                work,
                zone,
                Locale.ENGLISH,
                breathSeconds,
                clock.instant()));
    audit.changed(me, client.getId(), "client added", "");
    return client;
  }

  /**
   * One client of my practice.
   *
   * @throws NotFound for another practice's client just as for none
   */
  @Transactional(readOnly = true)
  public Client get(Me me, UUID id) {
    return clients.findByIdAndPracticeId(id, me.practiceId()).orElseThrow(NotFound::new);
  }

  /** The same, held until the transaction ends, so that two editors take turns. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Client lock(Me me, UUID id) {
    return clients.lock(id, me.practiceId()).orElseThrow(NotFound::new);
  }

  @Transactional(readOnly = true)
  public List<Client> all(Me me) {
    return clients.findByPracticeIdOrderByName(me.practiceId());
  }

  /** For callers that already know the client by right: its own device. */
  @Transactional(readOnly = true)
  public Client byId(UUID id) {
    return clients.findById(id).orElseThrow(NotFound::new);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void happened(
      UUID clientId, ClientEvent.Kind kind, @Nullable UUID practitionerId, String detail) {
    events.save(new ClientEvent(clientId, clock.instant(), kind, practitionerId, detail));
  }

  /** What happened last, for each of these clients to whom something happened. */
  @Transactional(readOnly = true)
  public Map<UUID, History> histories(Collection<UUID> clientIds) {
    if (clientIds.isEmpty()) return Map.of();
    Map<UUID, Map<ClientEvent.Kind, ClientEvent>> newest = new HashMap<>();
    for (ClientEvent e : events.newest(clientIds)) {
      newest.computeIfAbsent(e.clientId(), id -> new HashMap<>()).put(e.kind(), e);
    }
    Map<UUID, History> histories = new HashMap<>();
    newest.forEach((id, kinds) -> histories.put(id, new History(kinds)));
    return histories;
  }

  @Transactional(readOnly = true)
  public History history(UUID clientId) {
    return histories(List.of(clientId)).getOrDefault(clientId, History.NONE);
  }

  /** One breath of this client, measured or told. */
  @Changes
  public void setBreath(Me me, UUID clientId, double seconds) {
    lock(me, clientId).setBreath(seconds);
    audit.changed(me, clientId, "breath", seconds + " s");
  }

  /** The practitioner has called, seen or written; what was open is closed with this note. */
  @Changes
  public void dealtWith(Me me, UUID clientId, String note) {
    Client client = get(me, clientId);
    happened(client.getId(), ClientEvent.Kind.DEALT_WITH, me.id(), note);
    audit.changed(me, clientId, "dealt with", note);
  }
}
