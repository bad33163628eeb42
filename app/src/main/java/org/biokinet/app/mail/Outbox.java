package org.biokinet.app.mail;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.mail.internal.MailRow;
import org.biokinet.app.platform.Changes;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The outbox: a mail is written down in the transaction that wants it sent, so that either both
 * happen or neither does, and is sent by the {@link Postman} after that.
 */
@Service
public class Outbox {

  interface Mails extends JpaRepository<MailRow, UUID> {
    List<MailRow> findByClientIdAndKindOrderByMadeAtDesc(UUID clientId, Letter.Kind kind);

    Optional<MailRow> findFirstByClientIdAndKindOrderByMadeAtDesc(UUID clientId, Letter.Kind kind);

    List<MailRow> findByClientIdAndState(UUID clientId, Posted.State state);

    @Query(
        "select m.id from MailRow m where m.state = WAITING and m.dueAt <= :now order by m.dueAt")
    List<UUID> due(Instant now);

    /** One of several that try it at once gets 1. */
    @Modifying
    @Query(
        """
        update MailRow m set m.dueAt = :until, m.tries = m.tries + 1
        where m.id = :id and m.state = WAITING and m.dueAt <= :now
        """)
    int take(UUID id, Instant now, Instant until);
  }

  /** A mail was written down. */
  record Written() {}

  /** For so long nobody else takes what one has taken (our choice; a try is over in seconds). */
  private static final Duration TAKEN = Duration.ofMinutes(5);

  /**
   * Between one try and the next (our choice, as mail servers do); the last one holds from then.
   */
  private static final List<Duration> WAITS =
      List.of(
          Duration.ofMinutes(1),
          Duration.ofMinutes(5),
          Duration.ofMinutes(15),
          Duration.ofHours(1),
          Duration.ofHours(4));

  private final Mails mails;
  private final ApplicationEventPublisher publisher;
  private final boolean ready;
  private final Clock clock;

  Outbox(
      Mails mails,
      ApplicationEventPublisher publisher,
      Optional<JavaMailSender> server,
      @Value("${biokinet.mail-from}") String from,
      Clock clock) {
    this.mails = mails;
    this.publisher = publisher;
    this.ready = server.isPresent() && !from.isBlank();
    this.clock = clock;
  }

  /** Whether there is a mail server to send anything by. */
  public boolean ready() {
    return ready;
  }

  /** Has a letter sent once this transaction is through; asked twice for one, it is sent once. */
  @Changes
  public void post(Letter letter) {
    if (mails.existsById(letter.id())) return;
    mails.saveAndFlush(new MailRow(letter, clock.instant()));
    publisher.publishEvent(new Written());
  }

  /** What was sent to a client or waits, newest first. */
  @Transactional(readOnly = true)
  public List<Posted> of(UUID clientId, Letter.Kind kind) {
    return mails.findByClientIdAndKindOrderByMadeAtDesc(clientId, kind).stream()
        .map(MailRow::posted)
        .toList();
  }

  @Transactional(readOnly = true)
  public Optional<Posted> newest(UUID clientId, Letter.Kind kind) {
    return mails.findFirstByClientIdAndKindOrderByMadeAtDesc(clientId, kind).map(MailRow::posted);
  }

  /** What still waits for a client is not sent any more. */
  @Changes
  public void withdraw(UUID clientId, String why) {
    Instant now = clock.instant();
    mails
        .findByClientIdAndState(clientId, Posted.State.WAITING)
        .forEach(m -> m.end(Posted.State.WITHDRAWN, why, now));
  }

  /** What is to be tried now. */
  @Transactional(readOnly = true)
  public List<UUID> due() {
    return mails.due(clock.instant());
  }

  /** Takes one to try it, unless somebody else has. */
  @Changes
  public Optional<Letter> take(UUID id) {
    Instant now = clock.instant();
    if (mails.take(id, now, now.plus(TAKEN)) == 0) return Optional.empty();
    return mails.findById(id).map(MailRow::letter);
  }

  @Changes
  public void sent(UUID id) {
    over(id, Posted.State.SENT, "");
  }

  /** Refused for good. */
  @Changes
  public void refused(UUID id, String answer) {
    over(id, Posted.State.REFUSED, answer);
  }

  private void over(UUID id, Posted.State how, String answer) {
    mails.findById(id).ifPresent(m -> m.end(how, answer, clock.instant()));
  }

  /** It did not work this time. */
  @Changes
  public void later(UUID id, String answer) {
    Instant now = clock.instant();
    MailRow mail = mails.findById(id).orElseThrow();
    if (!mail.waits()) return;
    if (!now.isBefore(mail.goodUntil())) {
      mail.end(Posted.State.GIVEN_UP, answer, now);
    } else {
      Duration wait = WAITS.get(Math.min(Math.max(1, mail.tries()), WAITS.size()) - 1);
      mail.later(answer, now.plus(wait), now);
    }
  }
}
