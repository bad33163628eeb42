package org.biokinet.app.practice.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.ZoneId;
import org.biokinet.app.platform.Row;
import org.biokinet.app.practice.Practice;

/** A practice as it is stored. */
@Entity
@Table(name = "practice")
public class PracticeRow extends Row {
  private String name;
  private String zone;
  private String phone;

  @SuppressWarnings("UnusedVariable") // for who looks into a fault
  private Instant createdAt;

  @SuppressWarnings("UnusedVariable") // counted by the database
  private int changes;

  @SuppressWarnings("NullAway.Init")
  protected PracticeRow() {}

  public PracticeRow(String name, ZoneId zone, String phone, Instant createdAt) {
    this.name = name;
    this.zone = zone.getId();
    this.phone = phone;
    this.createdAt = createdAt;
  }

  /** As everybody else sees it. */
  public Practice practice() {
    return new Practice(getId(), name, ZoneId.of(zone), phone);
  }
}
