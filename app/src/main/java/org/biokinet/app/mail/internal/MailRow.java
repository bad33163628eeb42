package org.biokinet.app.mail.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Posted;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** A mail in the outbox. */
@Entity
@Table(name = "mail")
public class MailRow implements Persistable<UUID> {
  private static final int LONGEST_ANSWER = 300;

  @Id private UUID id;
  private UUID practiceId;
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Letter.Kind kind;

  private @Nullable UUID madeBy;
  private Instant madeAt;
  private String sender;
  private String recipient;
  private String subject;

  @Column(columnDefinition = "longtext")
  private @Nullable String text;

  @Enumerated(EnumType.STRING)
  private Posted.State state;

  private @Nullable String offAddress;
  private @Nullable Instant dueAt;
  private int tries;
  private Instant changedAt;
  private String answer;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected MailRow() {}

  public MailRow(Letter letter, Instant now) {
    this.id = letter.id();
    this.practiceId = letter.practiceId();
    this.clientId = letter.clientId();
    this.kind = letter.kind();
    this.madeBy = letter.by().orElse(null);
    this.madeAt = now;
    this.sender = letter.practiceName();
    this.recipient = letter.to();
    this.subject = letter.subject();
    this.text = letter.text();
    this.offAddress = letter.off().orElse(null);
    this.state = Posted.State.WAITING;
    this.dueAt = now;
    this.changedAt = now;
    this.answer = "";
    this.fresh = true;
  }

  @Override
  public UUID getId() {
    return id;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  /** When it is given up. */
  public Instant goodUntil() {
    return madeAt.plus(kind.goodFor());
  }

  /** As it was written; without its text once it is over. */
  public Letter letter() {
    return new Letter(
        id,
        kind,
        practiceId,
        sender,
        clientId,
        Optional.ofNullable(madeBy),
        recipient,
        subject,
        text == null ? "" : text,
        Optional.ofNullable(offAddress));
  }

  public boolean waits() {
    return state == Posted.State.WAITING;
  }

  public int tries() {
    return tries;
  }

  /** Nothing more is done with it; the link in it is not kept. */
  public void end(Posted.State how, String said, Instant now) {
    state = how;
    text = null;
    dueAt = null;
    changedAt = now;
    answer = cut(said);
  }

  /** Tried again later. */
  public void later(String said, Instant due, Instant now) {
    dueAt = due;
    changedAt = now;
    answer = cut(said);
  }

  private static String cut(String said) {
    return said.length() > LONGEST_ANSWER ? said.substring(0, LONGEST_ANSWER) : said;
  }

  public Posted posted() {
    return new Posted(
        id, madeAt, recipient, subject, state, changedAt, answer, Optional.ofNullable(dueAt));
  }
}
