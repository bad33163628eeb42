package org.biokinet.app.account;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import org.biokinet.app.support.Row;

/** A practice: the wall around everything that belongs to it. */
@Entity
public class Practice extends Row {
  private String name;
  private String zone;
  private String phone;
  private Instant createdAt;

  @SuppressWarnings("UnusedVariable") // counted by the database
  private int changes;

  @SuppressWarnings("NullAway.Init")
  protected Practice() {}

  public Practice(String name, ZoneId zone, String phone, Instant createdAt) {
    this.name = name;
    this.zone = zone.getId();
    this.phone = phone;
    this.createdAt = createdAt;
  }

  public String name() {
    return name;
  }

  public ZoneId zone() {
    return ZoneId.of(zone);
  }

  /** The number a client can call. */
  public String phone() {
    return phone;
  }

  public Instant createdAt() {
    return createdAt;
  }
}
