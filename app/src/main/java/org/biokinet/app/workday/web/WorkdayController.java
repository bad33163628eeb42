package org.biokinet.app.workday.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Iterator;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.session.Session;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Unkept;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** For the practitioner: how often breaks are wanted, and what becomes of them beside pain. */
@Controller
@RequestMapping("/clients/{id}/workday")
class WorkdayController {

  /** Two weeks show a pattern. */
  private static final int DAYS = 14;

  private final WorkdayService workdays;
  private final DayPlans plans;
  private final SessionService sessions;
  private final ClientService clients;
  private final Clock clock;

  WorkdayController(
      WorkdayService workdays,
      DayPlans plans,
      SessionService sessions,
      ClientService clients,
      Clock clock) {
    this.workdays = workdays;
    this.plans = plans;
    this.sessions = sessions;
    this.clients = clients;
    this.clock = clock;
  }

  /**
   * A day of the pattern.
   *
   * @param pain the highest of its sessions; or empty
   */
  record Line(String day, DayStrip strip, String longest, int had, int planned, String pain) {}

  @GetMapping
  String pattern(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = clients.get(me, id);
    Instant now = clock.instant();
    LocalDate today = LocalDate.ofInstant(now, client.zone());
    LocalDate first = today.minusDays(DAYS - 1L);
    List<Session> done = sessions.since(id, first);
    boolean said = workdays.of(id).said();
    model.addAttribute("said", said);
    List<PlannedDay> days =
        (said ? plans.plan(client, first, today) : List.<PlannedDay>of())
            .stream().filter(d -> !d.breaks().isEmpty() || d.had() > 0).toList();
    Iterator<DayStrip> strips = DayStrip.of(days, now, client.zone()).iterator();
    model.addAttribute("lines", days.stream().map(d -> line(d, strips.next(), done)).toList());
    return "workday/pattern :: pattern";
  }

  private static Line line(PlannedDay d, DayStrip strip, List<Session> done) {
    OptionalInt pain =
        done.stream()
            .filter(s -> s.day().equals(d.date()))
            .flatMap(s -> s.highestPain().stream())
            .mapToInt(Integer::intValue)
            .max();
    return new Line(
        Days.day(d.date()),
        strip,
        Unkept.length(d.longest()),
        d.had(),
        d.number(),
        pain.isPresent() ? "" + pain.getAsInt() : "");
  }

  @GetMapping("/breaks")
  String breaks(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    clients.get(me, id);
    BreakWish wish = workdays.wish(id);
    return breaks(
        id, "" + wish.preferred(), "" + wish.least(), "" + wish.most(), "" + wish.number(), model);
  }

  private static String breaks(
      UUID id, String preferred, String least, String most, String number, Model model) {
    model.addAttribute("clientId", id);
    model.addAttribute("preferred", preferred);
    model.addAttribute("least", least);
    model.addAttribute("most", most);
    model.addAttribute("number", number);
    return "workday/pattern :: breaks";
  }

  /** All in minutes but the number. */
  @PostMapping("/breaks")
  String set(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String preferred,
      @RequestParam(defaultValue = "") String least,
      @RequestParam(defaultValue = "") String most,
      @RequestParam(defaultValue = "") String number,
      Model model,
      HttpServletResponse response) {
    clients.get(me, id);
    try {
      workdays.wish(
          me,
          id,
          new BreakWish(
              Integer.parseInt(preferred.strip()),
              Integer.parseInt(least.strip()),
              Integer.parseInt(most.strip()),
              Integer.parseInt(number.strip()),
              BreakWish.USUAL.length()));
      model.addAttribute("kept", true);
    } catch (NumberFormatException e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("wrong", "Whole numbers, please.");
    } catch (IllegalArgumentException e) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("wrong", e.getMessage());
    }
    return breaks(id, preferred, least, most, number, model);
  }
}
