package org.biokinet.app.session.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.IntStream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * A ticked sheet, typed in by whoever gets it back: the front desk, too, sees no more than that.
 */
@Controller
class TicksController {

  /** As many as the sheet has. */
  private static final int DAYS = 14;

  private static final int MOST_SESSIONS = 6;

  private final SessionService sessions;
  private final ClientService clients;
  private final VersionService versions;
  private final Audit audit;
  private final Clock clock;

  TicksController(
      SessionService sessions,
      ClientService clients,
      VersionService versions,
      Audit audit,
      Clock clock) {
    this.sessions = sessions;
    this.clients = clients;
    this.versions = versions;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * A day of the grid as it was typed.
   *
   * @param ticks by session
   * @param fault what is wrong, or empty
   */
  record Day(int number, String date, List<Boolean> ticks, String pain, String fault) {}

  @GetMapping("/desk/{id}/ticks")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      Model model) {
    Client client = clients.get(me, id);
    audit.saw(me, id, "ticked sheet");
    LocalDate first =
        shared(client, program)
            .map(v -> LocalDate.ofInstant(v.sharedAt(), client.zone()))
            .map(d -> d.isBefore(today(client).minusDays(DAYS)) ? today(client).minusDays(DAYS) : d)
            .orElse(today(client));
    return show(client, program, first.toString(), days(client, first, Map.of()), model);
  }

  @PostMapping("/desk/{id}/ticks")
  String save(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String first,
      @RequestParam Map<String, String> form,
      Model model,
      HttpServletResponse response) {
    Client client = clients.get(me, id);
    Optional<LocalDate> day = date(first);
    List<Day> days = days(client, day.orElse(today(client)), form);
    String wrong = "";
    if (day.isEmpty()) wrong = "A date, such as " + today(client) + ".";
    else if (day.get().isAfter(today(client))) wrong = "That day has not come yet.";
    else if (day.get().isBefore(today(client).minusYears(1))) wrong = "That is over a year ago.";
    boolean nothing = days.stream().noneMatch(d -> d.ticks().contains(true));
    if (wrong.isEmpty() && nothing) wrong = "Nothing is ticked.";
    if (!wrong.isEmpty() || days.stream().anyMatch(d -> !d.fault().isEmpty())) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("wrong", wrong);
      return show(client, program, first, days, model);
    }
    List<SessionService.Ticked> ticked = new ArrayList<>();
    for (Day d : days) {
      int done = (int) d.ticks().stream().filter(t -> t).count();
      if (done == 0) continue;
      OptionalInt pain =
          d.pain().isEmpty() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(d.pain()));
      ticked.add(new SessionService.Ticked(day.orElseThrow().plusDays(d.number() - 1), done, pain));
    }
    int kept = sessions.recordOnPaper(me, id, program, ticked);
    return "redirect:/desk/%s/ticks?program=%s&kept=%d".formatted(id, program, kept);
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  private Optional<ProgramVersion> shared(Client client, ProgramKind program) {
    return versions.all(client.getId()).stream()
        .filter(v -> v.program() == program)
        .reduce((a, b) -> b);
  }

  private static Optional<LocalDate> date(String text) {
    try {
      return Optional.of(LocalDate.parse(text.strip()));
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }

  private List<Day> days(Client client, LocalDate first, Map<String, String> form) {
    int often = often(client);
    List<Day> days = new ArrayList<>();
    for (int d = 1; d <= DAYS; d++) {
      int day = d;
      List<Boolean> ticks =
          IntStream.rangeClosed(1, often)
              .mapToObj(n -> form.containsKey("s-%d-%d".formatted(day, n)))
              .toList();
      String pain = form.getOrDefault("p-" + d, "").strip();
      LocalDate date = first.plusDays(d - 1);
      String fault = "";
      if (!pain.matches("\\d{0,2}")
          || (!pain.isEmpty() && Integer.parseInt(pain) > TenPoint.MOST)) {
        fault = "0 to 10";
      } else if (!pain.isEmpty() && !ticks.contains(true)) {
        fault = "no session is ticked";
      } else if (ticks.contains(true) && date.isAfter(today(client))) {
        fault = "not yet";
      }
      days.add(new Day(d, Days.day(date), ticks, pain, fault));
    }
    return days;
  }

  private static int often(Client client) {
    return Math.min(MOST_SESSIONS, client.circumstances().timesPerDay().orElse(1));
  }

  private String show(
      Client client, ProgramKind program, String first, List<Day> days, Model model) {
    model.addAttribute("client", client);
    model.addAttribute("program", program);
    model.addAttribute("shared", shared(client, program).map(v -> v.name().inFull()).orElse(""));
    model.addAttribute("first", first);
    model.addAttribute("today", today(client));
    model.addAttribute("days", days);
    model.addAttribute("often", often(client));
    return "session/ticks";
  }
}
