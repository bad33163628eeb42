package org.biokinet.app.screening.web;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Complete;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.Renewal;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.RedFlag;
import org.jspecify.annotations.Nullable;
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

/** "Anything new?": the client renews the screening through the link, when it is time. */
@Controller
@RequestMapping("/me/renew")
class RenewController {

  private final ScreeningService screenings;
  private final ClientService clients;
  private final PracticeService practices;

  RenewController(ScreeningService screenings, ClientService clients, PracticeService practices) {
    this.screenings = screenings;
    this.clients = clients;
    this.practices = practices;
  }

  /**
   * @param map whether something on the body map asks for it
   */
  @GetMapping
  String ask(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(required = false) @Nullable String map,
      Model model) {
    model.addAttribute("map", map != null);
    return show(me, Renewal.BLANK, Map.of(), model);
  }

  @PostMapping
  String answer(
      @AuthenticationPrincipal ClientMe me,
      @Valid @ModelAttribute("renewal") Renewal renewal,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    if (!errors.hasErrors()) {
      screenings.renew(me, renewal);
      return "redirect:/me/today";
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, renewal, Complete.Form.byField(errors), model);
  }

  private String show(ClientMe me, Renewal renewal, Map<String, String> problems, Model model) {
    Optional<ClientScreening.Renewable> since = screenings.of(clients.byId(me.id())).renewal();
    // Who has not been asked yet is asked everything.
    if (since.isEmpty()) return "redirect:/me/before-visit";
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("since", Days.day(since.get().since(), me.language()));
    model.addAttribute("renewal", renewal);
    model.addAttribute("problems", problems);
    model.addAttribute("signs", EmergencySign.values());
    // Anything else that is new has a question of its own.
    List<RedFlag> flags = Arrays.stream(RedFlag.values()).filter(f -> f != RedFlag.NEWS).toList();
    model.addAttribute("flags", flags);
    return "screening/renew";
  }
}
