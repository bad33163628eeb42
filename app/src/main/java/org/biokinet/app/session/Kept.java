package org.biokinet.app.session;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.session.internal.UploadConflictRow;
import org.biokinet.core.progress.Attention;
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
  }

  static final int LONGEST_WORDS = 300;

  private final Conflicts conflicts;
  private final ClientService clients;
  private final Audit audit;
  private final Clock clock;

  Kept(Conflicts conflicts, ClientService clients, Audit audit, Clock clock) {
    this.conflicts = conflicts;
    this.clients = clients;
    this.audit = audit;
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

  private boolean beside(ClientMe me, Sent<?> sent) {
    boolean known =
        conflicts.findByClientIdAndUploadId(me.id(), sent.uploadId()).stream()
            .anyMatch(c -> c.content().equals(sent.content()));
    if (known) return false;
    conflicts.save(
        new UploadConflictRow(me.id(), sent.uploadId(), sent.content(), clock.instant()));
    return true;
  }
}
