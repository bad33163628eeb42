package org.biokinet.app.session.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What was done without the player, from the sheet or by heart, of today or of yesterday. */
@Controller
@RequestMapping("/me/log")
class LogController {

  /** An item that can have been done. */
  record Line(int place, String name) {}

  private final SessionService sessions;
  private final VersionService versions;
  private final ClientService clients;
  private final PracticeService practices;
  private final Clock clock;

  LogController(
      SessionService sessions,
      VersionService versions,
      ClientService clients,
      PracticeService practices,
      Clock clock) {
    this.sessions = sessions;
    this.versions = versions;
    this.clients = clients;
    this.practices = practices;
    this.clock = clock;
  }

  @GetMapping
  String page(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    Optional<VersionService.Replay> shared = shared(me, program);
    if (shared.isEmpty()) return MeController.to("/me/today", program);
    VersionService.Replay replay = shared.get();
    LocalDate today = LocalDate.ofInstant(clock.instant(), me.zone());
    Instant begun = today.atStartOfDay(me.zone()).toInstant();
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("program", program);
    model.addAttribute("title", replay.program().title());
    model.addAttribute("version", replay.version().number());
    // It cannot have been done before it was there.
    model.addAttribute("mayYesterday", replay.version().sharedAt().isBefore(begun));
    model.addAttribute(
        "lines",
        IntStream.range(0, replay.program().items().size())
            .mapToObj(i -> new Line(i, replay.name(i, me.language())))
            .toList());
    model.addAttribute(
        "already",
        sessions.since(me.id(), today.minusDays(1)).stream()
            .filter(s -> s.program() == program && s.secondsDone() > 0)
            .filter(s -> s.day().equals(today))
            .count());
    if (!model.containsAttribute("id")) model.addAttribute("id", UUID.randomUUID());
    if (!model.containsAttribute("typed")) model.addAttribute("typed", Map.of());
    return "session/log";
  }

  /**
   * @param id of the form: sent twice it is one session
   * @param item places of what was done
   * @param highestPain 0–10; left out by whoever does not say
   * @param toldAt when it was told, by a device that had no network then
   */
  @PostMapping
  String tell(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam UUID id,
      @RequestParam int version,
      @RequestParam(defaultValue = "false") boolean yesterday,
      @RequestParam(defaultValue = "") Set<Integer> item,
      @RequestParam Optional<Integer> highestPain,
      @RequestParam Optional<OffsetDateTime> toldAt,
      Model model,
      HttpServletResponse response) {
    // What was told without a network is of the version that lay there, whatever is shared by now.
    Optional<VersionService.Replay> shared =
        toldAt.isPresent()
            ? versions.of(me.id(), new ProgramVersion.Name(program, version))
            : shared(me, program);
    if (shared.isEmpty() || shared.get().version().number() != version) {
      return MeController.to("/me/today?changed", program);
    }
    if (item.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("missing", true);
      model.addAttribute("id", id);
      model.addAttribute("yesterday", yesterday);
      model.addAttribute(
          "typed", highestPain.map(p -> Map.of("highestPain", "" + p)).orElse(Map.of()));
      return page(me, program, model);
    }
    Instant now = clock.instant();
    Instant at = toldAt.map(OffsetDateTime::toInstant).filter(t -> t.isBefore(now)).orElse(now);
    LocalDate day = LocalDate.ofInstant(at, me.zone()).minusDays(yesterday ? 1 : 0);
    sessions.tellDone(
        me, id, shared.get().version(), day, item, highestPain.filter(TenPoint::valid));
    return MeController.to("/me/today?told", program);
  }

  /** Also what may not be done now: it may have been done all the same, and then it is flagged. */
  private Optional<VersionService.Replay> shared(ClientMe me, ProgramKind program) {
    return versions.inForce(clients.byId(me.id())).of(program);
  }
}
