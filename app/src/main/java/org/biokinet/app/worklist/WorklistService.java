package org.biokinet.app.worklist;

import static java.util.stream.Collectors.toSet;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.appointment.Appointment;
import org.biokinet.app.appointment.AppointmentService;
import org.biokinet.app.client.Station;
import org.biokinet.app.people.Absence;
import org.biokinet.app.people.AbsenceService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Pages;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.internal.StandingRow;
import org.biokinet.app.worklist.internal.Standings;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.PutOff;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Service;

/** Everybody of a practice who is treated now, sorted by who needs attention, with one reason. */
@Service
public class WorklistService {

  /** Whose clients are wanted. */
  public enum Whose {
    /** Those whom I treat, and those of whoever I cover for today. */
    MINE,
    /** The same, and those in whose care team I am. */
    TEAM,
    ALL
  }

  /**
   * One client: one state word, one reason, one way on.
   *
   * @param of who treats them; empty where that is who looks
   */
  public record Row(
      UUID id,
      String name,
      Attention attention,
      String word,
      String reason,
      String of,
      Week week,
      Station next,
      boolean mayWait) {}

  /** Why somebody is on the list, and how many are for that. */
  public record Reason(Attention attention, String word, long clients) {}

  /** One client as the desk sees it: who, how to reach, and that something is urgent. */
  public record DeskRow(
      UUID id,
      String name,
      String phone,
      String email,
      UUID practitioner,
      boolean urgent,
      boolean pin) {}

  private static final int FIRST = 0;
  private static final int STEADY = Attention.AWAY.place();
  private static final int LAST = Attention.STEADY.place();

  /** Of the same reason whoever waits longest; our choice. */
  private static final Sort PRESSING = Sort.by("place", "since", "name", "clientId");

  /** Nobody waits: they are looked for. */
  private static final Sort BY_NAME = Sort.by("place", "name", "clientId");

  private final Standings standings;
  private final StandingService service;
  private final AbsenceService absences;
  private final AccountService accounts;
  private final AppointmentService appointments;
  private final Clock clock;

  WorklistService(
      Standings standings,
      StandingService service,
      AbsenceService absences,
      AccountService accounts,
      AppointmentService appointments,
      Clock clock) {
    this.standings = standings;
    this.service = service;
    this.absences = absences;
    this.accounts = accounts;
    this.appointments = appointments;
    this.clock = clock;
  }

  /** The list as somebody looks at it now; whose time is over is brought up before. */
  public Look look(Me me, Whose whose) {
    bringUp(me);
    LocalDate today = absences.today(me);
    List<Absence> covered =
        absences.ahead(me).stream().filter(a -> a.on(today) && a.cover().equals(me.id())).toList();
    return new Look(me, whose, covered);
  }

  /** Somebody's look at it. */
  public final class Look {
    private final Me me;
    private final boolean all;
    private final Set<UUID> whom;
    private final String team;
    private final List<Absence> covered;
    private final Instant now = clock.instant();

    private Look(Me me, Whose whose, List<Absence> covered) {
      this.me = me;
      this.all = whose == Whose.ALL;
      this.whom =
          Stream.concat(Stream.of(me.id()), covered.stream().map(Absence::who)).collect(toSet());
      this.team = whose == Whose.TEAM ? me.id().toString() : "";
      this.covered = covered;
    }

    /** For whom I look today, and until when. */
    public List<Absence> covered() {
      return covered;
    }

    /**
     * Those who want something, the most pressing first, then whoever has waited longest.
     *
     * @param only of this reason alone; empty for all
     */
    public Page<Row> wanting(Optional<Attention> only, int page, int size) {
      return places(
          only.map(Attention::place).orElse(FIRST),
          only.map(Attention::place).orElse(STEADY - 1),
          page(page, size, PRESSING));
    }

    /** For what reasons somebody wants something, the most pressing first. */
    public List<Reason> reasons() {
      return standings
          .counted(me.practiceId(), Standing.FORM, all, whom, team, FIRST, STEADY - 1)
          .stream()
          .map(
              at -> {
                Attention attention = Attention.at(at.getPlace());
                return new Reason(attention, StandingWords.word(attention), at.getClients());
              })
          .toList();
    }

    /** Those who are looked at later. */
    public Page<Row> later(int page, int size) {
      return places(StandingRow.LATER, StandingRow.LATER + LAST, page(page, size, PRESSING));
    }

    public Page<Row> steady(int page, int size) {
      return places(STEADY, LAST, page(page, size, BY_NAME));
    }

    private Page<Row> places(int from, int to, Pageable page) {
      return standings
          .places(me.practiceId(), Standing.FORM, all, whom, team, from, to, page)
          .map(r -> row(me, r, now));
    }
  }

  /** An appointment of today; empty where it is with nobody who is treated now. */
  public record Meeting(Appointment at, Optional<Row> row) {}

  /** Today's appointments, the first first, each with where the client stands. */
  public List<Meeting> meetings(Me me) {
    List<Appointment> today = appointments.on(me, appointments.today(me));
    Instant now = clock.instant();
    Map<UUID, Row> rows = new HashMap<>();
    List<UUID> known = today.stream().flatMap(a -> a.client().stream()).toList();
    if (!known.isEmpty()) {
      standings
          .findByClientIdInAndForm(known, Standing.FORM)
          .forEach(r -> rows.put(r.getId(), row(me, r, now)));
    }
    return today.stream()
        .map(a -> new Meeting(a, a.client().flatMap(c -> Optional.ofNullable(rows.get(c)))))
        .toList();
  }

  private static Pageable page(int page, int size, Sort order) {
    return PageRequest.of(Pages.bounded(page), size, order);
  }

  private Row row(Me me, StandingRow r, Instant now) {
    Standing s = r.standing();
    StandingWords words = StandingWords.of(s, r.phone(), now, r.zone());
    Week week = Week.of(s.week(), now.atZone(r.zone()).toLocalDate());
    return new Row(
        r.getId(),
        r.name(),
        s.attention(),
        words.word(),
        words.reason(),
        r.practitionerId().equals(me.id()) ? "" : accounts.practitionerName(r.practitionerId()),
        week,
        words.next(),
        PutOff.may(s.attention()));
  }

  /** How many are not on any list yet, after the application was changed. */
  public long missing(Me me) {
    return service.missing(me.practiceId());
  }

  /** Whether somebody else of the practice has clients too. */
  public boolean shared(Me me) {
    return standings.existsByPracticeIdAndPractitionerIdNot(me.practiceId(), me.id());
  }

  /**
   * For the front desk, those about whom a practitioner has to be told at once first.
   *
   * @param q a part of a name or phone number, or empty
   */
  public Page<DeskRow> desk(Me me, String q, int page, int size) {
    bringUp(me);
    return standings
        .found(me.practiceId(), Standing.FORM, q, PageRequest.of(Pages.bounded(page), size))
        .map(
            r ->
                new DeskRow(
                    r.getId(),
                    r.name(),
                    r.phone(),
                    r.email(),
                    r.practitionerId(),
                    r.standing().attention().urgent(),
                    r.standing().pinForgotten().isPresent()));
  }

  /** Those whose time is over, the most pressing first; at midnight not all of many. */
  private void bringUp(Me me) {
    service.due(me.practiceId()).forEach(service::renew);
  }
}
