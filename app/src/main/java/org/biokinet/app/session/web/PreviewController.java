package org.biokinet.app.session.web;

import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A practitioner sees the player as this client does now, at any speed; nothing of it is kept. */
@Controller
class PreviewController {

  private final ClientService clients;
  private final PracticeService practices;
  private final ScreeningService screenings;
  private final VersionService versions;
  private final PermitService permits;
  private final SessionService sessions;
  private final PlayerPage page;
  private final Audit audit;

  PreviewController(
      ClientService clients,
      PracticeService practices,
      ScreeningService screenings,
      VersionService versions,
      PermitService permits,
      SessionService sessions,
      PlayerPage page,
      Audit audit) {
    this.clients = clients;
    this.practices = practices;
    this.screenings = screenings;
    this.versions = versions;
    this.permits = permits;
    this.sessions = sessions;
    this.page = page;
    this.audit = audit;
  }

  /** Where nothing may be done there is nothing to be seen either. */
  @GetMapping("/clients/{id}/player")
  String preview(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "USUAL") SessionLength length,
      @RequestParam Optional<Side> lead,
      Model model) {
    Client client = clients.get(me, id);
    ClientScreening screening = screenings.of(client);
    Optional<Permitted> now =
        Optional.ofNullable(
                permits.all(client, screening.gate(), versions.inForce(client)).get(program))
            .filter(n -> n.mayStart(length, 0));
    String home = "/clients/" + id + "/do";
    if (now.isEmpty()) return "redirect:" + home + "?closed";
    audit.saw(me, id, "player, as the client");
    model.addAttribute("practice", practices.practice(me.practiceId()));
    Side turn = lead.orElseGet(() -> sessions.nextLead(id, program));
    PlayerPage.Opened opened = new PlayerPage.Opened(true, home);
    return page.show(client, screening, now.get(), turn, length, 0, opened, model);
  }
}
