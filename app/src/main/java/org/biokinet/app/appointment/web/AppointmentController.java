package org.biokinet.app.appointment.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Optional;
import org.biokinet.app.appointment.AppointmentService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.core.calendar.CalendarFile;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** Takes the calendar file of the practice; the front desk does, too. */
@Controller
@RequestMapping("/desk/appointments")
class AppointmentController {

  private static final int LONGEST_NAME = 200;
  private static final int MOST_FAULTS = 20;

  private final AppointmentService appointments;
  private final Clock clock;

  AppointmentController(AppointmentService appointments, Clock clock) {
    this.appointments = appointments;
    this.clock = clock;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, Model model) {
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute(
        "taken",
        appointments
            .taken(me)
            .map(
                t ->
                    "%s, taken by %s %s"
                        .formatted(t.name(), t.by(), Days.when(t.at(), clock.instant(), zone)))
            .orElse(""));
    model.addAttribute("today", appointments.on(me, appointments.today(me)).size());
    return "appointment/appointments";
  }

  @PostMapping
  String take(
      @AuthenticationPrincipal Me me,
      @RequestParam Optional<MultipartFile> calendar,
      Model model,
      HttpServletResponse response)
      throws IOException {
    if (calendar.isEmpty() || calendar.get().isEmpty()) {
      model.addAttribute("error", "Choose a file.");
    } else {
      String given = Optional.ofNullable(calendar.get().getOriginalFilename()).orElse("");
      String name = given.length() > LONGEST_NAME ? given.substring(0, LONGEST_NAME) : given;
      try {
        AppointmentService.Outcome outcome = appointments.take(me, name, calendar.get().getBytes());
        model.addAttribute("outcome", outcome);
        model.addAttribute("faults", outcome.faults().stream().limit(MOST_FAULTS).toList());
        return page(me, model);
      } catch (CalendarFile.Unreadable e) {
        model.addAttribute(
            "error", "Not taken, %s. The one before stays.".formatted(e.getMessage()));
      }
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return page(me, model);
  }
}
