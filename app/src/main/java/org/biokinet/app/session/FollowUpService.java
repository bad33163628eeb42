package org.biokinet.app.session;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.session.internal.FollowUpRow;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.session.Began;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.SelfCheck;
import org.biokinet.core.session.Session;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is told between two sessions. */
@Service
public class FollowUpService {

  interface FollowUps extends JpaRepository<FollowUpRow, UUID> {
    Optional<FollowUpRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    List<FollowUpRow> findByClientIdAndToldAtGreaterThanEqualOrderByToldAt(
        UUID clientId, Instant from);

    List<FollowUpRow> findByClientIdAndSessionUploadIdInOrderByToldAt(
        UUID clientId, Collection<UUID> sessionUploadIds);

    List<FollowUpRow> findByClientIdAndToldAtGreaterThanEqualAndToldAtLessThanOrderByToldAt(
        UUID clientId, Instant from, Instant until);

    long countByClientIdAndToldAtBeforeAndReceivedAtAfter(
        UUID clientId, Instant told, Instant came);
  }

  /** No clock on a wall is further from the server's. */
  private static final Duration MOST_APART = Duration.ofHours(14);

  private final FollowUps followUps;
  private final Kept kept;
  private final ClientService clients;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final ObjectMapper json;
  private final Clock clock;

  FollowUpService(
      FollowUps followUps,
      Kept kept,
      ClientService clients,
      Audit audit,
      ApplicationEventPublisher publisher,
      ObjectMapper json,
      Clock clock) {
    this.followUps = followUps;
    this.kept = kept;
    this.clients = clients;
    this.audit = audit;
    this.publisher = publisher;
    this.json = json;
    this.clock = clock;
  }

  /** How many answers that had been told at a moment came in after it. */
  @Transactional(readOnly = true)
  public long late(UUID clientId, Instant at) {
    return followUps.countByClientIdAndToldAtBeforeAndReceivedAtAfter(clientId, at, at);
  }

  /** Keeps it once; what cannot be right is kept as it came. */
  @Changes
  public void record(ClientMe me, Sent<FollowUpUpload> sent) {
    clients.lock(me);
    if (sent instanceof Sent.Unread<FollowUpUpload> unread) {
      kept.unread(me, unread, "follow-up");
      return;
    }
    FollowUpUpload upload = ((Sent.Read<FollowUpUpload>) sent).upload();
    Optional<FollowUpRow> before = followUps.findByClientIdAndUploadId(me.id(), upload.uploadId());
    if (before.isPresent()) {
      kept.conflict(me, sent, before.get().contentHash());
      return;
    }
    Optional<String> odd = odd(upload);
    if (odd.isPresent()) {
      kept.unread(
          me,
          new Sent.Unread<>(sent.uploadId(), sent.content(), odd.get(), false, ""),
          "follow-up");
      return;
    }
    Instant now = clock.instant();
    Began told = Began.of(upload.toldAt(), clients.byId(me.id()).createdAt(), now);
    // A clock that cannot be right has told a wrong day too.
    Optional<LocalDate> day =
        Optional.ofNullable(upload.day())
            .map(d -> told.putRight().isEmpty() ? d : LocalDate.ofInstant(now, me.zone()));
    followUps.save(new FollowUpRow(me.id(), sent.hash(), upload, day, told.at(), now));
    publisher.publishEvent(new CheckInArrived(me.id()));
    audit.changedByClient(me.practiceId(), me.id(), "follow-up", "");
    if (upload.kind() == FollowUpUpload.Kind.START) refused(me, upload, told.at());
  }

  /** Pain was too high to start: the practitioner is told. */
  private void refused(ClientMe me, FollowUpUpload upload, Instant at) {
    Pain pain = new Pain(Objects.requireNonNull(upload.pain(), "whole, as it was read"));
    if (pain.mayStart()) return;
    clients.raise(
        me.id(),
        Attention.PAIN_TOO_HIGH,
        "pain %d of 10%s".formatted(pain.nprs(), kept.late(me, at)));
    audit.changedByClient(me.practiceId(), me.id(), "start refused", "pain " + pain.nprs());
  }

  /**
   * The same of a form. Sent again by a device that never heard of its answer it is the same,
   * whatever the hour; with another answer it is another word, and kept.
   */
  @Changes
  public void recordForm(ClientMe me, FollowUpUpload upload) {
    ObjectNode content = json.valueToTree(upload);
    content.remove(List.of("toldAt", "day"));
    record(me, new Sent.Read<>(upload.uploadId(), Sent.canonical(content), upload));
  }

  private static Optional<String> odd(FollowUpUpload upload) {
    if (!CheckIn.told(Optional.ofNullable(upload.pain()))) return Optional.of("pain is 0 to 10");
    LocalDate day = upload.day();
    if (day != null && Math.abs(ChronoUnit.DAYS.between(day, upload.toldAt().toLocalDate())) > 1) {
      return Optional.of("the day is not that of the answer");
    }
    try {
      upload.felt();
      return Optional.empty();
    } catch (IllegalArgumentException e) {
      return Optional.of(String.valueOf(e.getMessage()));
    }
  }

  /**
   * What was told.
   *
   * @param toldMornings of each day what was told of it last, the oldest first
   * @param settled the last word about each session, by its upload
   * @param selfChecks of each day the last, the oldest first
   * @param refused pain with which no session was begun
   */
  public record Told(
      List<Diary.MorningTold> toldMornings,
      Map<UUID, Session.Settled> settled,
      List<SelfCheck> selfChecks,
      List<Diary.Refused> refused) {

    static Told of(List<FollowUpRow> rows) {
      Map<LocalDate, Diary.MorningTold> byDay = new TreeMap<>();
      List<Diary.Refused> refused = new ArrayList<>();
      Map<UUID, Session.Settled> settled = new HashMap<>();
      Map<LocalDate, SelfCheck> checks = new TreeMap<>();
      for (FollowUpRow row : rows) {
        UUID session = row.sessionUploadId();
        if (session != null) row.settled().ifPresent(s -> settled.put(session, s));
        row.morning().ifPresent(m -> byDay.put(m.day(), new Diary.MorningTold(row.toldAt(), m)));
        row.refused().ifPresent(refused::add);
        row.selfCheck().ifPresent(c -> checks.put(c.day(), c));
      }
      return new Told(List.copyOf(byDay.values()), settled, List.copyOf(checks.values()), refused);
    }

    /** The oldest first. */
    public List<Morning> mornings() {
      return toldMornings.stream().map(Diary.MorningTold::morning).toList();
    }

    /** Pain of the newest morning, if it was told after a moment. */
    Optional<Integer> painSince(Instant since) {
      return toldMornings.stream()
          .reduce((a, b) -> b)
          .filter(m -> m.at().isAfter(since))
          .flatMap(m -> m.morning().pain());
    }
  }

  /** All that was told from a day on, as the server counts days. */
  @Transactional(readOnly = true)
  public Told since(UUID clientId, LocalDate from) {
    Instant at = from.atStartOfDay(ZoneOffset.UTC).toInstant().minus(MOST_APART);
    return Told.of(followUps.findByClientIdAndToldAtGreaterThanEqualOrderByToldAt(clientId, at));
  }

  /** What was told in a time. */
  @Transactional(readOnly = true)
  Told between(UUID clientId, Instant from, Instant until) {
    return Told.of(
        followUps.findByClientIdAndToldAtGreaterThanEqualAndToldAtLessThanOrderByToldAt(
            clientId, from, until));
  }

  /** The last word about each of these sessions, by its id. */
  @Transactional(readOnly = true)
  public Map<UUID, Session.Settled> settled(UUID clientId, Collection<UUID> sessionUploadIds) {
    return Told.of(
            followUps.findByClientIdAndSessionUploadIdInOrderByToldAt(clientId, sessionUploadIds))
        .settled();
  }
}
