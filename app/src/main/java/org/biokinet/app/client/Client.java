package org.biokinet.app.client;

import jakarta.persistence.Entity;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** A person who is treated. */
@Entity
public class Client extends Row {
  private UUID practiceId;
  private UUID practitionerId;
  private String name;
  private @Nullable LocalDate birthDate;
  private String work;
  private String zone;
  private String language;
  private BigDecimal breathSeconds;
  private Instant createdAt;
  @Version private int version;

  @SuppressWarnings("NullAway.Init")
  protected Client() {}

  public Client(
      UUID practiceId,
      UUID practitionerId,
      String name,
      @Nullable LocalDate birthDate,
      String work,
      ZoneId zone,
      Locale language,
      double breathSeconds,
      Instant createdAt) {
    this.practiceId = practiceId;
    this.practitionerId = practitionerId;
    this.name = name;
    this.birthDate = birthDate;
    this.work = work;
    this.zone = zone.getId();
    this.language = language.getLanguage();
    this.breathSeconds = tenths(breathSeconds);
    this.createdAt = createdAt;
  }

  public UUID practiceId() {
    return practiceId;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public String name() {
    return name;
  }

  /** The first word of the name, as the client is spoken to. */
  public String firstName() {
    return name.split("\\s+", 2)[0];
  }

  public Optional<LocalDate> birthDate() {
    return Optional.ofNullable(birthDate);
  }

  public String work() {
    return work;
  }

  /** Days are days in this zone. */
  public ZoneId zone() {
    return ZoneId.of(zone);
  }

  public Locale language() {
    return Locale.forLanguageTag(language);
  }

  /** One breath, in seconds. */
  public double breathSeconds() {
    return breathSeconds.doubleValue();
  }

  void setBreath(double seconds) {
    breathSeconds = tenths(seconds);
  }

  private static BigDecimal tenths(double seconds) {
    return BigDecimal.valueOf(seconds).setScale(1, RoundingMode.HALF_UP);
  }

  public Instant createdAt() {
    return createdAt;
  }

  public int version() {
    return version;
  }
}
