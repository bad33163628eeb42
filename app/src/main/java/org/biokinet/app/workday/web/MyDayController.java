package org.biokinet.app.workday.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.workday.CalendarFeed;
import org.biokinet.app.workday.CalendarSource;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.app.workday.Subscriptions;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.calendar.CalendarFile;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.Busy;
import org.biokinet.core.workday.TimeOfDay;
import org.biokinet.core.workday.Unkept;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** A client's workday: the day to scale, the week, what is usual, the calendar in and out. */
@Controller
@RequestMapping("/me/day")
class MyDayController {

  private static final int WEEK = DayOfWeek.values().length;
  private static final int MOST_FAULTS = 20;

  /** So far away a day can be looked at; plans are no farther. */
  private static final int FARTHEST = 60;

  private final DayPlans plans;
  private final WorkdayService workdays;
  private final CalendarFeed feed;
  private final Subscriptions subscriptions;
  private final ClientService clients;
  private final PracticeService practices;
  private final Site site;
  private final Clock clock;

  MyDayController(
      DayPlans plans,
      WorkdayService workdays,
      CalendarFeed feed,
      Subscriptions subscriptions,
      ClientService clients,
      PracticeService practices,
      Site site,
      Clock clock) {
    this.plans = plans;
    this.workdays = workdays;
    this.feed = feed;
    this.subscriptions = subscriptions;
    this.clients = clients;
    this.practices = practices;
    this.site = site;
    this.clock = clock;
  }

  private LocalDate today(ClientMe me) {
    return LocalDate.ofInstant(clock.instant(), me.zone());
  }

  /** A day that can be looked at; another one is today. */
  private LocalDate near(ClientMe me, Optional<LocalDate> asked) {
    LocalDate today = today(me);
    return asked.filter(d -> Math.abs(ChronoUnit.DAYS.between(today, d)) <= FARTHEST).orElse(today);
  }

  @GetMapping
  String day(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) Optional<LocalDate> on,
      Model model) {
    Client client = clients.byId(me.id());
    WorkdayService.Known known = workdays.of(me.id());
    PlannedDay day =
        on.isEmpty() ? plans.now(client) : plans.plan(client, near(me, on), near(me, on)).get(0);
    day(me, day, model);
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("said", known.said());
    model.addAttribute(
        "taken", known.taken().map(t -> t.name() + ", " + when(t.at(), me)).orElse(""));
    model.addAttribute("sourceFault", known.taken().map(WorkdayService.Taken::fault).orElse(""));
    model.addAttribute("source", known.taken().map(WorkdayService.Taken::source).orElse(""));
    model.addAttribute("feed", known.feed().map(this::address).orElse(""));
    model.addAttribute("isToday", day.date().equals(today(me)));
    return "workday/day";
  }

  private String address(String token) {
    return site.address("/calendar/" + token + ".ics");
  }

  private String when(Instant at, ClientMe me) {
    return Days.day(at.atZone(me.zone()).toLocalDate(), me.language())
        + " "
        + Days.time(at, me.zone());
  }

  private void day(ClientMe me, PlannedDay day, Model model) {
    Instant from = day.date().atStartOfDay(me.zone()).toInstant();
    Instant until = day.date().plusDays(1).atStartOfDay(me.zone()).toInstant();
    Instant last = day.day().work().stream().map(Span::until).max(Instant::compareTo).orElse(until);
    model.addAttribute("day", day);
    model.addAttribute("date", Days.day(day.date(), me.language()));
    model.addAttribute(
        "weekday", day.date().getDayOfWeek().getDisplayName(TextStyle.FULL, me.language()));
    model.addAttribute("strip", DayStrip.of(day, clock.instant(), me.zone()));
    // What is in the night before belongs to that day; without work there is only the date.
    List<WorkdayService.Held> held =
        workdays.held(me.id(), from, last.isAfter(until) ? last : until).stream()
            .filter(
                h ->
                    day.day().work().isEmpty()
                        || h.byHand().isPresent()
                        || day.day().work().stream().anyMatch(h.busy().span()::overlaps))
            .toList();
    Client client = clients.byId(me.id());
    model.addAttribute(
        "lines",
        DayLines.of(
            day,
            held,
            me.zone(),
            // What is over cannot be moved any more.
            (place, is) ->
                day.date().isBefore(today(me))
                    ? List.of()
                    : plans.offers(client, day.date(), place, is)));
    model.addAttribute("longest", Unkept.length(day.longest()));
    model.addAttribute("unkept", day.unkept().stream().map(u -> u.words(me.zone())).toList());
  }

  /**
   * One day of a week.
   *
   * @param coming whether all of it is still to come
   */
  record WeekDay(
      LocalDate date,
      String label,
      DayStrip strip,
      int had,
      int planned,
      String longest,
      boolean coming) {}

  @GetMapping("/week")
  String week(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) Optional<LocalDate> on,
      Model model) {
    LocalDate monday = near(me, on).with(DayOfWeek.MONDAY);
    List<PlannedDay> planned =
        plans.plan(clients.byId(me.id()), monday, monday.plusDays(WEEK - 1L));
    Iterator<DayStrip> strips = DayStrip.of(planned, clock.instant(), me.zone()).iterator();
    List<WeekDay> days =
        planned.stream()
            .map(
                d ->
                    new WeekDay(
                        d.date(),
                        d.date().getDayOfWeek().getDisplayName(TextStyle.SHORT, me.language())
                            + " "
                            + Days.day(d.date(), me.language()),
                        strips.next(),
                        d.had(),
                        d.number(),
                        d.longest() == 0 ? "" : Unkept.length(d.longest()),
                        d.date().isAfter(today(me))))
            .toList();
    model.addAttribute("days", days);
    model.addAttribute("before", monday.minusDays(WEEK));
    model.addAttribute("after", monday.plusDays(WEEK));
    model.addAttribute("practice", practices.practice(me.practiceId()));
    return "workday/week";
  }

  @GetMapping("/usual")
  String usual(@AuthenticationPrincipal ClientMe me, Model model) {
    return usual(me, UsualForm.of(workdays.of(me.id()).usual()), model);
  }

  /** A day of the week that can be chosen. */
  record Choice(DayOfWeek day, String label) {}

  private String usual(ClientMe me, UsualForm form, Model model) {
    // In their order, since that says which time belongs to which days; most have the first only.
    int used = form.used();
    model.addAttribute("rows", form.rows().subList(0, used));
    model.addAttribute("more", form.rows().subList(used, UsualForm.ROWS));
    model.addAttribute("quiet", form.quietRows());
    model.addAttribute("times", form.times());
    model.addAttribute("apart", form.apartTyped());
    model.addAttribute("shifts", form.word());
    model.addAttribute("titles", form.withTitles());
    model.addAttribute(
        "weekDays",
        Stream.of(DayOfWeek.values())
            .map(d -> new Choice(d, d.getDisplayName(TextStyle.SHORT, me.language())))
            .toList());
    model.addAttribute("zone", me.zone().getDisplayName(TextStyle.FULL, me.language()));
    model.addAttribute("practice", practices.practice(me.practiceId()));
    return "workday/usual";
  }

  @PostMapping("/usual")
  String say(
      @AuthenticationPrincipal ClientMe me,
      @ModelAttribute UsualForm form,
      Model model,
      HttpServletResponse response) {
    if (form.problems().isEmpty()) {
      workdays.say(me, form.usual());
      return "redirect:/me/day";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("problems", form.problems());
    return usual(me, form, model);
  }

  /**
   * @param calendar a file; where there is none, {@code address} is where it is read from, or
   *     {@code pasted} is its text
   */
  @PostMapping("/calendar")
  String take(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam Optional<MultipartFile> calendar,
      @RequestParam(defaultValue = "") String address,
      @RequestParam(defaultValue = "") String pasted,
      Model model,
      HttpServletResponse response)
      throws IOException {
    Optional<MultipartFile> file = calendar.filter(f -> !f.isEmpty());
    try {
      WorkdayService.Outcome outcome =
          file.isPresent()
              ? workdays.take(
                  me,
                  Optional.ofNullable(file.get().getOriginalFilename()).orElse(""),
                  file.get().getBytes())
              : address.isBlank()
                  ? workdays.take(me, "", pasted.getBytes(StandardCharsets.UTF_8))
                  : subscriptions.begin(me, address.strip());
      model.addAttribute("held", outcome.held());
      model.addAttribute("faultCount", outcome.faults().size());
      model.addAttribute("faults", outcome.faults().stream().limit(MOST_FAULTS).toList());
    } catch (CalendarFile.Unreadable | CalendarSource.Unreachable e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("notTaken", e.getMessage());
      model.addAttribute("pasted", pasted);
      model.addAttribute("addressTyped", address);
    }
    return day(me, Optional.empty(), model);
  }

  @PostMapping("/calendar/forget")
  String forget(@AuthenticationPrincipal ClientMe me) {
    workdays.forget(me);
    return "redirect:/me/day";
  }

  /**
   * Puts a meeting there by hand.
   *
   * @param soft whether one can stand up in it
   */
  @PostMapping("/busy")
  String put(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) Optional<LocalDate> on,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String until,
      @RequestParam(defaultValue = "") String soft,
      Model model,
      HttpServletResponse response) {
    LocalDate date = near(me, on);
    Optional<Span> span = span(me, date, from, until);
    Busy.Kind kind = soft.equals("true") ? Busy.Kind.SOFT : Busy.Kind.HARD;
    Optional<String> wrong =
        span.isEmpty() ? Optional.of("time") : workdays.put(me, new Busy(span.get(), kind));
    if (wrong.isEmpty()) return "redirect:/me/day?on=" + date;
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("busyWrong", "work.wrong." + wrong.get());
    model.addAttribute("fromTyped", from);
    model.addAttribute("untilTyped", until);
    model.addAttribute("softTyped", kind == Busy.Kind.SOFT);
    return day(me, Optional.of(date), model);
  }

  private static Optional<Span> span(ClientMe me, LocalDate date, String from, String until) {
    Optional<LocalTime> begin = UsualForm.clock(from);
    Optional<LocalTime> end = UsualForm.clock(until);
    if (begin.isEmpty() || end.isEmpty() || begin.equals(end)) return Optional.empty();
    return new TimeOfDay(begin.get(), end.get()).on(date, me.zone());
  }

  @PostMapping("/busy/{busyId}/remove")
  String remove(
      @AuthenticationPrincipal ClientMe me,
      @PathVariable UUID busyId,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) Optional<LocalDate> on) {
    workdays.remove(me, busyId);
    return "redirect:/me/day?on=" + near(me, on);
  }

  /** Moves a session of a day to another time of that day. */
  @PostMapping("/move")
  String move(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) Optional<LocalDate> on,
      @RequestParam(defaultValue = "-1") int place,
      @RequestParam(defaultValue = "") String to,
      Model model,
      HttpServletResponse response) {
    LocalDate date = near(me, on);
    Optional<LocalTime> time = UsualForm.clock(to);
    Optional<String> against =
        time.isEmpty()
            ? Optional.of("work.wrong.times")
            : plans
                .move(me, date, place, date.atTime(time.get()).atZone(me.zone()).toInstant())
                .map(a -> "work.against." + a);
    if (against.isEmpty()) return "redirect:/me/day?on=" + date;
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("moveWrong", against.get());
    model.addAttribute("movePlace", place);
    model.addAttribute("toTyped", to);
    return day(me, Optional.of(date), model);
  }

  @PostMapping("/feed")
  String openFeed(@AuthenticationPrincipal ClientMe me) {
    workdays.openFeed(me);
    return "redirect:/me/day#calendar-out";
  }

  @PostMapping("/feed/end")
  String closeFeed(@AuthenticationPrincipal ClientMe me) {
    workdays.closeFeed(me);
    return "redirect:/me/day#calendar-out";
  }

  @GetMapping("/plan.ics")
  ResponseEntity<String> file(@AuthenticationPrincipal ClientMe me) {
    return FeedController.calendar()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"plan.ics\"")
        .body(feed.of(clients.byId(me.id())));
  }
}
