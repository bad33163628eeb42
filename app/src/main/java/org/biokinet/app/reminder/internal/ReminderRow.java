package org.biokinet.app.reminder.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Row;
import org.biokinet.core.session.Reminding;
import org.jspecify.annotations.Nullable;

/** When a client is reminded, and the address that ends it. */
@Entity
@Table(name = "reminder")
public class ReminderRow extends Row {
  private UUID clientId;
  private String times = "";
  private String offToken;
  private @Nullable Instant nextAt;

  @SuppressWarnings("NullAway.Init")
  protected ReminderRow() {}

  public ReminderRow(UUID clientId, String offToken) {
    this.clientId = clientId;
    this.offToken = offToken;
  }

  public UUID clientId() {
    return clientId;
  }

  public String offToken() {
    return offToken;
  }

  public Reminding reminding() {
    return new Reminding(
        Arrays.stream(times.split(" ", -1))
            .filter(t -> !t.isEmpty())
            .map(LocalTime::parse)
            .toList());
  }

  /** When it is to be looked at next; empty where nobody wants to be reminded. */
  public Optional<Instant> next() {
    return Optional.ofNullable(nextAt);
  }

  public void choose(Reminding chosen) {
    times = chosen.times().stream().map(LocalTime::toString).collect(Collectors.joining(" "));
  }

  public void next(Optional<Instant> at) {
    nextAt = at.orElse(null);
  }
}
