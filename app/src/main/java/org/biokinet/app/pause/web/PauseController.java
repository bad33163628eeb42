package org.biokinet.app.pause.web;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.practice.Me;
import org.biokinet.core.progress.Pause;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The practitioner writes down pauses, and ends a flare. */
@Controller
@RequestMapping("/clients/{id}")
class PauseController {

  private final PauseService pauses;
  private final FlareService flares;
  private final ClientService clients;
  private final Clock clock;

  PauseController(PauseService pauses, FlareService flares, ClientService clients, Clock clock) {
    this.pauses = pauses;
    this.flares = flares;
    this.clients = clients;
    this.clock = clock;
  }

  @PostMapping("/pauses")
  String tell(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String kind,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String until,
      @RequestParam(defaultValue = "") String fever,
      RedirectAttributes once) {
    Client client = clients.get(me, id);
    LocalDate today = LocalDate.ofInstant(clock.instant(), client.zone());
    Optional<Pause> pause = PauseForm.read(kind, from, until, fever, today);
    Optional<String> wrong =
        pause.isEmpty()
            ? Optional.of("Say what it is, from when and until when; of an illness, with fever?")
            : pauses.tell(me, id, pause.get()).map(w -> "It " + w + ".");
    wrong.ifPresent(
        w -> {
          once.addFlashAttribute("pauseWrong", w);
          once.addFlashAttribute("illTyped", kind.equals(Pause.Kind.ILLNESS.name()));
          once.addFlashAttribute("fromTyped", from);
          once.addFlashAttribute("untilTyped", until);
          once.addFlashAttribute("feverTyped", fever);
        });
    return "redirect:/clients/" + id + "/do";
  }

  @PostMapping("/pauses/back")
  String back(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean fever) {
    pauses.back(me, id, fever);
    return "redirect:/clients/" + id + "/do";
  }

  @PostMapping("/flare/end")
  String end(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    flares.end(me, id);
    return "redirect:/clients/" + id + "/do";
  }
}
