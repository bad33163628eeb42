package org.biokinet.app.audit;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.internal.AuditRow;
import org.biokinet.app.practice.Me;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;
import org.springframework.data.domain.Slice;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Writes down who saw and changed what: a change in its own transaction, a page when opened. */
@Service
public class Audit {

  interface AuditRows extends JpaRepository<AuditRow, UUID> {
    boolean existsByActorIdAndClientIdAndActionAndDetailAndAtAfter(
        UUID actorId, UUID clientId, String action, String detail, Instant at);

    long countByClientIdAndAction(UUID clientId, String action);

    @Query(
        """
        select r from AuditRow r where r.practiceId = :practice and r.at >= :from and r.at < :until
          and (:client is null or r.clientId = :client) and (:actor is null or r.actorId = :actor)
          order by r.at desc, r.id
        """)
    Slice<AuditRow> page(
        UUID practice,
        Instant from,
        Instant until,
        @Nullable UUID client,
        @Nullable UUID actor,
        Pageable page);
  }

  /**
   * One line.
   *
   * @param byClient whether the actor is the client
   */
  public record Entry(
      Instant at,
      boolean byClient,
      UUID actorId,
      Optional<UUID> clientId,
      String action,
      String detail) {}

  /**
   * Which lines somebody wants to read.
   *
   * @param client about whom, or null for everybody and the practice itself
   * @param actor by whom, or null for everybody
   */
  public record Wanted(Instant from, Instant until, @Nullable UUID client, @Nullable UUID actor) {}

  private static final String SAW = "saw";

  /** For so long parts belong to the page that was opened; our choice. */
  private static final Duration ONE_PAGE = Duration.ofMinutes(15);

  private static final int LONGEST_DETAIL = 300;

  private record Seen(UUID who, UUID clientId, String page) {}

  /** Spares a question to the database; what another process has written is asked for there. */
  private final Cache<Seen, Instant> recent = Caffeine.newBuilder().maximumSize(10_000).build();

  private final AuditRows rows;
  private final Clock clock;

  Audit(AuditRows rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /** A change; belongs to the transaction that makes it. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void changed(Me me, UUID clientId, String action, String detail) {
    write(me.practiceId(), "practitioner", me.id(), clientId, action, detail);
  }

  /** A change that a client made. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void changedByClient(UUID practiceId, UUID clientId, String action, String detail) {
    write(practiceId, "client", clientId, clientId, action, detail);
  }

  /** A change to the practice itself. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void practiceChanged(Me me, String action, String detail) {
    write(me.practiceId(), "practitioner", me.id(), null, action, detail);
  }

  /** The same by somebody who is not signed in but has shown who they are. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void ofPractice(UUID practiceId, UUID actorId, String action, String detail) {
    write(practiceId, "practitioner", actorId, null, action, detail);
  }

  /** A page about a client was opened. */
  @Transactional
  public void saw(Me me, UUID clientId, String page) {
    write(me.practiceId(), "practitioner", me.id(), clientId, SAW, page);
  }

  /** A part of a page, asked for again and again while it is open: one line in a while. */
  @Transactional
  public void sawPart(Me me, UUID clientId, String page) {
    Instant since = clock.instant().minus(ONE_PAGE);
    Seen seen = new Seen(me.id(), clientId, page);
    Instant last = recent.getIfPresent(seen);
    if (last != null && last.isAfter(since) && !last.isAfter(clock.instant())) return;
    if (rows.existsByActorIdAndClientIdAndActionAndDetailAndAtAfter(
        me.id(), clientId, SAW, page, since)) {
      return;
    }
    recent.put(seen, clock.instant());
    saw(me, clientId, page);
  }

  /** Somebody has taken this list away. */
  @Transactional
  public void exported(Me me, String range) {
    write(me.practiceId(), "practitioner", me.id(), null, "audit exported", range);
  }

  public long count(UUID clientId, String action) {
    return rows.countByClientIdAndAction(clientId, action);
  }

  /** The newest first; only an owner gets here. */
  @Transactional(readOnly = true)
  public Slice<Entry> page(Me me, Wanted wanted, int page, int size) {
    return rows.page(
            me.practiceId(),
            wanted.from(),
            wanted.until(),
            wanted.client(),
            wanted.actor(),
            PageRequest.of(page, size))
        .map(AuditRow::entry);
  }

  private void write(
      UUID practiceId,
      String actor,
      UUID actorId,
      @Nullable UUID clientId,
      String action,
      String detail) {
    String cut = detail.length() > LONGEST_DETAIL ? detail.substring(0, LONGEST_DETAIL) : detail;
    rows.save(new AuditRow(practiceId, clock.instant(), actor, actorId, clientId, action, cut));
  }
}
