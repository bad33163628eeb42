package org.biokinet.app.client;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.Period;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Phones;
import org.biokinet.app.practice.PracticeStamp;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.Screening;

/**
 * A person who is treated, as it stood when it was read.
 *
 * @param practice as it was when this client was read
 * @param practitionerId whose client it is
 * @param breathSeconds one breath
 * @param policy how strong a stretch may be, as the last review of this episode chose
 * @param selfCheck whether the practitioner has asked for a daily check of the joints
 * @param mapFrom from which day on the weekly body map is asked for, where a practitioner wants it
 * @param morningFrom when the client wants to be asked about the morning, where that was chosen
 * @param besideAt when something last came that could not be counted
 * @param screenAfter answers from before this moment no longer count
 * @param episodeSince programs from before this moment are history
 * @param archivedAt since when nothing goes on for them; empty where they are treated
 * @param mergedInto the record that this one was found to be a duplicate of
 * @param version counts up with every change, for two who edit
 */
public record Client(
    UUID id,
    PracticeStamp practice,
    UUID practitionerId,
    Contact contact,
    Circumstances circumstances,
    double breathSeconds,
    Policy policy,
    boolean selfCheck,
    Optional<LocalDate> mapFrom,
    Optional<LocalTime> morningFrom,
    Optional<Instant> besideAt,
    Instant createdAt,
    Optional<Instant> screenAfter,
    Instant episodeSince,
    Optional<Instant> archivedAt,
    Optional<UUID> mergedInto,
    int version) {

  /** As long as that it is said on Today; our choice. */
  private static final Duration BESIDE_SAID = Duration.ofDays(7);

  /** The same with another length of one breath. */
  public Client breathing(double seconds) {
    return new Client(
        id,
        practice,
        practitionerId,
        contact,
        circumstances,
        seconds,
        policy,
        selfCheck,
        mapFrom,
        morningFrom,
        besideAt,
        createdAt,
        screenAfter,
        episodeSince,
        archivedAt,
        mergedInto,
        version);
  }

  /** The same as the id, for templates. */
  public UUID getId() {
    return id;
  }

  public UUID practiceId() {
    return practice.practiceId();
  }

  public String name() {
    return contact.name();
  }

  /** The first word of the name, as the client is spoken to. */
  public String firstName() {
    return name().split("\\s+", 2)[0];
  }

  public Optional<LocalDate> birthDate() {
    return contact.birthDate();
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
    return contact.phone();
  }

  /** What a telephone dials to call them. */
  public String dialled() {
    return Phones.dialled(phone());
  }

  public String work() {
    return circumstances.work();
  }

  /** Whether the body map of the week is asked for on a day. */
  public boolean mapDue(LocalDate day) {
    return mapFrom.filter(from -> !day.isBefore(from)).isPresent();
  }

  /** Whether something came lately that could not be counted, so that the client is told. */
  public boolean toldBeside(Instant now) {
    return besideAt.filter(at -> now.isBefore(at.plus(BESIDE_SAID))).isPresent();
  }

  /** Positions that the client can take, and what is at home. */
  public Means means() {
    return circumstances.means();
  }

  /** Days are days in this zone. */
  public ZoneId zone() {
    return contact.zone();
  }

  public Locale language() {
    return contact.language();
  }

  public boolean archived() {
    return archivedAt.isPresent();
  }
}
