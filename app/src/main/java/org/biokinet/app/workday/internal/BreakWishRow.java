package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.workday.BreakWish;

/** How often a practitioner wants breaks. */
@Entity
@Table(name = "break_wish")
@SuppressWarnings("UnusedVariable") // by these it is found
public class BreakWishRow extends Row {
  private UUID clientId;
  private int preferred;
  private int least;
  private int most;
  private int number;
  private UUID setBy;
  private Instant setAt;

  @SuppressWarnings("NullAway.Init")
  protected BreakWishRow() {}

  public BreakWishRow(UUID clientId, BreakWish wish, UUID setBy, Instant setAt) {
    this.clientId = clientId;
    this.preferred = wish.preferred();
    this.least = wish.least();
    this.most = wish.most();
    this.number = wish.number();
    this.setBy = setBy;
    this.setAt = setAt;
  }

  /** With the usual length; that of a break follows from the desk program. */
  public BreakWish wish() {
    return new BreakWish(preferred, least, most, number, BreakWish.USUAL.length());
  }

  public UUID setBy() {
    return setBy;
  }

  public Instant setAt() {
    return setAt;
  }
}
