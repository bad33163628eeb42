package org.biokinet.app.screening.web;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Complete;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.RedFlag;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The client answers before the first visit, through the link; a practitioner confirms it. */
@Controller
@RequestMapping("/me/before-visit")
class BeforeVisitController {

  private final ScreeningService screenings;
  private final ClientService clients;
  private final PracticeService practices;

  BeforeVisitController(
      ScreeningService screenings, ClientService clients, PracticeService practices) {
    this.screenings = screenings;
    this.clients = clients;
    this.practices = practices;
  }

  /**
   * @param again whether the form is wanted although it was answered
   */
  @GetMapping
  String ask(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "false") boolean again,
      Model model) {
    return show(me, Answers.BLANK, Map.of(), again, model);
  }

  @PostMapping
  String answer(
      @AuthenticationPrincipal ClientMe me,
      @Valid @ModelAttribute("answers") Answers answers,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    if (!errors.hasErrors()) {
      screenings.saveBeforeVisit(me, answers);
      return "redirect:/me/before-visit";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, answers, Complete.Form.byField(errors), true, model);
  }

  private String show(
      ClientMe me, Answers answers, Map<String, String> problems, boolean again, Model model) {
    Client client = clients.byId(me.id());
    ClientScreening screening = screenings.of(client);
    if (!screening.answersBeforeVisit()) return "redirect:/me/today";
    model.addAttribute("practice", practices.practice(me.practiceId()));
    Gate gate = screening.gate();
    boolean answered = gate.answers().isPresent();
    if (answered && !again) {
      boolean emergency = gate instanceof Gate.Closed closed && closed.why().needsPhysician();
      model.addAttribute("emergency", emergency);
      return "screening/answered";
    }
    model.addAttribute("answers", answers);
    model.addAttribute("problems", problems);
    model.addAttribute("signs", EmergencySign.values());
    List<RedFlag> flags = Arrays.stream(RedFlag.values()).filter(f -> f != RedFlag.NEWS).toList();
    model.addAttribute("flags", flags);
    model.addAttribute("conditionList", Condition.values());
    model.addAttribute("settlings", Irritability.Settles.values());
    return "screening/before-visit";
  }
}
