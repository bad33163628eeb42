package org.biokinet.app.session.web;

import java.time.DayOfWeek;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.session.DaysService;
import org.biokinet.core.program.ProgramKind;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The client chooses on which days a program is done. */
@Controller
@RequestMapping("/me/days")
class DaysController {

  private final DaysService days;
  private final PermitService permits;
  private final ClientService clients;

  DaysController(DaysService days, PermitService permits, ClientService clients) {
    this.days = days;
    this.permits = permits;
    this.clients = clients;
  }

  @PostMapping
  String choose(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") Set<DayOfWeek> day) {
    boolean fits =
        now(me, program).map(n -> days.choose(me, program, n.rhythm(), day)).orElse(true);
    String tapped = day.stream().map(DayOfWeek::name).collect(Collectors.joining(","));
    return MeController.to(fits ? "/me/today" : "/me/today?days=" + tapped, program);
  }

  /** Today for another day, or another for today. */
  @PostMapping("/move")
  String move(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "MAIN") ProgramKind program) {
    now(me, program)
        .filter(n -> !n.rhythm().daily())
        .ifPresent(n -> days.move(me, program, n.rhythm()));
    return MeController.to("/me/today", program);
  }

  private Optional<Permitted> now(ClientMe me, ProgramKind program) {
    return permits.of(clients.byId(me.id()), program);
  }
}
