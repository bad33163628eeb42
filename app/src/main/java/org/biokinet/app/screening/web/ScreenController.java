package org.biokinet.app.screening.web;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.platform.Complete;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.RedFlag;
import org.biokinet.core.screening.Screening;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
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
      @Valid @ModelAttribute("answers") Answers answers,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    if (!errors.hasErrors()) {
      screenings.save(me, id, answers);
      return "redirect:/clients/" + id + "/screen?saved";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, id, answers, Complete.Form.byField(errors), true, model);
  }

  @PostMapping("/full-doses")
  String fullDoses(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    screenings.giveFullDosesBack(me, id);
    return "redirect:/clients/" + id + "/screen";
  }

  @PostMapping("/record")
  String record(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam UUID about,
      @Valid @ModelAttribute RecordForm form,
      BindingResult errors,
      RedirectAttributes once) {
    Client client = clients.get(me, id);
    String back = "redirect:/clients/" + id + "/screen";
    NeckRule neck =
        NeckRule.of(form.neck(), client.age(clock.instant().atZone(client.zone()).toLocalDate()));
    once.addFlashAttribute("examined", form.examined());
    once.addFlashAttribute("found", form.found());
    once.addFlashAttribute("medical", form.medical());
    once.addFlashAttribute("neck", neck);
    Optional<String> problem =
        Complete.Form.byField(errors).values().stream().findFirst().or(neck::problem);
    if (problem.isPresent()) {
      once.addFlashAttribute("recordError", problem.get());
      return back;
    }
    ScreeningService.Recorded outcome =
        screenings.record(
            me,
            id,
            about,
            new Clearance(
                clock.instant(), "", form.examined(), form.found(), form.medical(), neck.rule()));
    if (outcome instanceof ScreeningService.Recorded.Done) return back + "?recorded";
    once.addFlashAttribute(
        "recordError",
        outcome instanceof ScreeningService.Recorded.Lacking lacking
            ? lacking.what()
            : "There is a newer screening; read it first. What you typed is here.");
    return back;
  }

  private String show(
      Me me, UUID id, Answers answers, Map<String, String> problems, boolean again, Model model) {
    Client client = header.show(me, id, Station.SCREEN, model);
    ClientScreening screening = screenings.of(client);
    List<ClientScreening.KeptScreening> all = screening.all();
    Optional<ClientScreening.KeptScreening> toConfirm = screening.toConfirm();
    boolean blank = answers.equals(Answers.BLANK);
    Gate gate = screening.gate();
    model.addAttribute("gate", gate);
    model.addAttribute("open", gate.open());
    if (gate instanceof Gate.Closed closed) model.addAttribute("why", closed.why());
    if (gate instanceof Gate.Open o) model.addAttribute("gateOpen", o);
    gate.answers().ifPresent(a -> model.addAttribute("assessment", a));
    model.addAttribute("carried", carried(gate, all));
    model.addAttribute("screenings", all);
    model.addAttribute(
        "when",
        all.stream()
            .map(k -> Days.when(k.answered().at(), clock.instant(), client.zone()))
            .toList());
    model.addAttribute(
        "againstStrongPull", gate.answers().map(a -> a.againstStrongPull()).orElse(List.of()));
    boolean none = all.stream().noneMatch(ClientScreening.KeptScreening::counts);
    model.addAttribute("form", none || again || toConfirm.isPresent());
    model.addAttribute("confirming", toConfirm.isPresent());
    model.addAttribute(
        "answers",
        blank ? toConfirm.map(ClientScreening.KeptScreening::answers).orElse(answers) : answers);
    model.addAttribute("problems", problems);
    model.addAttribute("signs", EmergencySign.values());
    model.addAttribute("flags", RedFlag.values());
    model.addAttribute("conditionList", Condition.values());
    model.addAttribute("sides", Side.values());
    List<Answered> answered = all.stream().map(ClientScreening.KeptScreening::answered).toList();
    model.addAttribute("leftOn", Answered.leftOn(answered));
    model.addAttribute("settlings", Irritability.Settles.values());
    model.addAttribute("minor", client.minor(clock.instant().atZone(client.zone()).toLocalDate()));
    model.addAttribute(
        "policy", gate.answers().map(Assessment::policy).orElse(Policy.COMFORT_FIRST));
    model.addAttribute("neckRule", NeckRule.Question.values());
    if (!model.containsAttribute("neck")) model.addAttribute("neck", NeckRule.BLANK);
    return "screening/screen";
  }

  /** What stands open from earlier answers although the newest do not say it. */
  private static List<String> carried(Gate gate, List<ClientScreening.KeptScreening> all) {
    Optional<Screening> inForce = gate.answers().map(Assessment::screening);
    if (gate.open() || all.isEmpty() || inForce.isEmpty()) return List.of();
    Screening newest = all.get(0).answered().screening();
    return Stream.concat(
            inForce.get().emergencies().stream()
                .filter(x -> !newest.emergencies().contains(x))
                .map(EmergencySign::label),
            inForce.get().redFlags().stream()
                .filter(x -> !newest.redFlags().contains(x))
                .map(RedFlag::label))
        .sorted()
        .toList();
  }
}
