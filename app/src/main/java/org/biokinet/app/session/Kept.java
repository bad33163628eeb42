package org.biokinet.app.session;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.platform.Days;
import org.biokinet.app.session.internal.UploadConflictRow;
import org.biokinet.core.progress.Attention;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Component;

/**
 * What a device has sent and cannot be counted: kept as it came, beside what is, and put before the
 * practitioner. Called within the transaction that has the client locked.
 */
@Component
class Kept {

  interface Conflicts extends JpaRepository<UploadConflictRow, UUID> {
    long countByClientId(UUID clientId);

    List<UploadConflictRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    List<UploadConflictRow> findByClientIdOrderByReceivedAtDesc(UUID clientId, Limit most);
  }

  static final int LONGEST_WORDS = 300;
  private static final int SHOWN = 20;

  /** Longer than any session: then the device had no network when it was told; our choice. */
  private static final Duration SENT_LATE = Duration.ofHours(2);

  private final Conflicts conflicts;
  private final ClientService clients;
  private final Audit audit;
  private final ObjectMapper json;
  private final Clock clock;

  Kept(Conflicts conflicts, ClientService clients, Audit audit, ObjectMapper json, Clock clock) {
    this.conflicts = conflicts;
    this.clients = clients;
    this.audit = audit;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Something that could not be read.
   *
   * @param what it was to be, for people
   * @return false when it was kept before
   */
  boolean unread(ClientMe me, Sent.Unread<?> unread, String what) {
    if (!beside(me, unread)) return false;
    String it = what.equals("session") ? "it" : "its " + what;
    String said = Cut.to(LONGEST_WORDS, "%s could not be read: %s".formatted(it, unread.why()));
    clients.raise(me.id(), Attention.WHILE_CLOSED, said);
    audit.changedByClient(me.practiceId(), me.id(), what + " not read", said);
    return true;
  }

  /** Sent twice is nothing new; the same conflict is kept once. */
  void conflict(ClientMe me, Sent<?> sent, String earlierHash) {
    if (sent.hash().equals(earlierHash) || !beside(me, sent)) return;
    audit.changedByClient(me.practiceId(), me.id(), "upload conflict", sent.uploadId().toString());
  }

  long count(UUID clientId) {
    return conflicts.countByClientId(clientId);
  }

  /** The newest first, as many as anybody reads. */
  List<Beside> newest(UUID clientId) {
    return conflicts.findByClientIdOrderByReceivedAtDesc(clientId, Limit.of(SHOWN)).stream()
        .map(c -> Beside.of(c.receivedAt(), c.content(), json))
        .toList();
  }

  /** When it was, in words, of something that came in long after; empty where it did not. */
  String late(ClientMe me, Instant at) {
    Instant now = clock.instant();
    if (!at.isBefore(now.minus(SENT_LATE))) return "";
    return " (that was %s; sent late)".formatted(Days.when(at, now, me.zone()));
  }

  private boolean beside(ClientMe me, Sent<?> sent) {
    boolean known =
        conflicts.findByClientIdAndUploadId(me.id(), sent.uploadId()).stream()
            .anyMatch(c -> c.content().equals(sent.content()));
    if (known) return false;
    conflicts.save(
        new UploadConflictRow(me.id(), sent.uploadId(), sent.content(), clock.instant()));
    clients.toldBeside(me);
    return true;
  }
}
