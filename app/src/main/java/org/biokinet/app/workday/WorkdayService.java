package org.biokinet.app.workday;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.practice.Me;
import org.biokinet.app.workday.internal.BreakWishRow;
import org.biokinet.app.workday.internal.BusyRow;
import org.biokinet.app.workday.internal.WorkdayRow;
import org.biokinet.core.calendar.CalendarFile;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Busy;
import org.biokinet.core.workday.Hours;
import org.biokinet.core.workday.SessionWish;
import org.biokinet.core.workday.TimeOfDay;
import org.biokinet.core.workday.WorkRhythm;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How a client works, what their calendar holds, and how often they are to stand up. */
@Service
public class WorkdayService {

  /** So far ahead a calendar is read; our choice. */
  static final int DAYS_AHEAD = 60;

  /** An address is read anew so often; our choice. */
  private static final Duration AGAIN = Duration.ofHours(2);

  private static final int LONGEST_NAME = 200;

  /** Put there by hand; our choice. */
  private static final int MOST_BY_HAND = 200;

  /** A meeting of more than a day is none; our choice. */
  private static final long LONGEST_MINUTES = 24 * 60;

  interface Workdays extends JpaRepository<WorkdayRow, UUID> {
    Optional<WorkdayRow> findByClientId(UUID clientId);

    Optional<WorkdayRow> findByFeed(String token);

    @Query("select w.clientId from WorkdayRow w where w.sourceNext <= :now order by w.sourceNext")
    List<UUID> due(Instant now, Limit most);
  }

  interface Wishes extends JpaRepository<BreakWishRow, UUID> {
    Optional<BreakWishRow> findFirstByClientIdOrderBySetAtDesc(UUID clientId);

    List<BreakWishRow> findByClientIdAndSetAtBetween(UUID clientId, Instant from, Instant until);
  }

  interface BusyTimes extends JpaRepository<BusyRow, UUID> {
    @Query(
        "select b from BusyRow b where b.clientId = :clientId and b.untilAt > :from"
            + " and b.fromAt < :until order by b.fromAt, b.untilAt")
    List<BusyRow> between(UUID clientId, Instant from, Instant until);

    @Modifying
    @Query("delete from BusyRow b where b.clientId = :clientId and b.byHand = false")
    void clearCalendar(UUID clientId);

    @Query("select count(b) from BusyRow b where b.clientId = :clientId and b.byHand = true")
    long byHand(UUID clientId);

    boolean existsByClientIdAndKind(UUID clientId, Busy.Kind kind);
  }

  private final Workdays workdays;
  private final Wishes wishes;
  private final BusyTimes busy;
  private final ClientService clients;
  private final Audit audit;
  private final Clock clock;

  WorkdayService(
      Workdays workdays,
      Wishes wishes,
      BusyTimes busy,
      ClientService clients,
      Audit audit,
      Clock clock) {
    this.workdays = workdays;
    this.wishes = wishes;
    this.busy = busy;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * What a client says of their days.
   *
   * @param times at which they would like to do their sessions
   * @param apart minutes between two sessions, at least
   * @param shifts a word in the titles of events that are shifts; empty where none are
   * @param titles whether the titles of events are kept
   */
  public record Usual(
      List<Hours> hours,
      List<TimeOfDay> quiet,
      List<LocalTime> times,
      int apart,
      String shifts,
      boolean titles) {

    public static final Usual NONE =
        new Usual(
            List.of(),
            List.of(),
            SessionWish.USUAL,
            SessionWish.USUAL_APART,
            "",
            /* titles= */ false);
  }

  /**
   * A calendar that was taken, and when.
   *
   * @param source the address from which it is read again and again; empty where it was a file
   * @param fault why it could not be read there the last time; or empty
   */
  public record Taken(String name, Instant at, String source, String fault) {}

  /**
   * @param said whether the client has said anything of it
   * @param feed the token of the address under which the plan is read
   */
  public record Known(Usual usual, boolean said, Optional<Taken> taken, Optional<String> feed) {}

  @Transactional(readOnly = true)
  public Known of(UUID clientId) {
    return workdays
        .findByClientId(clientId)
        .map(
            row ->
                new Known(
                    row.usual(),
                    true,
                    row.calendarAt()
                        .map(at -> new Taken(row.calendar(), at, row.source(), row.sourceFault())),
                    row.feed()))
        .orElseGet(() -> new Known(Usual.NONE, false, Optional.empty(), Optional.empty()));
  }

  @Changes
  public void say(ClientMe me, Usual usual) {
    row(me).set(usual);
    audit.changedByClient(me.practiceId(), me.id(), "workday", "");
  }

  private WorkdayRow row(ClientMe me) {
    clients.lock(me);
    return workdays.findByClientId(me.id()).orElseGet(() -> workdays.save(new WorkdayRow(me.id())));
  }

  /** How often the practitioner wants breaks; as usual where nobody has said. */
  @Transactional(readOnly = true)
  public BreakWish wish(UUID clientId) {
    return wishes
        .findFirstByClientIdOrderBySetAtDesc(clientId)
        .map(BreakWishRow::wish)
        .orElse(BreakWish.USUAL);
  }

  /**
   * What was wanted since when.
   *
   * @param by the practitioner who said so
   */
  record Wished(BreakWish wish, UUID by, Instant at) {}

  /**
   * What was wanted anew in a time, in any order.
   *
   * @param until not included
   */
  @Transactional(readOnly = true)
  List<Wished> wishes(UUID clientId, Instant from, Instant until) {
    return wishes.findByClientIdAndSetAtBetween(clientId, from, until).stream()
        .filter(row -> row.setAt().isBefore(until))
        .map(row -> new Wished(row.wish(), row.setBy(), row.setAt()))
        .toList();
  }

  @Changes
  public void wish(Me me, UUID clientId, BreakWish wish) {
    clients.lock(me, clientId);
    wishes.save(new BreakWishRow(clientId, wish, me.id(), clock.instant()));
    audit.changed(
        me,
        clientId,
        "desk breaks",
        "every %d min (%d to %d), at most %d a day"
            .formatted(wish.preferred(), wish.least(), wish.most(), wish.number()));
  }

  /**
   * A calendar that was read.
   *
   * @param held how many of its times of the next weeks matter to a day
   */
  public record Outcome(int held, List<CalendarFile.Fault> faults) {}

  /**
   * Takes a calendar in the place of the one before. Only when something is and that it is busy is
   * kept, unless the client wants titles.
   *
   * @throws CalendarFile.Unreadable where it is none; then the one before stays
   */
  @Changes
  public Outcome take(ClientMe me, String name, byte[] content) throws CalendarFile.Unreadable {
    WorkdayRow row = row(me);
    Outcome outcome = take(me, row, name, content);
    row.source("", null);
    return outcome;
  }

  /**
   * Takes what was fetched from an address, from which it is fetched again later.
   *
   * @throws CalendarFile.Unreadable where it is no calendar; then the one before stays
   */
  @Changes
  public Outcome subscribe(ClientMe me, String address, byte[] content)
      throws CalendarFile.Unreadable {
    WorkdayRow row = row(me);
    Outcome outcome = take(me, row, address, content);
    row.source(address, clock.instant().plus(AGAIN));
    return outcome;
  }

  private Outcome take(ClientMe me, WorkdayRow row, String name, byte[] content)
      throws CalendarFile.Unreadable {
    Usual usual = row.usual();
    LocalDate today = LocalDate.ofInstant(clock.instant(), me.zone());
    CalendarFile file =
        CalendarFile.read(content, me.zone(), today.minusDays(1), today.plusDays(DAYS_AHEAD));
    List<BusyRow> held =
        file.events().stream()
            .flatMap(
                e ->
                    Busy.of(e, usual.shifts()).stream()
                        .map(b -> new BusyRow(me.id(), b, usual.titles() ? e.title() : "", false)))
            .toList();
    busy.clearCalendar(me.id());
    busy.saveAll(held);
    row.took(
        name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name, clock.instant());
    audit.changedByClient(me.practiceId(), me.id(), "calendar", "%d times".formatted(held.size()));
    return new Outcome(held.size(), file.faults());
  }

  /** Whose calendar is to be fetched again, the longest overdue first. */
  @Transactional(readOnly = true)
  List<UUID> due(int most) {
    return workdays.due(clock.instant(), Limit.of(most));
  }

  /** It could not be fetched or read: what was there before stays. */
  @Changes
  void failed(ClientMe me, String why) {
    row(me)
        .failed(
            why.length() > LONGEST_NAME ? why.substring(0, LONGEST_NAME) : why,
            clock.instant().plus(AGAIN));
  }

  /** Forgets what a calendar held. */
  @Changes
  public void forget(ClientMe me) {
    WorkdayRow row = row(me);
    busy.clearCalendar(me.id());
    row.took("", null);
    row.source("", null);
    audit.changedByClient(me.practiceId(), me.id(), "calendar", "forgotten");
  }

  /** Something in the way, and how to take it away again where it was put there by hand. */
  public record Held(Busy busy, String title, Optional<UUID> byHand) {}

  /** What is in the way in a time, the first first. */
  @Transactional(readOnly = true)
  public List<Held> held(UUID clientId, Instant from, Instant until) {
    return busy.between(clientId, from, until).stream()
        .map(
            b ->
                new Held(
                    b.busy(), b.title(), b.byHand() ? Optional.of(b.getId()) : Optional.empty()))
        .toList();
  }

  /** When a client works: where their calendar has shifts, a week without one is free. */
  @Transactional(readOnly = true)
  public WorkRhythm rhythm(Client client) {
    Usual usual = of(client.getId()).usual();
    boolean shifts = busy.existsByClientIdAndKind(client.getId(), Busy.Kind.SHIFT);
    return new WorkRhythm(shifts ? List.of() : usual.hours(), usual.quiet(), client.zone());
  }

  /**
   * Puts something there by hand.
   *
   * @return what is wrong with it; empty where nothing is
   */
  @Changes
  public Optional<String> put(ClientMe me, Busy what) {
    row(me);
    Instant now = clock.instant();
    if (what.span().minutes() > LONGEST_MINUTES) return Optional.of("long");
    if (Math.abs(ChronoUnit.DAYS.between(now, what.span().from())) > DAYS_AHEAD) {
      return Optional.of("far");
    }
    if (busy.byHand(me.id()) >= MOST_BY_HAND) return Optional.of("many");
    busy.save(new BusyRow(me.id(), what, "", /* byHand= */ true));
    return Optional.empty();
  }

  @Changes
  public void remove(ClientMe me, UUID id) {
    row(me);
    busy.findById(id)
        .filter(b -> b.clientId().equals(me.id()) && b.byHand())
        .ifPresent(busy::delete);
  }

  /** An address for calendars; one that there was before leads nowhere from now on. */
  @Changes
  public void openFeed(ClientMe me) {
    row(me).feed(Secrets.token());
    audit.changedByClient(me.practiceId(), me.id(), "calendar address", "made");
  }

  @Changes
  public void closeFeed(ClientMe me) {
    row(me).feed(null);
    audit.changedByClient(me.practiceId(), me.id(), "calendar address", "ended");
  }

  /**
   * Whose plan an address leads to.
   *
   * @throws NotFound where it is none, or none any more
   */
  @Transactional(readOnly = true)
  public Client ofFeed(String token) {
    return workdays
        .findByFeed(token)
        .map(row -> clients.byId(row.clientId()))
        .filter(c -> !c.archived())
        .orElseThrow(NotFound::new);
  }
}
