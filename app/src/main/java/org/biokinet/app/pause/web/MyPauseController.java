package org.biokinet.app.pause.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.core.progress.Pause;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The client tells of days away, of an illness, of a flare; and of being back. */
@Controller
@RequestMapping("/me")
class MyPauseController {

  private final PauseService pauses;
  private final FlareService flares;
  private final PracticeService practices;
  private final Clock clock;

  MyPauseController(
      PauseService pauses, FlareService flares, PracticeService practices, Clock clock) {
    this.pauses = pauses;
    this.flares = flares;
    this.practices = practices;
    this.clock = clock;
  }

  @GetMapping("/pause")
  String page(@AuthenticationPrincipal ClientMe me, Model model) {
    LocalDate today = today(me);
    model.addAttribute("practice", practices.practice(me.practiceId()));
    Optional<Pause> now = pauses.newest(me.id()).filter(p -> !p.over(today));
    now.ifPresent(
        p -> {
          model.addAttribute("pause", p);
          model.addAttribute("waits", p.waits(today));
          model.addAttribute("from", Days.day(p.from(), me.language()));
          model.addAttribute("last", Days.day(p.last(), me.language()));
          model.addAttribute("toCome", today.isBefore(p.from()));
        });
    model.addAttribute("today", today);
    model.addAttribute("latest", today.plusDays(Pause.LONGEST_DAYS));
    return "pause/mine";
  }

  private LocalDate today(ClientMe me) {
    return LocalDate.ofInstant(clock.instant(), me.zone());
  }

  /**
   * @param fever asked of an illness only
   */
  @PostMapping("/pause")
  String tell(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam(defaultValue = "") String kind,
      @RequestParam(defaultValue = "") String from,
      @RequestParam(defaultValue = "") String until,
      @RequestParam(defaultValue = "") String fever,
      Model model,
      HttpServletResponse response) {
    Optional<Pause> pause = PauseForm.read(kind, from, until, fever, today(me));
    if (pause.isPresent() && pauses.tell(me, pause.get()).isEmpty()) return "redirect:/me/today";
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("wrong", true);
    model.addAttribute("illTyped", kind.equals(Pause.Kind.ILLNESS.name()));
    model.addAttribute("awayTyped", kind.equals(Pause.Kind.HOLIDAY.name()));
    model.addAttribute("fromTyped", from);
    model.addAttribute("untilTyped", until);
    model.addAttribute("fever", fever);
    return page(me, model);
  }

  /** After an illness it is asked whether there was fever. */
  @PostMapping("/pause/back")
  String back(@AuthenticationPrincipal ClientMe me, @RequestParam(defaultValue = "") String fever) {
    boolean ill = pauses.newest(me.id()).filter(p -> p.waits(today(me)) && !p.fever()).isPresent();
    if (ill && fever.isEmpty()) return "redirect:/me/pause?fever";
    pauses.back(me, fever.equals("yes"));
    return "redirect:/me/today";
  }

  @PostMapping("/flare")
  String flare(@AuthenticationPrincipal ClientMe me) {
    flares.begin(me);
    return "redirect:/me/today";
  }

  @PostMapping("/flare/undo")
  String undo(@AuthenticationPrincipal ClientMe me) {
    flares.undo(me);
    return "redirect:/me/today";
  }

  @PostMapping("/flare/settled")
  String settled(@AuthenticationPrincipal ClientMe me) {
    flares.settled(me);
    return "redirect:/me/today";
  }

  @PostMapping("/flare/not-settled")
  String notSettled(@AuthenticationPrincipal ClientMe me) {
    flares.notSettled(me);
    return "redirect:/me/today";
  }
}
