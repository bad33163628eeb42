package org.biokinet.app.session;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.session.internal.ChosenDaysRow;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.session.DaysOff;
import org.biokinet.core.session.Due;
import org.biokinet.core.session.Session;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** On which days a client does what, and what of it is due. */
@Service
public class DaysService {

  interface ChosenDays extends JpaRepository<ChosenDaysRow, UUID> {
    Optional<ChosenDaysRow> findByClientIdAndProgram(UUID clientId, ProgramKind program);
  }

  private final ChosenDays chosen;
  private final SessionService sessions;
  private final ClientService clients;
  private final Audit audit;
  private final Clock clock;

  DaysService(
      ChosenDays chosen, SessionService sessions, ClientService clients, Audit audit, Clock clock) {
    this.chosen = chosen;
    this.sessions = sessions;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * @param days of the week on which it is done
   */
  public record Today(Due due, Rhythm rhythm, Set<DayOfWeek> days) {}

  /**
   * What is due today. Days that were chosen for another number of days a week do not count.
   *
   * @param sessions of the program; others do no harm
   */
  @Transactional(readOnly = true)
  public Today today(
      ClientMe me, ProgramKind program, Rhythm rhythm, Collection<Session> sessions) {
    Optional<ChosenDaysRow> row = chosen.findByClientIdAndProgram(me.id(), program);
    Set<DayOfWeek> days = days(row, rhythm);
    Due due =
        Due.of(
            day(me),
            rhythm,
            days,
            row.flatMap(ChosenDaysRow::moved),
            sessions.stream().filter(s -> s.program() == program).toList());
    return new Today(due, rhythm, days);
  }

  /** What may be done, without the items that are done on fewer days and not on this one. */
  @Transactional(readOnly = true)
  public Map<ProgramKind, Permitted> today(Client client, Map<ProgramKind, Permitted> all) {
    if (all.values().stream().allMatch(p -> DaysOff.rarer(p.left()).isEmpty())) return all;
    LocalDate day = LocalDate.ofInstant(clock.instant(), client.zone());
    List<Session> lately = sessions.since(client.getId(), day.minusDays(DaysOff.LOOKS_BACK));
    Map<ProgramKind, Permitted> today = new EnumMap<>(ProgramKind.class);
    all.forEach(
        (program, p) -> {
          int version = p.replay().version().number();
          today.put(program, p.without(DaysOff.of(p.left(), program, version, day, lately)));
        });
    return today;
  }

  /** This day for another, or another for this one. */
  @Changes
  public void move(ClientMe me, ProgramKind program, Rhythm rhythm) {
    ChosenDaysRow row = row(me, program);
    Optional<ChosenDaysRow> there = Optional.of(row);
    row.move(Due.other(day(me), days(there, rhythm), row.moved()));
    audit.changedByClient(me.practiceId(), me.id(), "day moved", program.label());
  }

  /**
   * Chooses the days of the week.
   *
   * @return false where it is another number of days than the program has
   */
  @Changes
  public boolean choose(ClientMe me, ProgramKind program, Rhythm rhythm, Set<DayOfWeek> days) {
    if (days.size() != rhythm.perWeek()) return false;
    row(me, program).choose(days);
    audit.changedByClient(me.practiceId(), me.id(), "days chosen", program.label());
    return true;
  }

  private ChosenDaysRow row(ClientMe me, ProgramKind program) {
    clients.lock(me);
    return chosen
        .findByClientIdAndProgram(me.id(), program)
        .orElseGet(() -> chosen.save(new ChosenDaysRow(me.id(), program)));
  }

  private static Set<DayOfWeek> days(Optional<ChosenDaysRow> row, Rhythm rhythm) {
    return row.map(ChosenDaysRow::days)
        .filter(d -> d.size() == rhythm.perWeek())
        .orElseGet(rhythm::usualDays);
  }

  private LocalDate day(ClientMe me) {
    return LocalDate.ofInstant(clock.instant(), me.zone());
  }
}
