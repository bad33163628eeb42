package org.biokinet.app.client;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Period;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.account.PracticeStamp;
import org.biokinet.app.support.Row;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.screening.Screening;
import org.hibernate.annotations.Formula;
import org.jspecify.annotations.Nullable;

/** A person who is treated. */
@Entity
public class Client extends Row {
  private UUID practiceId;
  private UUID practitionerId;
  private String name;
  private @Nullable LocalDate birthDate;
  private String phone;
  private String email;
  private String zone;
  private String language;
  private String work;
  private @Nullable BigDecimal deskHours;
  private @Nullable Integer screens;

  @Enumerated(EnumType.STRING)
  private Circumstances.@Nullable Shifts shifts;

  @Enumerated(EnumType.STRING)
  private Circumstances.@Nullable Hand hand;

  private String positions;
  private String equipment;
  private @Nullable Integer minutes;
  private @Nullable Integer timesPerDay;
  private @Nullable LocalDate consentOn;
  private BigDecimal breathSeconds;
  private Instant createdAt;
  private @Nullable Instant screenAfter;
  private Instant episodeSince;
  private @Nullable Instant archivedAt;
  private @Nullable UUID mergedInto;

  @ElementCollection
  @CollectionTable(name = "care_team", joinColumns = @JoinColumn(name = "client_id"))
  @Column(name = "practitioner_id")
  private Set<UUID> careTeam = new LinkedHashSet<>();

  @Version private int version;

  @Formula("(select p.changes from practice p where p.id = practice_id)")
  private int practiceChanges;

  @SuppressWarnings("NullAway.Init")
  protected Client() {}

  Client(
      UUID practiceId,
      UUID practitionerId,
      Contact contact,
      Circumstances circumstances,
      Instant createdAt) {
    this.practiceId = practiceId;
    this.practitionerId = practitionerId;
    set(contact);
    set(circumstances);
    this.breathSeconds = tenths(Pacing.DEFAULT_BREATH_SECONDS);
    this.createdAt = createdAt;
    this.episodeSince = createdAt;
  }

  final void set(Contact c) {
    name = c.name();
    birthDate = c.birthDate().orElse(null);
    phone = c.phone();
    email = c.email();
    zone = c.zone().getId();
    language = c.language().getLanguage();
  }

  final void set(Circumstances c) {
    work = c.work();
    deskHours = c.deskHours().orElse(null);
    screens = boxed(c.screens());
    shifts = c.shifts().orElse(null);
    hand = c.hand().orElse(null);
    positions = Circumstances.codes(c.means().positions());
    equipment = Circumstances.codes(c.means().equipment());
    minutes = boxed(c.minutes());
    timesPerDay = boxed(c.timesPerDay());
    consentOn = c.consent().orElse(null);
  }

  void giveTo(UUID practitioner, Set<UUID> team) {
    practitionerId = practitioner;
    careTeam.retainAll(team);
    careTeam.addAll(team);
    careTeam.remove(practitioner);
  }

  private static @Nullable Integer boxed(OptionalInt value) {
    return value.isPresent() ? Integer.valueOf(value.getAsInt()) : null;
  }

  private static OptionalInt unboxed(@Nullable Integer value) {
    return value == null ? OptionalInt.empty() : OptionalInt.of(value);
  }

  public UUID practiceId() {
    return practiceId;
  }

  /** The practice as it was when this client was read. */
  public PracticeStamp practice() {
    return new PracticeStamp(practiceId, practiceChanges);
  }

  /** Whose client it is. */
  public UUID practitionerId() {
    return practitionerId;
  }

  /** Who treats the client too; only inside a transaction. */
  Set<UUID> careTeam() {
    return Set.copyOf(careTeam);
  }

  public Contact contact() {
    return new Contact(name, birthDate(), phone, email, zone(), language());
  }

  public Circumstances circumstances() {
    return new Circumstances(
        work,
        Optional.ofNullable(deskHours),
        unboxed(screens),
        Optional.ofNullable(shifts),
        Optional.ofNullable(hand),
        means(),
        unboxed(minutes),
        unboxed(timesPerDay),
        Optional.ofNullable(consentOn));
  }

  /** Positions that the client can take, and what is at home. */
  public Means means() {
    return new Means(
        Circumstances.read(Position.class, positions),
        Circumstances.read(Equipment.class, equipment));
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

  /** In whole years on a day; empty while the birth date is not known. */
  public Optional<Integer> age(LocalDate day) {
    return birthDate().map(b -> Period.between(b, day).getYears());
  }

  /** Under 18 on a day, by what is known of the birth date. */
  public boolean minor(LocalDate day) {
    return Screening.minor(birthDate(), day);
  }

  public String phone() {
    return phone;
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

  /** Answers from before this moment no longer count. */
  public Optional<Instant> screenAfter() {
    return Optional.ofNullable(screenAfter);
  }

  /** Programs from before this moment are history. */
  public Instant episodeSince() {
    return episodeSince;
  }

  void beginEpisode(Instant at) {
    episodeSince = at;
    screenAfter = at;
    archivedAt = null;
  }

  void askAgain(Instant at) {
    screenAfter = at;
  }

  public boolean archived() {
    return archivedAt != null;
  }

  /** Since when it is; empty where it is not. */
  public Optional<Instant> archivedAt() {
    return Optional.ofNullable(archivedAt);
  }

  void archive(Instant at) {
    archivedAt = at;
  }

  void reactivate() {
    archivedAt = null;
  }

  /** The record that this one was found to be a duplicate of. */
  public Optional<UUID> mergedInto() {
    return Optional.ofNullable(mergedInto);
  }

  void mergeInto(UUID other, Instant at) {
    mergedInto = other;
    archivedAt = at;
  }

  public int version() {
    return version;
  }
}
