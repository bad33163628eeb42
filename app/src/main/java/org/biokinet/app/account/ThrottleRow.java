package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Failures to sign in under one name. */
@Entity
@Table(name = "throttle")
class ThrottleRow {
  @Id private String bucket;
  int failures;
  @Nullable Instant lockedUntil;
  Instant lastFailure;

  @SuppressWarnings("NullAway.Init")
  protected ThrottleRow() {}

  ThrottleRow(String bucket, Instant at) {
    this.bucket = bucket;
    this.lastFailure = at;
  }

  String bucket() {
    return bucket;
  }
}
