package org.biokinet.app.client.internal;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.platform.Row;
import org.biokinet.app.practice.PracticeStamp;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.screening.Policy;
import org.hibernate.annotations.Formula;
import org.hibernate.annotations.OptimisticLock;
import org.jspecify.annotations.Nullable;

/** A person who is treated, as it is stored. */
@Entity
@Table(name = "client")
public class ClientRow extends Row {
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

  /** Chosen at a review, in nobody's way who edits the rest. */
  @OptimisticLock(excluded = true)
  @Enumerated(EnumType.STRING)
  private Policy policy;

  private boolean selfCheck;

  /** Moved on by every map of the client's, in nobody's way who edits the rest. */
  @OptimisticLock(excluded = true)
  private @Nullable LocalDate mapFrom;

  /** The client's own choice is in nobody's way who edits the rest. */
  @OptimisticLock(excluded = true)
  private @Nullable LocalTime morningFrom;

  @OptimisticLock(excluded = true)
  private @Nullable Instant besideAt;

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
  protected ClientRow() {}

  public ClientRow(
      UUID practiceId,
      UUID practitionerId,
      Contact contact,
      Circumstances circumstances,
      Instant createdAt) {
    this.practiceId = practiceId;
    this.practitionerId = practitionerId;
    set(contact);
    set(circumstances);
    this.policy = Policy.COMFORT_FIRST;
    this.breathSeconds = tenths(Pacing.DEFAULT_BREATH_SECONDS);
    this.createdAt = createdAt;
    this.episodeSince = createdAt;
  }

  public final void set(Contact c) {
    name = c.name();
    birthDate = c.birthDate().orElse(null);
    phone = c.phone();
    email = c.email();
    zone = c.zone().getId();
    language = c.language().getLanguage();
  }

  public final void set(Circumstances c) {
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

  public void giveTo(UUID practitioner, Set<UUID> team) {
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

  /** As everybody else sees it. */
  public Client client() {
    return new Client(
        getId(),
        new PracticeStamp(practiceId, practiceChanges),
        practitionerId,
        contact(),
        circumstances(),
        breathSeconds.doubleValue(),
        policy,
        selfCheck,
        Optional.ofNullable(mapFrom),
        Optional.ofNullable(morningFrom),
        Optional.ofNullable(besideAt),
        createdAt,
        Optional.ofNullable(screenAfter),
        episodeSince,
        Optional.ofNullable(archivedAt),
        Optional.ofNullable(mergedInto),
        version);
  }

  /** Who treats the client too; only inside a transaction. */
  public Set<UUID> careTeam() {
    return Set.copyOf(careTeam);
  }

  public Contact contact() {
    return new Contact(
        name,
        Optional.ofNullable(birthDate),
        phone,
        email,
        ZoneId.of(zone),
        Locale.forLanguageTag(language));
  }

  private Circumstances circumstances() {
    return new Circumstances(
        work,
        Optional.ofNullable(deskHours),
        unboxed(screens),
        Optional.ofNullable(shifts),
        Optional.ofNullable(hand),
        new Means(
            Circumstances.read(Position.class, positions),
            Circumstances.read(Equipment.class, equipment)),
        unboxed(minutes),
        unboxed(timesPerDay),
        Optional.ofNullable(consentOn));
  }

  public boolean archived() {
    return archivedAt != null;
  }

  public boolean merged() {
    return mergedInto != null;
  }

  public int version() {
    return version;
  }

  public void setBreath(double seconds) {
    breathSeconds = tenths(seconds);
  }

  public void choose(Policy chosen) {
    policy = chosen;
  }

  public void askSelfCheck(boolean asked) {
    selfCheck = asked;
  }

  public void askMap(@Nullable LocalDate from) {
    mapFrom = from;
  }

  public void chooseMorning(LocalTime from) {
    morningFrom = from;
  }

  public void toldBeside(Instant at) {
    besideAt = at;
  }

  private static BigDecimal tenths(double seconds) {
    return BigDecimal.valueOf(seconds).setScale(1, RoundingMode.HALF_UP);
  }

  public void beginEpisode(Instant at) {
    episodeSince = at;
    screenAfter = at;
    archivedAt = null;
    policy = Policy.COMFORT_FIRST;
  }

  public void askAgain(Instant at) {
    screenAfter = at;
  }

  public void archive(Instant at) {
    archivedAt = at;
  }

  public void reactivate() {
    archivedAt = null;
  }

  public void mergeInto(UUID other, Instant at) {
    mergedInto = other;
    archivedAt = at;
  }
}
