package org.biokinet.app.message.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** What was written, under the id of the form in which it was: sent twice it is one. */
@Entity
@Table(name = "message")
@SuppressWarnings("UnusedVariable") // by the client it is found
public class MessageRow implements Persistable<UUID> {
  @Id private UUID id;
  private UUID clientId;
  private @Nullable UUID byPractitioner;
  private String text;
  private Instant at;
  private @Nullable Instant toldAt;
  private @Nullable Instant seenAt;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected MessageRow() {}

  /**
   * @param byPractitioner null where the client wrote it
   * @param toldAt when it was written, where it came in later
   */
  public MessageRow(
      UUID id,
      UUID clientId,
      @Nullable UUID byPractitioner,
      String text,
      Instant at,
      @Nullable Instant toldAt) {
    this.id = id;
    this.clientId = clientId;
    this.byPractitioner = byPractitioner;
    this.text = text;
    this.at = at;
    this.toldAt = toldAt;
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

  public Optional<UUID> by() {
    return Optional.ofNullable(byPractitioner);
  }

  public String text() {
    return text;
  }

  public Instant at() {
    return at;
  }

  public Optional<Instant> toldAt() {
    return Optional.ofNullable(toldAt);
  }

  public Optional<Instant> seenAt() {
    return Optional.ofNullable(seenAt);
  }

  public void seen(Instant when) {
    if (seenAt == null) seenAt = when;
  }
}
