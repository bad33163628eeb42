package org.biokinet.app.session;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.support.Days;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.safety.Assessment;
import org.biokinet.core.safety.Feature;
import org.biokinet.core.safety.Gate;
import org.biokinet.core.safety.PainBefore;
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
import org.springframework.web.bind.annotation.ResponseStatus;

/** The client's own pages: today, the player, and what the player sends back. */
@Controller
@RequestMapping("/me")
class MeController {

  /** One line of today's list. */
  record TodayItem(String name, String meaning, String clock) {}

  /** A length that can be chosen. */
  record Choice(SessionLength length, String clock) {}

  private final VersionService versions;
  private final SessionService sessions;
  private final ClientService clients;
  private final AccountService accounts;
  private final ScreeningService screenings;
  private final MessageSource messages;
  private final ObjectMapper json;
  private final Clock clock;

  MeController(
      VersionService versions,
      SessionService sessions,
      ClientService clients,
      AccountService accounts,
      ScreeningService screenings,
      MessageSource messages,
      ObjectMapper json,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.clients = clients;
    this.accounts = accounts;
    this.screenings = screenings;
    this.messages = messages;
    this.json = json;
    this.clock = clock;
  }

  @GetMapping("/today")
  String today(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    Optional<VersionService.Replay> latest = versions.latest(me.id());
    if (latest.isEmpty()) return "session/nothing";
    if (clients.history(me.id()).paused()) return "session/paused";
    VersionService.Replay replay = latest.get();
    Optional<String> closed = closed(me, replay);
    screenings
        .renewal(clients.byId(me.id()))
        .ifPresent(day -> model.addAttribute("renewSince", Days.day(day)));
    if (closed.isPresent()) {
      model.addAttribute("closedWhy", closed.get());
      return "session/closed";
    }
    Side turn = sessions.nextLead(me.id());
    Timeline timeline = Timeline.compile(replay.session(turn, SessionLength.USUAL));
    List<TodayItem> items = new ArrayList<>();
    for (Item item : replay.program().items()) {
      items.add(
          new TodayItem(
              replay.catalogue().words(item.exercise(), me.language()).name(),
              new DoseWords(item.exercise().doseContext(), me.language()).of(item.dose()),
              Timeline.clock(timeline.seconds(items.size()))));
    }
    model.addAttribute("title", replay.program().title());
    model.addAttribute("items", items);
    model.addAttribute("total", Timeline.clock(timeline.seconds()));
    model.addAttribute("choices", choices(me, replay, turn, timeline.seconds()));
    model.addAttribute(
        "last",
        sessions.page(me.id(), 0, 1).stream()
            .findFirst()
            .map(s -> Days.when(s.startedAt(), clock.instant(), me.zone()))
            .orElse(""));
    return "session/today";
  }

  /** Shorter and longer sessions, where they differ from the usual one and can be done. */
  private List<Choice> choices(ClientMe me, VersionService.Replay replay, Side turn, int usual) {
    List<Choice> choices = new ArrayList<>();
    for (SessionLength length : SessionLength.values()) {
      if (length.needsScreening() && !longSession(me, replay)) continue;
      try {
        int seconds = Timeline.compile(replay.session(turn, length)).seconds();
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

  /** Why nothing can be started now, in the client's words; empty while it can. */
  private Optional<String> closed(ClientMe me, VersionService.Replay replay) {
    Gate gate = screenings.gate(clients.byId(me.id()));
    if (gate instanceof Gate.Closed closed) {
      return Optional.of(messages.getMessage("closed." + closed.why(), null, me.language()));
    }
    // What a newer screening locks waits until the practitioner has changed the program.
    Assessment assessment = ((Gate.Open) gate).assessment();
    return replay.program().items().stream()
        .filter(i -> assessment.of(i.exercise(), setting(i)).locked())
        .findFirst()
        .map(
            i ->
                messages.getMessage(
                    "closed.LOCKED",
                    new Object[] {replay.catalogue().words(i.exercise(), me.language()).name()},
                    me.language()));
  }

  private boolean longSession(ClientMe me, VersionService.Replay replay) {
    List<Item> items = replay.program().items();
    return screenings.gate(clients.byId(me.id())) instanceof Gate.Open open
        && open.assessment()
            .allowsLongSession(
                items.stream().map(Item::exercise).toList(),
                items.stream().map(MeController::setting).toList());
  }

  private static Feature.Setting setting(Item item) {
    return new Feature.Setting(item.position(), false);
  }

  @GetMapping("/rest")
  String rest(@AuthenticationPrincipal ClientMe me, Model model) {
    who(me, model);
    return "session/rest";
  }

  @GetMapping("/player")
  String player(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam int pain,
      @RequestParam(defaultValue = "USUAL") SessionLength length,
      Model model) {
    Optional<VersionService.Replay> replay = versions.latest(me.id());
    Optional<String> closed = replay.flatMap(r -> closed(me, r));
    closed.ifPresent(why -> sessions.refusedAtGate(me, why));
    if (replay.isEmpty()
        || closed.isPresent()
        || (length.needsScreening() && !longSession(me, replay.get()))
        || !PainBefore.valid(pain)
        || !new PainBefore(pain).mayStart()) {
      return "redirect:/me/today";
    }
    who(me, model);
    Program session = replay.get().session(sessions.nextLead(me.id()), length);
    PlayerScript script = PlayerScript.of(replay.get(), session, pain, me.language());
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

  @PostMapping("/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void session(@AuthenticationPrincipal ClientMe me, @Valid @RequestBody SessionUpload upload) {
    sessions.record(me, upload);
  }

  @PostMapping("/check-ins")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void checkIn(@AuthenticationPrincipal ClientMe me, @Valid @RequestBody CheckInUpload upload) {
    sessions.record(me, upload);
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
