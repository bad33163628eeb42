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
import org.biokinet.app.support.Days;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.safety.PainBefore;
import org.biokinet.core.timeline.Timeline;
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
  private final ObjectMapper json;
  private final Clock clock;

  MeController(
      VersionService versions,
      SessionService sessions,
      ClientService clients,
      AccountService accounts,
      ObjectMapper json,
      Clock clock) {
    this.versions = versions;
    this.sessions = sessions;
    this.clients = clients;
    this.accounts = accounts;
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
    model.addAttribute("choices", choices(replay, turn, timeline.seconds()));
    model.addAttribute(
        "last",
        sessions.page(me.id(), 0, 1).stream()
            .findFirst()
            .map(s -> Days.when(s.startedAt(), clock.instant(), me.zone()))
            .orElse(""));
    return "session/today";
  }

  /** Shorter and longer sessions, where they differ from the usual one and can be done. */
  private static List<Choice> choices(VersionService.Replay replay, Side turn, int usual) {
    List<Choice> choices = new ArrayList<>();
    for (SessionLength length : SessionLength.values()) {
      if (length.needsScreening()) continue; // no screening is in the software yet
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
    if (replay.isEmpty()
        || clients.history(me.id()).paused()
        || length.needsScreening()
        || !PainBefore.valid(pain)
        || !new PainBefore(pain).mayStart()) {
      return "redirect:/me/today";
    }
    who(me, model);
    Program session = replay.get().session(sessions.nextLead(me.id()), length);
    PlayerScript script = PlayerScript.of(replay.get(), session, pain, me.language());
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
