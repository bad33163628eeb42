package org.biokinet.app.session;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.program.Limits;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.support.Days;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.Figure;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.safety.Allowed;
import org.biokinet.core.safety.Gate;
import org.biokinet.core.safety.PainBefore;
import org.biokinet.core.safety.Rest;
import org.biokinet.core.safety.Use;
import org.biokinet.core.timeline.Timeline;
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
   * @param waits why it is left out, or empty
   */
  record TodayItem(String name, String meaning, String clock, String waits) {}

  /**
   * What can be done of a program now.
   *
   * @param closed why nothing can, in the client's words
   * @param waiting what a newer screening does not allow any more, by its place, with the reason:
   *     those items wait until the practitioner has changed the program
   * @param reEntry whether it begins again after a pause, with the smaller doses of that
   * @param replay the program with the doses of today
   * @param allowed what the screening says; empty while the gate is closed
   * @param leaseUntil until when a device may start it by itself; empty while the gate is closed
   */
  private record Now(
      Optional<String> closed,
      Map<Integer, String> waiting,
      boolean reEntry,
      VersionService.Replay replay,
      Optional<Allowed> allowed,
      Optional<Instant> leaseUntil) {

    /** A dose that names no ceiling has that of the screening. */
    Dose dose(Item i) {
      return allowed.map(a -> a.inForce(i.exercise(), i.position(), i.dose())).orElse(i.dose());
    }

    Program session(Side turn, SessionLength length) {
      return replay.session(turn, length, waiting.keySet());
    }
  }

  /** A length that can be chosen. */
  record Choice(SessionLength length, String clock) {}

  private final VersionService versions;
  private final SessionService sessions;
  private final ClientService clients;
  private final AccountService accounts;
  private final ScreeningService screenings;
  private final LibraryService library;
  private final Limits limits;
  private final Uploads uploads;
  private final MessageSource messages;
  private final ObjectMapper json;
  private final Clock clock;

  MeController(
      VersionService versions,
      SessionService sessions,
      ClientService clients,
      AccountService accounts,
      ScreeningService screenings,
      LibraryService library,
      Limits limits,
      Uploads uploads,
      MessageSource messages,
      ObjectMapper json,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.clients = clients;
    this.accounts = accounts;
    this.screenings = screenings;
    this.library = library;
    this.limits = limits;
    this.uploads = uploads;
    this.messages = messages;
    this.json = json;
    this.clock = clock;
  }

  @GetMapping("/today")
  String today(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    Client client = clients.byId(me.id());
    Optional<VersionService.Replay> latest = versions.latest(client);
    if (latest.isEmpty()) {
      if (!screenings.answersBeforeVisit(client)) return "session/nothing";
      return "redirect:/me/before-visit";
    }
    if (clients.history(me.id()).paused()) return "session/paused";
    Now now = now(client, latest.get(), me.language());
    VersionService.Replay replay = now.replay();
    screenings
        .renewal(client)
        .ifPresent(
            r -> model.addAttribute(r.due() ? "renewSince" : "newSince", Days.day(r.since())));
    if (now.closed().isPresent()) {
      model.addAttribute("closedWhy", now.closed().get());
      return "session/closed";
    }
    Side turn = sessions.nextLead(me.id());
    Timeline timeline = Timeline.compile(now.session(turn, SessionLength.USUAL));
    List<TodayItem> items = new ArrayList<>();
    for (Item item : replay.program().items()) {
      items.add(
          new TodayItem(
              replay.catalogue().words(item.exercise(), me.language()).name(),
              new DoseWords(item.exercise().doseContext(), me.language()).of(now.dose(item)),
              Timeline.clock(timeline.seconds(items.size())),
              now.waiting().getOrDefault(items.size(), "")));
    }
    model.addAttribute("title", replay.program().title());
    model.addAttribute("items", items);
    model.addAttribute("total", Timeline.clock(timeline.seconds()));
    model.addAttribute("choices", choices(client, now, turn, timeline.seconds()));
    model.addAttribute("reEntry", now.reEntry());
    model.addAttribute(
        "last",
        sessions.page(me.id(), 0, 1).stream()
            .findFirst()
            .map(s -> Days.when(s.startedAt(), clock.instant(), me.zone()))
            .orElse(""));
    return "session/today";
  }

  /** Shorter and longer sessions, where they differ from the usual one and can be done. */
  private List<Choice> choices(Client client, Now now, Side turn, int usual) {
    List<Choice> choices = new ArrayList<>();
    for (SessionLength length : SessionLength.values()) {
      if (length.needsScreening() && !longSession(client, now)) continue;
      try {
        int seconds = Timeline.compile(now.session(turn, length)).seconds();
        if (length == SessionLength.USUAL || seconds != usual) {
          choices.add(new Choice(length, Timeline.clock(seconds)));
        }
      } catch (Timeline.TooLong e) {
        // Nobody is offered a session that is longer than any may be.
      }
    }
    return choices;
  }

  /** Pain now decides whether there is a session. */
  @PostMapping("/today")
  String start(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "-1") int pain,
      @RequestParam(defaultValue = "USUAL") SessionLength length) {
    if (!PainBefore.valid(pain)) return "redirect:/me/today?missing";
    PainBefore before = new PainBefore(pain);
    if (before.mayStart()) return "redirect:/me/player?pain=%d&length=%s".formatted(pain, length);
    sessions.refusedStart(me, before);
    return "redirect:/me/rest";
  }

  private Now now(Client client, VersionService.Replay shared, Locale language) {
    Gate gate = screenings.gate(client);
    if (gate instanceof Gate.Closed closed) {
      String why = messages.getMessage("closed." + closed.why(), null, language);
      return new Now(Optional.of(why), Map.of(), false, shared, Optional.empty(), Optional.empty());
    }
    Gate.Open open = (Gate.Open) gate;
    VersionService.Replay replay = open.reEntry() ? shared.beginningAgain() : shared;
    Map<Integer, String> waiting = new TreeMap<>();
    limits
        .objections(client, open.assessment(), replay.program())
        .forEach((place, o) -> waiting.put(place, reason(o, language)));
    boolean nothingLeft = waiting.size() == replay.program().items().size();
    return new Now(
        nothingLeft
            ? Optional.of(messages.getMessage("closed.LOCKED", null, language))
            : Optional.empty(),
        waiting,
        open.reEntry(),
        replay,
        Optional.of(Limits.of(client, open.assessment())),
        Optional.of(open.leaseUntil(clock.instant(), client.zone())));
  }

  /** What sets the limit, in the client's words. */
  private String reason(Allowed.Objection o, Locale language) {
    String code =
        o.reasons().isEmpty()
            ? "today.waits.irritability"
            : "condition." + o.reasons().get(0).condition().code();
    return messages.getMessage(code, null, language);
  }

  private boolean longSession(Client client, Now now) {
    List<Item> items = now.replay().program().items();
    return !now.reEntry()
        && screenings.gate(client) instanceof Gate.Open open
        && open.assessment()
            .allowsLongSession(
                items.stream().map(Item::exercise).toList(),
                items.stream().map(i -> Use.Setting.of(i.position(), client.means())).toList());
  }

  /** Something to do on a day without a session. */
  record Resting(ExerciseWords words, String picture) {}

  @GetMapping("/rest")
  String rest(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    Client client = clients.byId(me.id());
    Catalogue catalogue = library.of(me.practiceId()).catalogue();
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
      Model model) {
    Client client = clients.byId(me.id());
    Optional<VersionService.Replay> replay = versions.latest(client);
    Optional<Now> now = replay.map(r -> now(client, r, me.language()));
    now.flatMap(Now::closed).ifPresent(why -> sessions.refusedAtGate(me, why));
    if (now.isEmpty() || !mayStart(client, now.get(), length, pain)) return "redirect:/me/today";
    who(me, model);
    Program session = now.get().session(sessions.nextLead(me.id()), length);
    PlayerScript script =
        PlayerScript.of(
            now.get().replay(),
            session,
            now.get().reEntry(),
            pain,
            now.get().leaseUntil().orElseThrow(),
            me.language());
    model.addAttribute("baseline", screenings.baseline(me.id()));
    model.addAttribute("script", json(script));
    model.addAttribute("pictures", script.pictures(replay.get()));
    model.addAttribute("title", replay.get().program().title());
    model.addAttribute("lead", script.lead());
    model.addAttribute(
        "sided", replay.get().program().items().stream().anyMatch(i -> i.exercise().sided()));
    model.addAttribute("strip", Strip.of(script));
    model.addAttribute("total", Timeline.clock(script.seconds()));
    return "session/player";
  }

  private boolean mayStart(Client client, Now now, SessionLength length, int pain) {
    return now.closed().isEmpty()
        && (!length.needsScreening() || longSession(client, now))
        && PainBefore.valid(pain)
        && new PainBefore(pain).mayStart();
  }

  /**
   * @param may whether what an open page holds is what may be done now
   */
  record MayStart(boolean may) {}

  /**
   * Asked when Start is pressed: a page may have been open for a long time.
   *
   * @param whose page it is
   * @param paused the items that wait in the page that asks
   */
  @GetMapping("/may-start")
  @ResponseBody
  MayStart mayStart(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam("client") UUID whose,
      @RequestParam int version,
      @RequestParam int pain,
      @RequestParam SessionLength length,
      @RequestParam boolean reEntry,
      @RequestParam(defaultValue = "") Set<Integer> paused) {
    Client client = clients.byId(me.id());
    boolean may =
        versions
            .latest(client)
            .filter(r -> whose.equals(me.id()))
            .filter(r -> r.version().number() == version)
            .map(r -> now(client, r, me.language()))
            .filter(now -> mayStart(client, now, length, pain))
            .filter(now -> now.reEntry() == reEntry)
            .filter(now -> now.session(Side.LEFT, length).paused().equals(paused))
            .isPresent();
    if (!may) sessions.refusedAtGate(me, "start of a page that was open before");
    return new MayStart(may);
  }

  /**
   * @param client whose device has kept it
   */
  @PostMapping("/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void session(
      @AuthenticationPrincipal ClientMe me, @RequestParam UUID client, @RequestBody JsonNode sent) {
    sessions.record(me, uploads.read(me, client, sent, SessionUpload.class));
  }

  @PostMapping("/check-ins")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void checkIn(
      @AuthenticationPrincipal ClientMe me, @RequestParam UUID client, @RequestBody JsonNode sent) {
    sessions.recordCheckIn(me, uploads.read(me, client, sent, CheckInUpload.class));
  }

  /** As text inside a script element, which must not be closed by its own content. */
  private String json(PlayerScript script) {
    try {
      return json.writeValueAsString(script).replace("<", "\\u003c");
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private void who(ClientMe me, Model model) {
    model.addAttribute("me", me);
    model.addAttribute("practice", accounts.practice(me.practiceId()));
  }
}
