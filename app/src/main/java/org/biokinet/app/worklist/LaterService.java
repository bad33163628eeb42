package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.internal.PutOffRow;
import org.biokinet.app.worklist.internal.PutOffs;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.PutOff;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;

/** Puts off a client who may wait, for a reason and until a day. */
@Service
public class LaterService {

  public static final int LONGEST_REASON = 200;

  private final PutOffs putOffs;
  private final StandingService standings;
  private final ClientService clients;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  LaterService(
      PutOffs putOffs,
      StandingService standings,
      ClientService clients,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.putOffs = putOffs;
    this.standings = standings;
    this.clients = clients;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** The first day for which a client may be put off, where they live. */
  public LocalDate earliest(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone()).plusDays(1);
  }

  public LocalDate latest(Client client) {
    return earliest(client).plusDays(PutOff.MOST_DAYS - 1L);
  }

  /** What is wrong, and with what. */
  public sealed interface Fault {
    record Day(LocalDate earliest, LocalDate latest) implements Fault {}

    record Reason() implements Fault {}

    /** Nobody who was stopped or has to be examined waits, nor who wants nothing. */
    record MayNotWait() implements Fault {}

    /** Something else has come up since it was looked at. */
    record Overtaken() implements Fault {}
  }

  /**
   * @param seen what they were on the list for when that was decided
   * @param until the day on which they are back on it
   * @return what is wrong; empty where it is done
   */
  @Changes
  public Optional<Fault> putOff(
      Me me, UUID clientId, Attention seen, LocalDate until, String reason) {
    Client client = clients.lock(me, clientId);
    Instant now = clock.instant();
    Attention attention = standings.of(client, now).attention();
    if (attention != seen) return Optional.of(new Fault.Overtaken());
    if (!PutOff.may(attention)) return Optional.of(new Fault.MayNotWait());
    if (until.isBefore(earliest(client)) || until.isAfter(latest(client))) {
      return Optional.of(new Fault.Day(earliest(client), latest(client)));
    }
    String why = reason.strip();
    if (why.isEmpty() || why.length() > LONGEST_REASON) return Optional.of(new Fault.Reason());
    PutOff off = new PutOff(attention, now, until.atStartOfDay(client.zone()).toInstant());
    putOffs.save(new PutOffRow(clientId, off, why, me.id()));
    publisher.publishEvent(new LaterChanged(clientId));
    audit.changed(me, clientId, "later", "until %s: %s".formatted(until, why));
    return Optional.empty();
  }

  /** They are on the list again as they were. */
  @Changes
  public void bringBack(Me me, UUID clientId) {
    clients.lock(me, clientId);
    if (!putOffs.existsById(clientId)) return;
    putOffs.deleteById(clientId);
    publisher.publishEvent(new LaterChanged(clientId));
    audit.changed(me, clientId, "later", "taken back");
  }
}
