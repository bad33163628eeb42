package org.biokinet.app.session.web;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.format.TextStyle;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.DaysService;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Difference;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Flare;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Rest;
import org.biokinet.core.session.Lead;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** The client's own pages: today, the player, and what the player sends back. */
@Controller
@RequestMapping("/me")
class MeController {

  /**
   * One line of today's list.
   *
   * @param still a figure at the end of the movement, or empty
   * @param clock how long it takes
   * @param off whether it is not done today
   * @param waits why it is left out, or empty
   */
  record TodayItem(
      int place,
      String name,
      String still,
      String meaning,
      String clock,
      boolean off,
      String waits) {}

  /** A program that can be chosen. */
  record Offer(ProgramKind program, String clock, boolean chosen) {}

  /** A length that can be chosen. */
  record Choice(SessionLength length, String clock) {
    public boolean usual() {
      return length == SessionLength.USUAL;
    }
  }

  private final VersionService versions;
  private final SessionService sessions;
  private final FollowUpService followUps;
  private final ClientService clients;
  private final PracticeService practices;
  private final ScreeningService screenings;
  private final LibraryService library;
  private final PermitService permits;
  private final PauseService pauses;
  private final FlareService flares;
  private final PlayerPage player;
  private final MessageService letters;
  private final DaysService days;
  private final Uploads uploads;
  private final MessageSource messages;
  private final Clock clock;

  MeController(
      VersionService versions,
      SessionService sessions,
      FollowUpService followUps,
      ClientService clients,
      PracticeService practices,
      ScreeningService screenings,
      LibraryService library,
      PermitService permits,
      PauseService pauses,
      FlareService flares,
      PlayerPage player,
      MessageService letters,
      DaysService days,
      Uploads uploads,
      MessageSource messages,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.followUps = followUps;
    this.clients = clients;
    this.practices = practices;
    this.screenings = screenings;
    this.library = library;
    this.permits = permits;
    this.pauses = pauses;
    this.flares = flares;
    this.player = player;
    this.letters = letters;
    this.days = days;
    this.uploads = uploads;
    this.messages = messages;
    this.clock = clock;
  }

  /** Where somebody lands who types the beginning of the address. */
  @GetMapping
  String me() {
    return "redirect:/me/today";
  }

  @GetMapping("/today")
  String today(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(name = "days", required = false) @Nullable Set<DayOfWeek> tapped,
      Model model) {
    who(me, model);
    Client client = clients.byId(me.id());
    ClientScreening screening = screenings.of(client);
    VersionService.InForce inForce = versions.inForce(client);
    Map<ProgramKind, Permitted> all =
        days.today(client, permits.all(client, screening.gate(), inForce));
    model.addAttribute("withdrawn", inForce.withdrawn());
    if (all.isEmpty() && !inForce.withdrawn().isEmpty()) return "session/withdrawn";
    if (all.values().stream().allMatch(Permitted::onlyForAFlare)) {
      if (!screening.answersBeforeVisit()) return "session/nothing";
      return "redirect:/me/before-visit";
    }
    if (screening.facts().stopOpen()) return "session/paused";
    Optional<Pause> pause = pauses.newest(me.id());
    if (ill(me, pause)) return "redirect:/me/pause";
    Permitted now = chosen(all, program);
    VersionService.Replay replay = now.replay();
    screening
        .renewal()
        .ifPresent(
            r ->
                model.addAttribute(
                    r.due() ? "renewSince" : "newSince", Days.day(r.since(), me.language())));
    Optional<String> closed = closed(now, me.language());
    if (closed.isPresent()) {
      model.addAttribute("closedWhy", closed.get());
      return "session/closed";
    }
    SessionService.Asked asked = sessions.asked(client);
    Optional<Session> last = last(me, now.program(), asked.recent());
    Side turn = Lead.next(last.map(Session::lead));
    Timeline timeline = Timeline.compile(now.session(turn, SessionLength.USUAL));
    List<TodayItem> items = new ArrayList<>();
    for (Item item : replay.program().items()) {
      String name = replay.name(items.size(), me.language());
      items.add(
          new TodayItem(
              items.size(),
              name,
              still(item, name),
              new DoseWords(item.exercise().doseContext(), me.language()).of(now.dose(item)),
              Timeline.clock(timeline.seconds(items.size())),
              now.off().contains(items.size()),
              waits(now, items.size(), me.language())));
    }
    model.addAttribute("title", replay.program().title());
    model.addAttribute("items", items);
    model.addAttribute("total", Timeline.clock(timeline.seconds()));
    model.addAttribute("choices", choices(now, turn, timeline.seconds()));
    model.addAttribute("program", now.program());
    List<Offer> offers = offers(all, now, turn);
    model.addAttribute("offers", offers.size() > 1 ? offers : List.of());
    rest(me, pause, inForce, model);
    model.addAttribute("beginning", now.permit().beginning());
    ProgramVersion version = replay.version();
    model.addAttribute(
        "sharedOn", Days.day(version.sharedAt().atZone(me.zone()).toLocalDate(), me.language()));
    if (!version.note().isEmpty()) model.addAttribute("note", version.note());
    model.addAttribute(
        "changes",
        now.permit().beginning().smaller() ? List.of() : changed(client, replay, me.language()));
    model.addAttribute("last", last.map(s -> when(s.startedAt(), me)).orElse(""));
    due(me, days.today(me, now.program(), now.rhythm(), asked.recent()), tapped, model);
    model.addAttribute("beside", client.toldBeside(clock.instant()));
    model.addAttribute("answers", letters.unread(me.id()));
    model.addAttribute("asking", asked.asking());
    asked.session().ifPresent(session -> model.addAttribute("settles", session));
    model.addAttribute("settledId", UUID.randomUUID());
    model.addAttribute("painWas", asked.asking().settled().flatMap(Session::highestPain).orElse(0));
    model.addAttribute("toldNow", asked.toldNow().filter(p -> new Pain(p).mayStart()).orElse(null));
    model.addAttribute("answerId", UUID.randomUUID());
    model.addAttribute("selfCheck", client.selfCheck() && !asked.selfChecked());
    LocalDate today = LocalDate.ofInstant(clock.instant(), me.zone());
    model.addAttribute("mapDue", client.mapDue(today));
    return "session/today";
  }

  /** The newest of a program; most often it is one of the last days. */
  private Optional<Session> last(ClientMe me, ProgramKind program, List<Session> recent) {
    return recent.stream()
        .filter(s -> s.program() == program)
        .max(Comparator.comparing(Session::startedAt))
        .or(() -> sessions.last(me.id(), program));
  }

  /** A day of the week that can be chosen. */
  record WeekDay(DayOfWeek day, String label, boolean chosen) {}

  /**
   * @param tapped days that were tapped and could not be kept
   */
  private void due(
      ClientMe me, DaysService.Today today, @Nullable Set<DayOfWeek> tapped, Model model) {
    Set<DayOfWeek> chosen = tapped == null ? today.days() : tapped;
    model.addAttribute("due", today.due());
    model.addAttribute("daily", today.rhythm().daily());
    model.addAttribute("perWeek", today.rhythm().perWeek());
    model.addAttribute("nextDay", Days.day(today.due().next(), me.language()));
    model.addAttribute(
        "weekDays",
        Stream.of(DayOfWeek.values())
            .map(
                d ->
                    new WeekDay(
                        d, d.getDisplayName(TextStyle.SHORT, me.language()), chosen.contains(d)))
            .toList());
  }

  private static String still(Item item, String name) {
    Side side = item.dose().on(Side.RIGHT).isPresent() ? Side.RIGHT : Side.LEFT;
    return Figure.of(item.exercise(), side).map(f -> f.still(f.bestView(), name)).orElse("");
  }

  /** Whether an illness was told and it was not told that it is over. */
  private boolean ill(ClientMe me) {
    return ill(me, pauses.newest(me.id()));
  }

  private boolean ill(ClientMe me, Optional<Pause> newest) {
    LocalDate today = LocalDate.ofInstant(clock.instant(), me.zone());
    return newest.filter(p -> p.waits(today)).isPresent();
  }

  /** A pause with dates, a flare, or the plan that is ready for one. */
  private void rest(
      ClientMe me, Optional<Pause> pause, VersionService.InForce inForce, Model model) {
    Instant now = clock.instant();
    LocalDate today = LocalDate.ofInstant(now, me.zone());
    pause
        .filter(p -> p.holds(today))
        .ifPresent(p -> model.addAttribute("awayUntil", Days.day(p.last(), me.language())));
    Optional<VersionService.Replay> plan = inForce.of(ProgramKind.FLARE);
    Optional<Flare> flare = flares.newest(me.id()).filter(Flare::lasts);
    flare.ifPresent(
        f -> {
          model.addAttribute("flareSince", when(f.begun(), me));
          model.addAttribute("flareUntil", when(f.until(), me));
          model.addAttribute(
              "flareUndo", now.isBefore(f.begun().plus(FlareService.MISTAKE_WITHIN)));
          model.addAttribute("flareAsks", f.asks(now));
          model.addAttribute("flareMaySettle", f.maySettle(now));
          model.addAttribute("flareCall", f.unsettled(now) || flares.toldSince(me.id(), f.begun()));
        });
    if (flare.isEmpty() && plan.isPresent()) {
      model.addAttribute(
          "flareDays", plan.get().draft().flatMap(Draft::days).orElse(Draft.USUAL_DAYS));
      model.addAttribute("flareNote", plan.get().version().note());
    }
  }

  /** What is different from the version before, in the client's words. */
  private List<String> changed(Client client, VersionService.Replay now, Locale language) {
    return versions
        .before(client, now.version())
        .map(
            before ->
                new ChangedWords(messages, language)
                    .of(Difference.of(before.program(), now.program()), before, now))
        .orElse(List.of());
  }

  /** "today 07:10", in the language of the page. */
  private String when(Instant at, ClientMe me) {
    LocalDate day = at.atZone(me.zone()).toLocalDate();
    long ago = ChronoUnit.DAYS.between(day, clock.instant().atZone(me.zone()).toLocalDate());
    String words =
        ago == 0
            ? messages.getMessage("day.today", null, me.language())
            : ago == 1
                ? messages.getMessage("day.yesterday", null, me.language())
                : Days.day(day, me.language());
    return words + " " + Days.time(at, me.zone());
  }

  /** What may be done of both programs, so that one can be chosen. */
  private static List<Offer> offers(Map<ProgramKind, Permitted> all, Permitted chosen, Side turn) {
    List<Offer> offers = new ArrayList<>();
    all.forEach(
        (program, now) -> {
          if (now.permit().nothing()) return;
          int seconds = Timeline.compile(now.session(turn, SessionLength.USUAL)).seconds();
          offers.add(new Offer(program, Timeline.clock(seconds), program == chosen.program()));
        });
    return offers;
  }

  /** Shorter and longer sessions, where they differ from the usual one and can be done. */
  private List<Choice> choices(Permitted now, Side turn, int usual) {
    List<Choice> choices = new ArrayList<>();
    now.lengths(turn)
        .forEach(
            (length, seconds) -> {
              if (length == SessionLength.USUAL || seconds != usual) {
                choices.add(new Choice(length, Timeline.clock(seconds)));
              }
            });
    return choices;
  }

  /**
   * Pain now decides whether there is a session.
   *
   * @param id of the form, under which a refusal is kept once
   * @param toldAt when it was told, by a device that had no network then
   */
  @PostMapping("/today")
  String start(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "-1") int pain,
      @RequestParam(defaultValue = "USUAL") SessionLength length,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam Optional<UUID> id,
      @RequestParam Optional<OffsetDateTime> toldAt) {
    if (!TenPoint.valid(pain)) return to("/me/today?missing", program);
    if (ill(me)) return "redirect:/me/pause";
    Pain before = new Pain(pain);
    if (before.mayStart()) {
      return to("/me/player?pain=%d&length=%s".formatted(pain, length), program);
    }
    OffsetDateTime at =
        toldAt.orElseGet(() -> clock.instant().atZone(me.zone()).toOffsetDateTime());
    followUps.recordForm(me, FollowUpUpload.start(id.orElseGet(UUID::randomUUID), pain, at));
    return "redirect:/me/rest";
  }

  /** The main program is the one that nobody has to name. */
  static String to(String address, ProgramKind program) {
    String named = (address.contains("?") ? "&" : "?") + "program=" + program;
    return "redirect:" + address + (program == ProgramKind.MAIN ? "" : named);
  }

  /** The one that was asked for, or another where nothing can be done of it. */
  private static Permitted chosen(Map<ProgramKind, Permitted> all, ProgramKind asked) {
    Optional<Permitted> wanted = Optional.ofNullable(all.get(asked));
    return wanted
        .filter(n -> !n.permit().nothing())
        .or(() -> all.values().stream().filter(n -> !n.permit().nothing()).findFirst())
        .or(() -> wanted)
        .orElseGet(() -> all.values().iterator().next());
  }

  /** Why nothing can be done, in the client's words. */
  private Optional<String> closed(Permitted now, Locale language) {
    if (!now.permit().nothing()) return Optional.empty();
    String why = now.permit().closed().map(Enum::name).orElse("LOCKED");
    return Optional.of(messages.getMessage("closed." + why, null, language));
  }

  /** What sets the limit, in the client's words; empty where nothing does. */
  private String waits(Permitted now, int place, Locale language) {
    Allowed.Objection o = now.permit().objections().get(place);
    if (o == null) return "";
    String code =
        o.reasons().isEmpty()
            ? "today.waits.irritability"
            : "condition." + o.reasons().get(0).condition().code();
    return messages.getMessage(code, null, language);
  }

  /** Something to do on a day without a session. */
  record Resting(ExerciseWords words, String picture) {}

  @GetMapping("/rest")
  String rest(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    Client client = clients.byId(me.id());
    Catalogue catalogue = library.of(client.practice()).catalogue();
    model.addAttribute(
        "resting",
        Rest.of(catalogue, screenings.gate(client).answers(), client.means()).stream()
            .map(e -> resting(e, catalogue.words(e, me.language())))
            .toList());
    return "session/rest";
  }

  private static Resting resting(Exercise e, ExerciseWords words) {
    String picture =
        Figure.of(e, Side.RIGHT).map(f -> f.still(f.bestView(), words.name())).orElse("");
    return new Resting(words, picture);
  }

  @GetMapping("/player")
  String player(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam int pain,
      @RequestParam(defaultValue = "USUAL") SessionLength length,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam Optional<Side> lead,
      Model model) {
    Client client = clients.byId(me.id());
    ClientScreening screening = screenings.of(client);
    Optional<Permitted> now =
        Optional.ofNullable(
            days.today(client, permits.all(client, screening.gate(), versions.inForce(client)))
                .get(program));
    now.flatMap(n -> closed(n, me.language())).ifPresent(why -> sessions.refusedAtGate(me, why));
    if (now.isEmpty() || ill(me) || !now.get().mayStart(length, pain)) {
      return to("/me/today", program);
    }
    who(me, model);
    // Whoever goes on with a session that was broken off keeps its leading side.
    Side turn = lead.orElseGet(() -> sessions.nextLead(me.id(), program));
    PlayerPage.Opened opened = new PlayerPage.Opened(false, "/me/today");
    return player.show(client, screening, now.get(), turn, length, pain, opened, model);
  }

  /**
   * @param may whether what an open page holds is what may be done now
   */
  record MayStart(boolean may) {}

  /**
   * Asked when Start is pressed: a page may have been open for a long time.
   *
   * @param whose page it is
   * @param paused the items that are not done in the page that asks, whatever the reason
   */
  @GetMapping("/may-start")
  @ResponseBody
  MayStart mayStart(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam("client") UUID whose,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int version,
      @RequestParam int pain,
      @RequestParam SessionLength length,
      @RequestParam(defaultValue = "AS_SHARED") Beginning beginning,
      @RequestParam(defaultValue = "") Set<Integer> paused) {
    Client client = clients.byId(me.id());
    boolean may =
        permits
            .of(client, program)
            .filter(now -> whose.equals(me.id()) && !ill(me))
            .filter(now -> now.replay().version().number() == version)
            .filter(now -> now.mayStart(length, pain))
            .filter(now -> now.permit().beginning() == beginning)
            .filter(now -> paused.containsAll(now.permit().waiting()))
            .isPresent();
    if (!may) sessions.refusedAtGate(me, "start of a page that was open before");
    return new MayStart(may);
  }

  @PostMapping("/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void session(@AuthenticationPrincipal ClientMe me, @RequestBody JsonNode sent) {
    sessions.record(me, uploads.read(sent, SessionUpload.class));
  }

  @PostMapping("/check-ins")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void checkIn(@AuthenticationPrincipal ClientMe me, @RequestBody JsonNode sent) {
    sessions.recordCheckIn(me, uploads.read(sent, CheckInUpload.class));
  }

  private void who(ClientMe me, Model model) {
    model.addAttribute("practice", practices.practice(me.practiceId()));
  }
}
