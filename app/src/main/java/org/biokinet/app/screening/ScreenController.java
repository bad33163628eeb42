package org.biokinet.app.screening;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.support.Days;
import org.biokinet.core.safety.Condition;
import org.biokinet.core.safety.EmergencySign;
import org.biokinet.core.safety.Gate;
import org.biokinet.core.safety.Irritability;
import org.biokinet.core.safety.RedFlag;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The Screen station: the form, what it came to, and the record that opens a gate. */
@Controller
@RequestMapping("/clients/{id}/screen")
class ScreenController {

  private final ScreeningService screenings;
  private final ClientService clients;
  private final ClientHeader header;
  private final Clock clock;

  ScreenController(
      ScreeningService screenings, ClientService clients, ClientHeader header, Clock clock) {
    this.screenings = screenings;
    this.clients = clients;
    this.header = header;
    this.clock = clock;
  }

  /**
   * @param again whether the form is wanted although there is a screening
   */
  @GetMapping
  String screen(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "false") boolean again,
      Model model) {
    return show(me, id, Answers.BLANK, Map.of(), again, model);
  }

  @PostMapping
  String save(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam MultiValueMap<String, String> sent,
      Model model,
      HttpServletResponse response) {
    Answers answers = Answers.read(sent);
    Map<String, String> problems = answers.problems();
    if (problems.isEmpty()) {
      screenings.save(me, id, answers);
      return "redirect:/clients/" + id + "/screen?saved";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, id, answers, problems, true, model);
  }

  @PostMapping("/record")
  String record(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam UUID about,
      @RequestParam(defaultValue = "") String examined,
      @RequestParam(defaultValue = "") String found,
      @RequestParam(defaultValue = "") String medical,
      RedirectAttributes once) {
    String back = "redirect:/clients/" + clients.get(me, id).getId() + "/screen";
    once.addFlashAttribute("examined", examined);
    once.addFlashAttribute("found", found);
    once.addFlashAttribute("medical", medical);
    if (examined.isBlank() || found.isBlank()) {
      once.addFlashAttribute("recordError", "Write both: what you examined, and what you found.");
      return back;
    }
    if (examined.length() > 500 || found.length() > 500 || medical.length() > 500) {
      once.addFlashAttribute("recordError", "At most 500 characters in each.");
      return back;
    }
    return switch (screenings.record(
        me, id, about, examined.strip(), found.strip(), medical.strip())) {
      case DONE -> back + "?recorded";
      case OVERTAKEN -> {
        once.addFlashAttribute(
            "recordError", "There is a newer screening; read it first. What you typed is here.");
        yield back;
      }
      case NEEDS_MEDICAL -> {
        once.addFlashAttribute(
            "recordError", "Emergency signs: the gate opens on what a doctor has decided.");
        yield back;
      }
    };
  }

  private String show(
      Me me, UUID id, Answers answers, Map<String, String> problems, boolean again, Model model) {
    header.show(me, id, Station.SCREEN, model);
    Client client = clients.get(me, id);
    List<ScreeningService.Kept> all = screenings.all(me, id);
    Gate gate = screenings.gate(client);
    model.addAttribute("gate", gate);
    model.addAttribute("open", gate.open());
    if (gate instanceof Gate.Closed closed) model.addAttribute("why", closed.why());
    if (gate instanceof Gate.Open o) model.addAttribute("gateOpen", o);
    model.addAttribute("screenings", all);
    model.addAttribute(
        "when", all.stream().map(k -> Days.when(k.at(), clock.instant(), client.zone())).toList());
    model.addAttribute("form", all.isEmpty() || again);
    model.addAttribute("answers", answers);
    model.addAttribute("problems", problems);
    model.addAttribute("signs", EmergencySign.values());
    model.addAttribute("flags", RedFlag.values());
    model.addAttribute("conditionList", Condition.values());
    model.addAttribute("settlings", Irritability.Settles.values());
    return "screening/screen";
  }
}
