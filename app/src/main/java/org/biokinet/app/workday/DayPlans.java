package org.biokinet.app.workday;

import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.DaysService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.workday.internal.DayPlanRow;
import org.biokinet.app.workday.internal.MomentRow;
import org.biokinet.app.workday.internal.SessionPlaceRow;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.session.Due;
import org.biokinet.core.session.Session;
import org.biokinet.core.workday.BreakPlan;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Busy;
import org.biokinet.core.workday.Moment;
import org.biokinet.core.workday.SessionWish;
import org.biokinet.core.workday.SoFar;
import org.biokinet.core.workday.Unkept;
import org.biokinet.core.workday.WorkRhythm;
import org.biokinet.core.workday.Workday;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The days of a client, planned anew from now on whenever somebody looks. */
@Service
public class DayPlans {

  /** A plan is made for no more days at once; our choice. */
  public static final int MOST_DAYS = 28;

  /** A device that had no network tells of it later; what is older is no use to anybody. */
  private static final Duration OLDEST = Duration.ofDays(14);

  /** Our choice. */
  private static final Duration STEP = Duration.ofMinutes(30);

  /** More than that is no offer but a list; our choice. */
  private static final int OFFERS = 4;

  /** A device whose clock is ahead is believed so far; our choice. */
  private static final Duration AHEAD = Duration.ofMinutes(10);

  interface Plans extends JpaRepository<DayPlanRow, UUID> {
    List<DayPlanRow> findByClientIdAndDayBetween(UUID clientId, LocalDate first, LocalDate last);
  }

  interface Moments extends JpaRepository<MomentRow, UUID> {
    @Query(
        "select m from MomentRow m where m.clientId = :clientId and m.at >= :from"
            + " and m.at < :until order by m.at")
    List<MomentRow> between(UUID clientId, Instant from, Instant until);

    boolean existsByClientIdAndUploadId(UUID clientId, UUID uploadId);
  }

  interface Places extends JpaRepository<SessionPlaceRow, UUID> {
    List<SessionPlaceRow> findByClientIdAndDayBetween(
        UUID clientId, LocalDate first, LocalDate last);
  }

  private final Plans plans;
  private final Moments moments;
  private final Places places;
  private final WorkdayService workdays;
  private final ClientService clients;
  private final ScreeningService screenings;
  private final VersionService versions;
  private final PermitService permits;
  private final PauseService pauses;
  private final SessionService sessions;
  private final DaysService days;
  private final Clock clock;

  DayPlans(
      Plans plans,
      Moments moments,
      Places places,
      WorkdayService workdays,
      ClientService clients,
      ScreeningService screenings,
      VersionService versions,
      PermitService permits,
      PauseService pauses,
      SessionService sessions,
      DaysService days,
      Clock clock) {
    this.plans = plans;
    this.moments = moments;
    this.places = places;
    this.workdays = workdays;
    this.clients = clients;
    this.screenings = screenings;
    this.versions = versions;
    this.permits = permits;
    this.pauses = pauses;
    this.sessions = sessions;
    this.days = days;
    this.clock = clock;
  }

  /** What was told of breaks in a time, the first first. */
  @Transactional(readOnly = true)
  public List<Moment> told(UUID clientId, Instant from, Instant until) {
    return moments.between(clientId, from, until).stream().map(MomentRow::moment).toList();
  }

  /** The day that a client is in: that of a shift that still goes on, else the one of the date. */
  @Changes
  public PlannedDay now(Client client) {
    LocalDate today = LocalDate.ofInstant(clock.instant(), client.zone());
    List<PlannedDay> both = plan(client, today.minusDays(1), today);
    return both.get(0).over(clock.instant()) ? both.get(1) : both.get(0);
  }

  /**
   * Days as they are planned now, and keeps them where they are other than before. A day whose work
   * is over stays as it was.
   *
   * @throws IllegalArgumentException for more than {@link #MOST_DAYS}
   */
  @Changes
  public List<PlannedDay> plan(Client asked, LocalDate first, LocalDate last) {
    if (first.plusDays(MOST_DAYS).isBefore(last)) throw new IllegalArgumentException("too many");
    Client client = clients.lock(asked);
    return new Planning(client, first, last).all();
  }

  /** What belongs to some days, read once. */
  private final class Planning {
    private final Client client;
    private final LocalDate first;
    private final LocalDate last;
    private final Instant now = clock.instant();
    private final WorkdayService.Usual usual;
    private final WorkRhythm rhythm;
    private final BreakWish wish;
    private final List<Busy> calendar;
    private final List<Session> done;
    private final List<Moment> told;
    private final List<DayPlanRow> rows;
    private final List<SessionPlaceRow> moved;
    private final Optional<Pause> pause;
    private final Optional<Permitted> main;
    private final Optional<Integer> mainSeconds;
    private final Optional<Integer> deskSeconds;
    private final Set<DayOfWeek> onDays;

    Planning(Client client, LocalDate first, LocalDate last) {
      this.client = client;
      this.first = first;
      this.last = last;
      usual = workdays.of(client.getId()).usual();
      rhythm = workdays.rhythm(client);
      Instant from = start(first.minusDays(2));
      Instant until = start(last.plusDays(3));
      calendar =
          workdays.held(client.getId(), from, until).stream()
              .map(WorkdayService.Held::busy)
              .toList();
      done = sessions.since(client.getId(), first.minusDays(1));
      told = moments.between(client.getId(), from, until).stream().map(MomentRow::moment).toList();
      rows = plans.findByClientIdAndDayBetween(client.getId(), first.minusDays(1), last);
      moved = places.findByClientIdAndDayBetween(client.getId(), first, last);
      pause = pauses.newest(client.getId());
      Map<ProgramKind, Permitted> all =
          permits.all(client, screenings.gate(client), versions.inForce(client));
      main = Optional.ofNullable(all.get(ProgramKind.MAIN)).filter(p -> !p.permit().nothing());
      mainSeconds = main.flatMap(DayPlans::seconds);
      deskSeconds =
          Optional.ofNullable(all.get(ProgramKind.DESK))
              .filter(p -> !p.permit().nothing())
              .flatMap(DayPlans::seconds);
      onDays =
          main.map(
                  p ->
                      days.today(ClientMe.of(client), ProgramKind.MAIN, p.rhythm(), List.of())
                          .days())
              .orElse(Set.of());
      BreakWish set = workdays.wish(client.getId());
      wish = deskSeconds.map(set::lasting).orElse(set);
    }

    private Instant start(LocalDate day) {
      return day.atStartOfDay(client.zone()).toInstant();
    }

    List<PlannedDay> all() {
      List<PlannedDay> all = new ArrayList<>();
      Optional<Instant> evening = eveningBefore();
      for (Workday day : rhythm.days(calendar, first, last)) {
        PlannedDay planned = planned(day, evening);
        all.add(planned);
        evening =
            planned.sessions().stream()
                .flatMap(Optional::stream)
                .map(s -> s.span().until())
                .max(Instant::compareTo);
      }
      return all;
    }

    private Optional<Instant> eveningBefore() {
      return row(first.minusDays(1)).stream()
          .flatMap(r -> r.sessions().stream())
          .flatMap(Optional::stream)
          .max(Instant::compareTo)
          .map(at -> at.plusSeconds(mainSeconds.orElse(0)));
    }

    private Optional<DayPlanRow> row(LocalDate day) {
      return rows.stream().filter(r -> r.day().equals(day)).findFirst();
    }

    private PlannedDay planned(Workday day, Optional<Instant> evening) {
      Optional<DayPlanRow> before = row(day.date());
      boolean rests = pause.filter(p -> p.holds(day.date())).isPresent();
      SoFar soFar = soFar(day, before);
      BreakPlan.Situation situation = soFar.situation();
      // What is over is not planned any more, and who is ill or away is not asked.
      boolean open = !rests && day.work().stream().anyMatch(w -> w.until().isAfter(now));
      List<Instant> behind = soFar.planned().stream().filter(p -> !p.isAfter(now)).toList();
      BreakPlan plan = BreakPlan.of(situation);
      List<Instant> starts =
          rests
              ? behind
              : open
                  ? Stream.concat(behind.stream(), plan.breaks().stream().map(Span::from)).toList()
                  : soFar.planned();
      List<Optional<PlannedDay.Placed>> placed = rests ? List.of() : sessions(day, before, evening);
      DayPlanRow row =
          before.orElseGet(
              () -> {
                DayPlanRow fresh = new DayPlanRow(client.getId(), day.date());
                // A day that was never planned leaves nothing behind.
                return open || !placed.isEmpty() ? plans.save(fresh) : fresh;
              });
      // A day that is over stays as it was.
      if (open || !past(day.date())) {
        row.plan(starts, placed.stream().map(p -> p.map(s -> s.span().from())).toList());
      }
      List<PlannedDay.Break> breaks =
          starts.stream()
              .map(at -> new PlannedDay.Break(Span.ofMinutes(at, wish.length()), soFar.state(at)))
              .toList();
      return new PlannedDay(
          row.getId(),
          day.date(),
          day,
          row.revision(),
          breaks,
          soFar.breaksHad().size(),
          soFar.number(starts),
          soFar.besides(starts),
          plan.sittings(),
          placed,
          open ? Unkept.of(situation, plan) : List.of(),
          row.mostBreaks(),
          row.mostSessions(),
          deskSeconds.isPresent());
    }

    private SoFar soFar(Workday day, Optional<DayPlanRow> before) {
      List<Span> desk =
          done.stream()
              .filter(s -> s.program() == ProgramKind.DESK && s.secondsDone() > 0)
              .map(s -> span(s.startedAt(), s.secondsDone()))
              .filter(s -> day.work().stream().anyMatch(s::overlaps))
              .toList();
      List<Moment> here =
          told.stream().filter(m -> day.work().stream().anyMatch(w -> w.holds(m.at()))).toList();
      return new SoFar(
          day, wish, now, desk, here, before.map(DayPlanRow::breaks).orElse(List.of()));
    }

    private static Span span(Instant from, int seconds) {
      return new Span(from, from.plusSeconds(Math.max(1, seconds)));
    }

    private List<Optional<PlannedDay.Placed>> sessions(
        Workday day, Optional<DayPlanRow> before, Optional<Instant> evening) {
      List<Session> today = done(day.date());
      if (past(day.date())) return behind(before, today);
      Optional<SessionWish> asked = wish(day.date());
      if (asked.isEmpty()) return List.of();
      List<Optional<Span>> placed =
          asked
              .get()
              .on(day.date(), client.zone(), taken(day), fixed(day.date(), asked.get()), evening);
      List<Optional<PlannedDay.Placed>> all = new ArrayList<>();
      for (int i = 0; i < placed.size(); i++) {
        boolean doneAlready = i < today.size();
        boolean byClient = moved(day.date(), i).isPresent();
        all.add(placed.get(i).map(s -> new PlannedDay.Placed(s, doneAlready, byClient)));
      }
      return all;
    }

    private boolean past(LocalDate date) {
      return !start(date.plusDays(1)).isAfter(now);
    }

    /** What is wished of a day; empty where nothing is due on it, or nothing may be done. */
    private Optional<SessionWish> wish(LocalDate date) {
      if (mainSeconds.isEmpty() || !onDays.contains(date.getDayOfWeek())) return Optional.empty();
      int number = Math.min(main.orElseThrow().rhythm().perDay(), usual.times().size());
      return Optional.of(
          new SessionWish(
              usual.times().subList(0, number), minutes(mainSeconds.get()), usual.apart()));
    }

    private List<Session> done(LocalDate date) {
      return done.stream()
          .filter(s -> s.program() == ProgramKind.MAIN && Due.counts(s) && s.day().equals(date))
          .sorted(Comparator.comparing(Session::startedAt))
          .toList();
    }

    /** Where those are that are done or that the client has moved. */
    private List<Optional<Instant>> fixed(LocalDate date, SessionWish asked) {
      List<Session> today = done(date);
      List<Optional<Instant>> fixed = new ArrayList<>();
      for (int i = 0; i < asked.times().size(); i++) {
        fixed.add(
            i < today.size()
                ? Optional.of(today.get(i).startedAt())
                : moved(date, i).map(SessionPlaceRow::at));
      }
      return fixed;
    }

    /** What stands against putting a session of the first day somewhere. */
    Optional<SessionWish.Against> against(int place, Instant to) {
      Optional<SessionWish> asked = wish(first);
      Workday day = rhythm.days(calendar, first, first).get(0);
      if (asked.filter(w -> place >= done(first).size() && place < w.times().size()).isEmpty()) {
        return Optional.of(SessionWish.Against.ANOTHER_DAY);
      }
      List<Span> closed = new ArrayList<>(day.quiet());
      closed.addAll(meetings());
      if (start(first).isBefore(now)) closed.add(new Span(start(first), now));
      return asked
          .get()
          .against(
              first,
              client.zone(),
              closed,
              taken(day),
              fixed(first, asked.get()),
              eveningBefore(),
              place,
              to);
    }

    /** A day that is over: where they were, and which were done. */
    private List<Optional<PlannedDay.Placed>> behind(
        Optional<DayPlanRow> before, List<Session> today) {
      List<Optional<PlannedDay.Placed>> all = new ArrayList<>();
      List<Optional<Instant>> was = before.map(DayPlanRow::sessions).orElse(List.of());
      for (int i = 0; i < Math.max(was.size(), today.size()); i++) {
        boolean doneThen = i < today.size();
        Optional<Instant> at = doneThen ? Optional.of(today.get(i).startedAt()) : was.get(i);
        all.add(
            at.map(
                a ->
                    new PlannedDay.Placed(
                        Span.ofMinutes(a, minutes(mainSeconds.orElse(60))), doneThen, false)));
      }
      return all;
    }

    private Optional<SessionPlaceRow> moved(LocalDate day, int place) {
      return moved.stream().filter(m -> m.day().equals(day) && m.place() == place).findFirst();
    }

    /** What was not done yet comes at the next full step, and does not move with every look. */
    private Instant soon() {
      long step = STEP.toSeconds();
      return Instant.ofEpochSecond(-Math.floorDiv(-now.getEpochSecond(), step) * step);
    }

    private List<Span> meetings() {
      return calendar.stream()
          .filter(b -> b.kind() == Busy.Kind.HARD || b.kind() == Busy.Kind.SOFT)
          .map(Busy::span)
          .toList();
    }

    /** When no session can be: at work, in meetings, in quiet hours, before now. */
    private List<Span> taken(Workday day) {
      List<Span> taken = new ArrayList<>(day.quiet());
      for (Workday w : rhythm.days(calendar, day.date().minusDays(1), day.date().plusDays(1))) {
        taken.addAll(w.work());
      }
      taken.addAll(meetings());
      Instant soon = soon();
      if (start(day.date()).isBefore(soon)) taken.add(new Span(start(day.date()), soon));
      return taken;
    }
  }

  /**
   * Puts a session of a day elsewhere on that day.
   *
   * @param place which one of the day
   * @return what stands against it; empty where it is there now
   */
  @Changes
  public Optional<SessionWish.Against> move(ClientMe me, LocalDate date, int place, Instant to) {
    Client client = clients.lock(me);
    Optional<SessionWish.Against> against = new Planning(client, date, date).against(place, to);
    if (against.isPresent()) return against;
    places.findByClientIdAndDayBetween(me.id(), date, date).stream()
        .filter(r -> r.place() == place)
        .findFirst()
        .ifPresentOrElse(
            r -> r.move(to), () -> places.save(new SessionPlaceRow(me.id(), date, place, to)));
    return Optional.empty();
  }

  /**
   * Full half hours of a day to which a session can be moved: those nearest to where it is, in
   * order.
   */
  @Transactional(readOnly = true)
  public List<Instant> offers(Client client, LocalDate date, int place, Instant is) {
    Planning planning = new Planning(client, date, date);
    Instant end = planning.start(date.plusDays(1));
    return Stream.iterate(planning.start(date), t -> t.isBefore(end), t -> t.plus(STEP))
        .filter(t -> !t.equals(is) && planning.against(place, t).isEmpty())
        .sorted(Comparator.comparing(t -> Duration.between(is, t).abs()))
        .limit(OFFERS)
        .sorted()
        .toList();
  }

  /**
   * Keeps what was told of a break, once for its id. A moment that cannot be is that of now.
   *
   * @param id that the device gave it
   */
  @Changes
  public void tell(ClientMe me, UUID id, Moment told) {
    clients.lock(me);
    if (moments.existsByClientIdAndUploadId(me.id(), id)) return;
    Instant at = clock.instant();
    boolean odd = told.at().isAfter(at.plus(AHEAD)) || told.at().isBefore(at.minus(OLDEST));
    moments.save(new MomentRow(me.id(), id, odd ? new Moment(told.kind(), at) : told));
  }

  private static Optional<Integer> seconds(Permitted p) {
    return Optional.ofNullable(p.lengths(Side.LEFT).get(SessionLength.USUAL));
  }

  private static int minutes(int seconds) {
    return Math.max(1, (seconds + 59) / 60);
  }
}
