package org.biokinet.app.settings.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** One value of a practice's setting, in force until another row supersedes it. */
@Entity
@Table(name = "practice_setting")
public class SettingRow extends Row {
  private UUID practiceId;
  private String name;
  private String value;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable UUID supersedes;

  @SuppressWarnings("NullAway.Init")
  protected SettingRow() {}

  public SettingRow(
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

  public UUID practiceId() {
    return practiceId;
  }

  public String name() {
    return name;
  }

  public String value() {
    return value;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }

  @Nullable UUID supersedes() {
    return supersedes;
  }
}
