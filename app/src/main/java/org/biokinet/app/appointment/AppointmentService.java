package org.biokinet.app.appointment;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import org.biokinet.app.appointment.internal.AppointmentRow;
import org.biokinet.app.appointment.internal.Appointments;
import org.biokinet.app.appointment.internal.CalendarFileRow;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.core.calendar.CalendarFile;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The appointments of a practice, taken from its calendar file. */
@Service
public class AppointmentService {

  /** So far ahead a file is read; our choice. */
  private static final int DAYS_AHEAD = 90;

  private final Appointments appointments;
  private final Appointments.Files files;
  private final ClientService clients;
  private final AccountService accounts;
  private final PracticeService practices;
  private final Audit audit;
  private final Clock clock;

  AppointmentService(
      Appointments appointments,
      Appointments.Files files,
      ClientService clients,
      AccountService accounts,
      PracticeService practices,
      Audit audit,
      Clock clock) {
    this.appointments = appointments;
    this.files = files;
    this.clients = clients;
    this.accounts = accounts;
    this.practices = practices;
    this.audit = audit;
    this.clock = clock;
  }

  /** The file that was taken last, by whom and when. */
  public record Taken(String name, String by, Instant at) {}

  @Transactional(readOnly = true)
  public Optional<Taken> taken(Me me) {
    return files
        .findById(me.practiceId())
        .map(f -> new Taken(f.name(), accounts.practitionerName(f.takenBy()), f.takenAt()));
  }

  public LocalDate today(Me me) {
    return LocalDate.ofInstant(clock.instant(), ZoneId.of(me.zone()));
  }

  /** Those of a day, the first first. */
  @Transactional(readOnly = true)
  public List<Appointment> on(Me me, LocalDate day) {
    ZoneId zone = ZoneId.of(me.zone());
    return appointments
        .between(
            me.practiceId(),
            day.atStartOfDay(zone).toInstant(),
            day.plusDays(1).atStartOfDay(zone).toInstant())
        .stream()
        .map(AppointmentRow::appointment)
        .toList();
  }

  /**
   * Takes a file in the place of the one before.
   *
   * @param known of those in the file, how many are with a client who is known
   */
  public record Outcome(int events, int known, List<CalendarFile.Fault> faults) {}

  /**
   * @throws CalendarFile.Unreadable where it is none; then the one before stays
   */
  @Changes
  public Outcome take(Me me, String name, byte[] content) throws CalendarFile.Unreadable {
    practices.lock(me);
    LocalDate today = today(me);
    CalendarFile file =
        CalendarFile.read(content, ZoneId.of(me.zone()), today, today.plusDays(DAYS_AHEAD));
    List<Known> all = clients.all(me).stream().filter(c -> !c.archived()).map(Known::of).toList();
    List<Appointment> found =
        file.events().stream()
            .filter(e -> !e.wholeDay())
            .map(e -> new Appointment(e.from(), e.until(), e.title(), who(e, all)))
            .toList();
    appointments.clear(me.practiceId());
    appointments.saveAll(found.stream().map(a -> new AppointmentRow(me.practiceId(), a)).toList());
    files.save(new CalendarFileRow(me.practiceId(), name, me.id(), clock.instant()));
    audit.practiceChanged(me, "calendar", "%d appointments".formatted(found.size()));
    return new Outcome(
        found.size(),
        (int) found.stream().filter(a -> a.client().isPresent()).count(),
        file.faults());
  }

  /** How a client is told from the others, in small letters. */
  private record Known(UUID id, String name, String mail) {

    static Known of(Client c) {
      return new Known(
          c.getId(),
          c.name().toLowerCase(Locale.ROOT),
          c.contact().email().toLowerCase(Locale.ROOT));
    }

    /** Whether the name stands there as a whole, and not within a longer one. */
    boolean named(String title) {
      int at = title.indexOf(name);
      int end = at + name.length();
      return at >= 0
          && (at == 0 || !Character.isLetter(title.charAt(at - 1)))
          && (end == title.length() || !Character.isLetter(title.charAt(end)));
    }
  }

  /** By mail address, else by the name in the title; of two who could be meant it is neither. */
  private static Optional<UUID> who(CalendarFile.Event e, List<Known> all) {
    String title = e.title().toLowerCase(Locale.ROOT);
    return only(all, c -> !c.mail().isEmpty() && e.mails().contains(c.mail()))
        .or(() -> only(all, c -> c.named(title)));
  }

  private static Optional<UUID> only(List<Known> all, Predicate<Known> meant) {
    List<Known> found = all.stream().filter(meant).toList();
    return found.size() == 1 ? Optional.of(found.get(0).id()) : Optional.empty();
  }
}
