package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.Busy;

/** Something in the way of a client's breaks. */
@Entity
@Table(name = "busy")
public class BusyRow extends Row {
  private UUID clientId;
  private Instant fromAt;
  private Instant untilAt;

  @Enumerated(EnumType.STRING)
  private Busy.Kind kind;

  private String title;
  private boolean byHand;

  @SuppressWarnings("NullAway.Init")
  protected BusyRow() {}

  public BusyRow(UUID clientId, Busy busy, String title, boolean byHand) {
    this.clientId = clientId;
    this.fromAt = busy.span().from();
    this.untilAt = busy.span().until();
    this.kind = busy.kind();
    this.title = title;
    this.byHand = byHand;
  }

  public UUID clientId() {
    return clientId;
  }

  public Busy busy() {
    return new Busy(new Span(fromAt, untilAt), kind);
  }

  public String title() {
    return title;
  }

  public boolean byHand() {
    return byHand;
  }
}
