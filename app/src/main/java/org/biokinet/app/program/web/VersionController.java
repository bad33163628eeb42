package org.biokinet.app.program.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.Comparison;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Shared versions beside each other, and back to one of them. */
@Controller
class VersionController {

  private static final int LONGEST_WHY = 300;

  private final VersionService versions;
  private final DraftService drafts;
  private final ClientService clients;
  private final ClientHeader header;

  VersionController(
      VersionService versions, DraftService drafts, ClientService clients, ClientHeader header) {
    this.versions = versions;
    this.drafts = drafts;
    this.clients = clients;
    this.header = header;
  }

  /**
   * @param from number of the older one; the one before where it is not said
   * @param to number of the newer one; the newest where it is not said
   */
  @GetMapping("/clients/{id}/versions")
  String compare(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "0") int from,
      @RequestParam(defaultValue = "0") int to,
      Model model) {
    Client client = header.show(me, id, Station.DO, model);
    List<ProgramVersion> all =
        versions.all(client.getId()).stream().filter(v -> v.program() == program).toList();
    if (all.isEmpty()) throw new NotFound();
    int newest = all.get(all.size() - 1).number();
    int after = to == 0 ? newest : to;
    int before = from == 0 ? Math.max(1, after - 1) : from;
    model.addAttribute("all", all);
    model.addAttribute("program", program);
    model.addAttribute("seq", drafts.state(me, client, program).seq());
    VersionService.Replay one = replay(id, program, before);
    VersionService.Replay other = replay(id, program, after);
    model.addAttribute("before", one.version());
    model.addAttribute("after", other.version());
    model.addAttribute("compared", Comparison.of(one, other));
    return "program/compare";
  }

  private VersionService.Replay replay(UUID id, ProgramKind program, int number) {
    return versions.of(id, new ProgramVersion.Name(program, number)).orElseThrow(NotFound::new);
  }

  /** Nothing of it starts from now on; the client reads why. */
  @PostMapping("/clients/{id}/versions/{number}/withdraw")
  String withdraw(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable int number,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String why,
      RedirectAttributes once) {
    clients.get(me, id);
    ProgramVersion.Name name = new ProgramVersion.Name(program, number);
    String words = why.strip();
    String wrong = "";
    if (words.isEmpty()) wrong = "Say why: the client reads it in the place of the program.";
    if (words.length() > LONGEST_WHY) wrong = "At most %d characters.".formatted(LONGEST_WHY);
    if (wrong.isEmpty() && !drafts.withdraw(me, id, name, words)) {
      wrong = "It is not in force any more: look at the versions again.";
    }
    if (!wrong.isEmpty()) {
      once.addFlashAttribute("withdrawing", name.words());
      once.addFlashAttribute("whyTyped", why);
      once.addFlashAttribute("withdrawError", wrong);
    }
    return "redirect:/clients/" + id + "/do";
  }

  /** An older version as the draft; nothing is shared by it. */
  @PostMapping("/clients/{id}/versions/{number}/back")
  String back(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable int number,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    DraftService.Outcome outcome =
        drafts.takeBack(me, id, new ProgramVersion.Name(program, number), seq);
    if (outcome instanceof DraftService.Outcome.Overtaken overtaken) {
      response.setStatus(HttpStatus.CONFLICT.value());
      model.addAttribute("overtakenBy", overtaken.by());
      return compare(me, id, program, number, 0, model);
    }
    return "redirect:/clients/%s/plan?program=%s".formatted(id, program);
  }
}
