package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
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
  private final Clock clock;

  WorklistService(
      Standings standings,
      StandingService service,
      AbsenceService absences,
      AccountService accounts,
      Clock clock) {
    this.standings = standings;
    this.service = service;
    this.absences = absences;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * Those who want something, the most pressing first, then whoever has waited longest.
   *
   * @param only of this reason alone; empty for all
   */
  public Page<Row> wanting(Me me, Whose whose, Optional<Attention> only, int page, int size) {
    return places(
        me,
        whose,
        only.map(Attention::place).orElse(FIRST),
        only.map(Attention::place).orElse(STEADY - 1),
        page(page, size, PRESSING));
  }

  /** For what reasons somebody wants something, the most pressing first. */
  public List<Reason> reasons(Me me, Whose whose) {
    bringUp(me);
    return standings
        .counted(me.practiceId(), whose == Whose.ALL, whom(me), team(me, whose), FIRST, STEADY - 1)
        .stream()
        .map(
            at -> {
              Attention attention = Attention.at(at.getPlace());
              return new Reason(attention, StandingWords.word(attention), at.getClients());
            })
        .toList();
  }

  /** Those who are looked at later. */
  public Page<Row> later(Me me, Whose whose, int page, int size) {
    return places(
        me, whose, StandingRow.LATER, StandingRow.LATER + LAST, page(page, size, PRESSING));
  }

  public Page<Row> steady(Me me, Whose whose, int page, int size) {
    return places(me, whose, STEADY, LAST, page(page, size, BY_NAME));
  }

  private Page<Row> places(Me me, Whose whose, int from, int to, Pageable page) {
    bringUp(me);
    Instant now = clock.instant();
    return standings
        .places(me.practiceId(), whose == Whose.ALL, whom(me), team(me, whose), from, to, page)
        .map(r -> row(me, r, now));
  }

  /** Those whose clients are mine today. */
  private Set<UUID> whom(Me me) {
    Set<UUID> whom = new LinkedHashSet<>(List.of(me.id()));
    covered(me).forEach(a -> whom.add(a.who()));
    return whom;
  }

  private static String team(Me me, Whose whose) {
    return whose == Whose.TEAM ? me.id().toString() : "";
  }

  /** For whom I look today, and until when. */
  public List<Absence> covered(Me me) {
    LocalDate today = absences.today(me);
    return absences.ahead(me).stream()
        .filter(a -> a.on(today) && a.cover().equals(me.id()))
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
        .found(me.practiceId(), q, PageRequest.of(Pages.bounded(page), size))
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

  /** Those whose time is over; few, since what depends on the day is left to the words. */
  private void bringUp(Me me) {
    List<UUID> due = service.due(me.practiceId());
    due.forEach(service::renew);
  }
}
