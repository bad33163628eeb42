package org.biokinet.app.people;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.people.internal.AbsenceRow;
import org.biokinet.app.people.internal.Absences;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who is away when, and who looks after their clients meanwhile. */
@Service
public class AbsenceService {

  /** Longer than that somebody has left; our choice. */
  static final int MOST_DAYS = 366;

  private final Absences absences;
  private final AccountService accounts;
  private final PracticeService practices;
  private final Audit audit;
  private final Clock clock;

  AbsenceService(
      Absences absences,
      AccountService accounts,
      PracticeService practices,
      Audit audit,
      Clock clock) {
    this.absences = absences;
    this.accounts = accounts;
    this.practices = practices;
    this.audit = audit;
    this.clock = clock;
  }

  /** What is wrong, and with what. */
  public sealed interface Fault {

    /** It begins before today, ends before it begins, or lasts too long. */
    record Days(LocalDate earliest) implements Fault {}

    /** Only an owner writes down that somebody else is away. */
    record NotYours() implements Fault {}

    /** Nobody of the practice who treats, or whoever is away. */
    record NoCover() implements Fault {}

    /** Whoever is to look after them is away on one of these days, too. */
    record CoverAway(Absence other) implements Fault {}

    /** Whoever is to be away looks after somebody else's clients on one of these days. */
    record Covers(Absence other) implements Fault {}

    /** They are away on one of these days already. */
    record Already(Absence other) implements Fault {}
  }

  public LocalDate today(Me me) {
    return LocalDate.ofInstant(clock.instant(), ZoneId.of(me.zone()));
  }

  /** Those that last or are to come, the first to begin first. */
  @Transactional(readOnly = true)
  public List<Absence> ahead(Me me) {
    return absences
        .findByPracticeIdAndEndedAtIsNullAndLastDayGreaterThanEqualOrderByFromDayAscMadeAtAsc(
            me.practiceId(), today(me))
        .stream()
        .map(AbsenceRow::absence)
        .toList();
  }

  /**
   * Somebody is away.
   *
   * @return what is wrong; empty where it is written down
   */
  @Changes
  public Optional<Fault> add(Me me, UUID who, UUID cover, LocalDate from, LocalDate last) {
    practices.lock(me); // who covers whom is decided one after another
    Optional<Fault> fault = fault(me, who, cover, from, last);
    if (fault.isPresent()) return fault;
    absences.save(
        new AbsenceRow(me.practiceId(), who, cover, from, last, me.id(), clock.instant()));
    audit.practiceChanged(
        me,
        "away",
        "%s from %s to %s, %s covers"
            .formatted(
                accounts.practitionerName(who), from, last, accounts.practitionerName(cover)));
    return Optional.empty();
  }

  private Optional<Fault> fault(Me me, UUID who, UUID cover, LocalDate from, LocalDate last) {
    LocalDate today = today(me);
    if (from.isBefore(today)
        || last.isBefore(from)
        || ChronoUnit.DAYS.between(from, last) > MOST_DAYS) {
      return Optional.of(new Fault.Days(today));
    }
    if (!who.equals(me.id()) && !me.role().owner()) return Optional.of(new Fault.NotYours());
    List<UUID> treating =
        accounts.colleagues(me).stream().map(AccountService.Colleague::id).toList();
    if (!treating.contains(who)) throw new NotFound();
    if (!treating.contains(cover) || cover.equals(who)) return Optional.of(new Fault.NoCover());
    for (Absence other : ahead(me)) {
      if (!other.meets(from, last)) continue;
      if (other.who().equals(who)) return Optional.of(new Fault.Already(other));
      if (other.who().equals(cover)) return Optional.of(new Fault.CoverAway(other));
      if (other.cover().equals(who)) return Optional.of(new Fault.Covers(other));
    }
    return Optional.empty();
  }

  /** They are back, or do not go. */
  @Changes
  public void end(Me me, UUID id) {
    practices.lock(me);
    AbsenceRow row =
        absences
            .findByIdAndPracticeIdAndEndedAtIsNull(id, me.practiceId())
            .orElseThrow(NotFound::new);
    Absence absence = row.absence();
    boolean mine = absence.who().equals(me.id()) || absence.cover().equals(me.id());
    if (!mine && !me.role().owner()) throw new NotFound();
    row.end(clock.instant());
    audit.practiceChanged(me, "away", accounts.practitionerName(absence.who()) + " is back");
  }
}
