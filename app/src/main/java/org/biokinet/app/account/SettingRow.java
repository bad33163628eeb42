package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** One value of a practice's setting, in force until another row supersedes it. */
@Entity
@Table(name = "practice_setting")
class SettingRow extends Row {
  private UUID practiceId;
  private String name;
  private String value;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable UUID supersedes;

  @SuppressWarnings("NullAway.Init")
  protected SettingRow() {}

  SettingRow(
      UUID practiceId,
      String name,
      String value,
      UUID madeBy,
      Instant madeAt,
      @Nullable UUID supersedes) {
    this.practiceId = practiceId;
    this.name = name;
    this.value = value;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
    this.supersedes = supersedes;
  }

  UUID practiceId() {
    return practiceId;
  }

  String name() {
    return name;
  }

  String value() {
    return value;
  }

  UUID madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }

  @Nullable UUID supersedes() {
    return supersedes;
  }
}
