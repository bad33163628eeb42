package org.biokinet.app.worklist.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.LaterService;
import org.biokinet.app.worklist.LaterService.Fault;
import org.biokinet.app.worklist.Standing;
import org.biokinet.app.worklist.StandingService;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.PutOff;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Puts a client off, or brings one back. */
@Controller
@RequestMapping("/clients/{id}/later")
class LaterController {

  /** Suggested; our choice. */
  private static final int USUAL_DAYS = 3;

  private final LaterService later;
  private final StandingService standings;
  private final ClientHeader header;
  private final Clock clock;

  LaterController(LaterService later, StandingService standings, ClientHeader header, Clock clock) {
    this.later = later;
    this.standings = standings;
    this.header = header;
    this.clock = clock;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = header.show(me, id, null, model);
    return show(client, later.earliest(client).plusDays(USUAL_DAYS - 1L), "", model);
  }

  private String show(Client client, LocalDate until, String reason, Model model) {
    Standing standing = standings.of(client, clock.instant());
    model.addAttribute("mayWait", PutOff.may(standing.attention()));
    model.addAttribute("was", standing.attention());
    model.addAttribute("already", standing.later().isPresent());
    model.addAttribute("until", until);
    model.addAttribute("typed", reason);
    model.addAttribute("earliest", later.earliest(client));
    model.addAttribute("latest", later.latest(client));
    model.addAttribute("longest", LaterService.LONGEST_REASON);
    return "worklist/later";
  }

  @PostMapping
  String putOff(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Attention was,
      @RequestParam LocalDate until,
      @RequestParam(defaultValue = "") String reason,
      Model model,
      HttpServletRequest request,
      HttpServletResponse response) {
    Optional<Fault> fault = later.putOff(me, id, was, until, reason);
    if (fault.isEmpty()) return LastList.back(request, id);
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    if (fault.get() instanceof Fault.Day day) {
      model.addAttribute(
          "dayError", "From %s to %s.".formatted(Days.day(day.earliest()), Days.day(day.latest())));
    } else if (fault.get() instanceof Fault.Reason) {
      model.addAttribute(
          "reasonError", "Say why, in up to %d characters.".formatted(LaterService.LONGEST_REASON));
    } else if (fault.get() instanceof Fault.Overtaken) {
      model.addAttribute("overtaken", true);
    }
    return show(header.show(me, id, null, model), until, reason, model);
  }

  @PostMapping("/end")
  String bringBack(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, HttpServletRequest request) {
    later.bringBack(me, id);
    return LastList.back(request, id);
  }
}
