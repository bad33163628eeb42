package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** Where a client put a session of a day. */
@Entity
@Table(name = "session_place")
@SuppressWarnings("UnusedVariable") // by these it is found
public class SessionPlaceRow extends Row {
  private UUID clientId;
  private LocalDate day;
  private int place;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected SessionPlaceRow() {}

  public SessionPlaceRow(UUID clientId, LocalDate day, int place, Instant at) {
    this.clientId = clientId;
    this.day = day;
    this.place = place;
    this.at = at;
  }

  public LocalDate day() {
    return day;
  }

  public int place() {
    return place;
  }

  public Instant at() {
    return at;
  }

  public void move(Instant to) {
    at = to;
  }
}
