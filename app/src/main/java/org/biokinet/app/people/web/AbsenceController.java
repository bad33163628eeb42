package org.biokinet.app.people.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.people.Absence;
import org.biokinet.app.people.AbsenceService;
import org.biokinet.app.people.AbsenceService.Fault;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Who is away and who covers. */
@Controller
@RequestMapping("/absences")
class AbsenceController {

  /** One of them, in words. */
  record Line(UUID id, String who, String when, String cover, boolean now, boolean mayEnd) {}

  private final AbsenceService absences;
  private final AccountService accounts;

  AbsenceController(AbsenceService absences, AccountService accounts) {
    this.absences = absences;
    this.accounts = accounts;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, Model model) {
    LocalDate today = absences.today(me);
    return show(me, me.id(), Optional.empty(), today, today, model);
  }

  private String show(
      Me me, UUID who, Optional<UUID> cover, LocalDate from, LocalDate last, Model model) {
    Map<UUID, String> names = accounts.names(me);
    LocalDate today = absences.today(me);
    List<UUID> treating =
        accounts.colleagues(me).stream().map(AccountService.Colleague::id).toList();
    model.addAttribute("me", me);
    model.addAttribute("today", today);
    model.addAttribute("colleagues", accounts.colleagues(me));
    model.addAttribute("who", who);
    model.addAttribute("cover", cover.orElse(null));
    model.addAttribute("from", from);
    model.addAttribute("last", last);
    model.addAttribute(
        "absences",
        absences.ahead(me).stream()
            .map(
                a ->
                    new Line(
                        a.id(),
                        names.getOrDefault(a.who(), ""),
                        days(a),
                        names.getOrDefault(a.cover(), "")
                            + (treating.contains(a.cover()) ? "" : ", who has left"),
                        a.on(today),
                        me.role().owner() || a.who().equals(me.id()) || a.cover().equals(me.id())))
            .toList());
    return "people/absences";
  }

  private static String days(Absence a) {
    return a.from().equals(a.last())
        ? Days.day(a.from())
        : "%s to %s".formatted(Days.day(a.from()), Days.day(a.last()));
  }

  @PostMapping
  String add(
      @AuthenticationPrincipal Me me,
      @RequestParam Optional<UUID> who,
      @RequestParam Optional<UUID> cover,
      @RequestParam Optional<LocalDate> from,
      @RequestParam Optional<LocalDate> last,
      Model model,
      HttpServletResponse response) {
    LocalDate today = absences.today(me);
    UUID away = who.orElse(me.id());
    if (from.isEmpty() || last.isEmpty()) {
      model.addAttribute("daysError", "From which day to which?");
    } else if (cover.isEmpty()) {
      model.addAttribute("coverError", "Choose who looks after the clients meanwhile.");
    } else {
      Optional<Fault> fault = absences.add(me, away, cover.get(), from.get(), last.get());
      if (fault.isEmpty()) return "redirect:/absences";
      say(me, fault.get(), model);
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, away, cover, from.orElse(today), last.orElse(today), model);
  }

  private void say(Me me, Fault fault, Model model) {
    Map<UUID, String> names = accounts.names(me);
    if (fault instanceof Fault.Days d) {
      model.addAttribute(
          "daysError",
          "From %s at the earliest, the last day not before the first, a year at most."
              .formatted(Days.day(d.earliest())));
    } else if (fault instanceof Fault.NotYours) {
      model.addAttribute("whoError", "Only an owner writes down that somebody else is away.");
    } else if (fault instanceof Fault.NoCover) {
      model.addAttribute("coverError", "Somebody else of the practice who treats.");
    } else if (fault instanceof Fault.CoverAway x) {
      String cover = names.getOrDefault(x.other().who(), "");
      model.addAttribute("coverError", "%s is away %s.".formatted(cover, days(x.other())));
    } else if (fault instanceof Fault.Covers x) {
      String who = names.getOrDefault(x.other().cover(), "");
      String forWhom = names.getOrDefault(x.other().who(), "");
      model.addAttribute(
          "whoError",
          "%s covers for %s %s; end that first.".formatted(who, forWhom, days(x.other())));
    } else if (fault instanceof Fault.Already x) {
      model.addAttribute("daysError", "Away %s already.".formatted(days(x.other())));
    }
  }

  @PostMapping("/{id}/end")
  String end(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    absences.end(me, id);
    return "redirect:/absences";
  }
}
