package org.biokinet.app.reminder.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.reminder.ReminderService;
import org.biokinet.core.session.Asking;
import org.biokinet.core.session.Reminding;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** When a client is asked and reminded. */
@Controller
@RequestMapping("/me/times")
class MyTimesController {

  private final ReminderService reminders;
  private final ClientService clients;
  private final PracticeService practices;

  MyTimesController(ReminderService reminders, ClientService clients, PracticeService practices) {
    this.reminders = reminders;
    this.clients = clients;
    this.practices = practices;
  }

  @GetMapping
  String page(@AuthenticationPrincipal ClientMe me, Model model) {
    Client client = clients.byId(me.id());
    ReminderService.Chosen chosen = reminders.of(client);
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("email", client.contact().email());
    model.addAttribute("zone", me.zone().getDisplayName(TextStyle.FULL, me.language()));
    model.addAttribute("morning", client.morningFrom().orElse(Asking.MORNING_FROM));
    model.addAttribute("earliest", Asking.MORNING_FROM);
    model.addAttribute("most", Reminding.MOST);
    chosen.obstacle().ifPresent(o -> model.addAttribute("obstacle", o));
    List<LocalTime> times = chosen.reminding().times();
    model.addAttribute("on", !times.isEmpty());
    if (!model.containsAttribute("times")) {
      model.addAttribute("times", rows(times.stream().map(LocalTime::toString)));
    }
    return "reminder/times";
  }

  /** As many fields as there may be times. */
  private static List<String> rows(Stream<String> typed) {
    List<String> rows = new ArrayList<>(typed.limit(Reminding.MOST).toList());
    while (rows.size() < Reminding.MOST) rows.add("");
    return rows;
  }

  /**
   * @param time as typed; an empty one is none
   */
  @PostMapping
  String choose(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "") List<String> time,
      Model model,
      HttpServletResponse response) {
    try {
      List<LocalTime> times =
          time.stream()
              .map(String::strip)
              .filter(t -> !t.isEmpty())
              .map(MyTimesController::of)
              .toList();
      reminders.choose(me, new Reminding(times));
      return "redirect:/me/times?kept";
    } catch (DateTimeParseException | IllegalArgumentException e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("wrong", true);
      model.addAttribute("times", rows(time.stream()));
      return page(me, model);
    }
  }

  /** Whole minutes: nothing is finer. */
  private static LocalTime of(String typed) {
    return LocalTime.parse(typed).withSecond(0).withNano(0);
  }

  /** From when the morning is asked about; what is earlier than any morning is that. */
  @PostMapping("/morning")
  String morning(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "") String from,
      Model model,
      HttpServletResponse response) {
    try {
      LocalTime chosen = of(from.strip());
      clients.chooseMorning(
          me, chosen.isBefore(Asking.MORNING_FROM) ? Asking.MORNING_FROM : chosen);
      return "redirect:/me/times?kept";
    } catch (DateTimeParseException e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("morningWrong", true);
      return page(me, model);
    }
  }
}
