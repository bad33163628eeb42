package org.biokinet.app.workday.web;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.BadUpload;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.Moment;
import org.biokinet.core.workday.ScreenRest;
import org.biokinet.core.workday.SoFar;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.StringUtils;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** A small page that stays open on the desk: how long to the next break, and what becomes of it. */
@Controller
@RequestMapping("/me/desk")
class MyDeskController {

  private final DayPlans plans;
  private final ClientService clients;
  private final PracticeService practices;
  private final Clock clock;

  MyDeskController(DayPlans plans, ClientService clients, PracticeService practices, Clock clock) {
    this.plans = plans;
    this.clients = clients;
    this.practices = practices;
    this.clock = clock;
  }

  /**
   * What the page counts by.
   *
   * @param breaks beginnings of those that are asked for now or come, in milliseconds since the
   *     epoch
   * @param last until when each of them can be put off
   * @param now by the clock of the server
   */
  record Counting(List<Long> breaks, List<Long> last, long now, int had, int planned) {

    static Counting of(PlannedDay day, Instant now) {
      List<Span> next =
          day.breaks().stream()
              .filter(b -> b.state() == SoFar.State.NOW || b.state() == SoFar.State.COMING)
              .map(PlannedDay.Break::span)
              .toList();
      List<Long> breaks = next.stream().map(s -> s.from().toEpochMilli()).toList();
      List<Long> last = next.stream().map(s -> day.day().latest(s).toEpochMilli()).toList();
      return new Counting(breaks, last, now.toEpochMilli(), day.had(), day.number());
    }
  }

  @GetMapping
  String desk(@AuthenticationPrincipal ClientMe me, Model model) {
    PlannedDay day = plans.now(clients.byId(me.id()));
    Counting counting = Counting.of(day, clock.instant());
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute("counting", counting);
    model.addAttribute("works", !day.day().work().isEmpty() && !day.over(clock.instant()));
    model.addAttribute("breaks", StringUtils.collectionToCommaDelimitedString(counting.breaks()));
    model.addAttribute("last", StringUtils.collectionToCommaDelimitedString(counting.last()));
    model.addAttribute("asked", SoFar.ASKED.toMillis());
    model.addAttribute("later", SoFar.LATER.toMillis());
    model.addAttribute("laterMinutes", SoFar.LATER.toMinutes());
    model.addAttribute("look", ScreenRest.LASTS.toMillis());
    model.addAttribute("lookSeconds", ScreenRest.LASTS.toSeconds());
    model.addAttribute("metres", ScreenRest.METRES);
    model.addAttribute("program", day.deskProgram());
    model.addAttribute("answerId", UUID.randomUUID());
    return "workday/desk";
  }

  /** The same for a page that is open. */
  @GetMapping("/plan")
  @ResponseBody
  Counting plan(@AuthenticationPrincipal ClientMe me) {
    return Counting.of(plans.now(clients.byId(me.id())), clock.instant());
  }

  /**
   * What was told of a break; from a device that had no network maybe hours later.
   *
   * @throws BadUpload where it has no id, or says nothing that is known
   */
  @PostMapping("/moments")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void tell(@AuthenticationPrincipal ClientMe me, @RequestBody JsonNode sent) {
    try {
      UUID id = UUID.fromString(sent.path("uploadId").asText());
      Instant at = OffsetDateTime.parse(sent.path("at").asText()).toInstant();
      Moment.Kind kind =
          Coded.find(Moment.Kind.class, sent.path("kind").asText())
              .orElseThrow(() -> new BadUpload("kind is none"));
      plans.tell(me, id, new Moment(kind, at));
    } catch (IllegalArgumentException | DateTimeException e) {
      throw new BadUpload("uploadId or at is none");
    }
  }
}
