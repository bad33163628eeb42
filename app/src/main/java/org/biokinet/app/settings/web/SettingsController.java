package org.biokinet.app.settings.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.planning.Preferences;
import org.biokinet.core.program.Course;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The practice's own pacing. */
@Controller
class SettingsController {

  /**
   * One line of the form.
   *
   * @param typed what stands in the field
   * @param error what is wrong with it, or empty
   */
  record PaceField(Pace pace, String typed, String error) {}

  /** One line of the history. */
  record Past(String when, String by, String what) {}

  private final SettingsService settings;
  private final Clock clock;

  SettingsController(SettingsService settings, Clock clock) {
    this.settings = settings;
    this.clock = clock;
  }

  @GetMapping("/settings")
  String page(@AuthenticationPrincipal Me me, Model model) {
    Pacing pacing = settings.pacing(me.practiceId());
    List<PaceField> lines = new ArrayList<>();
    for (Pace p : Pace.values()) {
      lines.add(new PaceField(p, Integer.toString(pacing.seconds(p)), ""));
    }
    return show(me, lines, model);
  }

  @PostMapping("/settings")
  String save(
      @AuthenticationPrincipal Me me,
      @RequestParam Map<String, String> form,
      Model model,
      HttpServletResponse response) {
    List<PaceField> lines = new ArrayList<>();
    Map<Pace, Integer> values = new EnumMap<>(Pace.class);
    boolean wrong = false;
    for (Pace p : Pace.values()) {
      String typed = form.getOrDefault(p.code(), "").strip();
      String error = "";
      if (!typed.matches("\\d{1,6}")) {
        error = "Whole seconds, %d to %d.".formatted(p.least(), p.most());
      } else if (!p.allows(Integer.parseInt(typed))) {
        error = "%d to %d s.".formatted(p.least(), p.most());
      } else {
        values.put(p, Integer.parseInt(typed));
      }
      wrong |= !error.isEmpty();
      lines.add(new PaceField(p, typed, error));
    }
    if (!wrong) {
      try {
        Optional<String> overtaken =
            settings.setPacing(me, Pacing.of(values), seen(form.getOrDefault("seen", "")));
        if (overtaken.isEmpty()) return "redirect:/settings?saved";
        model.addAttribute("overtakenBy", overtaken.get());
      } catch (IllegalArgumentException e) {
        model.addAttribute("refused", e.getMessage());
      }
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, lines, model);
  }

  /** How the practice likes what is suggested. */
  @PostMapping("/settings/preferences")
  String prefer(
      @AuthenticationPrincipal Me me,
      @RequestParam Preferences.Counting counting,
      @RequestParam(defaultValue = "false") boolean contractRelax,
      @RequestParam(defaultValue = "false") boolean circles,
      @RequestParam(defaultValue = "") String mostItems,
      @RequestParam(name = "seen", defaultValue = "") String seen,
      Model model,
      HttpServletResponse response) {
    String number = mostItems.strip();
    int most = number.matches("\\d{1,2}") ? Integer.parseInt(number) : 0;
    boolean right = most >= 1 && most <= Preferences.MOST;
    Preferences typed =
        new Preferences(counting, contractRelax, circles, right ? most : Preferences.USUAL_ITEMS);
    if (right) {
      Optional<String> by = settings.setPreferences(me, typed, seen(seen));
      if (by.isEmpty()) return "redirect:/settings?preferred#suggested";
      model.addAttribute("likedBy", by.get());
    } else {
      model.addAttribute("mostError", "A whole number, 1 to %d.".formatted(Preferences.MOST));
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("mostTyped", mostItems);
    model.addAttribute("liked", typed);
    return page(me, model);
  }

  /** What the parts of a course are called, one a line. */
  @PostMapping("/settings/phases")
  String phases(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String names,
      @RequestParam(name = "seen", defaultValue = "") String seen,
      Model model,
      HttpServletResponse response) {
    List<String> typed =
        names.lines().map(String::strip).filter(n -> !n.isEmpty()).distinct().toList();
    boolean right =
        !typed.isEmpty()
            && typed.size() <= Course.MOST_PHASES
            && typed.stream().allMatch(n -> n.length() <= Course.LONGEST_NAME);
    if (right) {
      Optional<String> by = settings.setPhases(me, typed, seen(seen));
      if (by.isEmpty()) return "redirect:/settings?phases#phases";
      model.addAttribute("phasesBy", by.get());
    } else {
      model.addAttribute(
          "phasesError",
          "One to %d names, each on its own line and of at most %d characters."
              .formatted(Course.MOST_PHASES, Course.LONGEST_NAME));
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("phasesTyped", names);
    return page(me, model);
  }

  /** What stands above every letter, one line each. */
  @PostMapping("/settings/letterhead")
  String letterhead(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String lines,
      @RequestParam(name = "seen", defaultValue = "") String seen,
      Model model,
      HttpServletResponse response) {
    List<String> typed = lines.lines().map(String::strip).filter(n -> !n.isEmpty()).toList();
    if (typed.size() <= SettingsService.MOST_LINES
        && typed.stream().allMatch(n -> n.length() <= SettingsService.LONGEST_LINE)) {
      Optional<String> by = settings.setLetterhead(me, typed, seen(seen));
      if (by.isEmpty()) return "redirect:/settings?letterhead#letterhead";
      model.addAttribute("headBy", by.get());
    } else {
      model.addAttribute(
          "headError",
          "At most %d lines of at most %d characters."
              .formatted(SettingsService.MOST_LINES, SettingsService.LONGEST_LINE));
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("headTyped", lines);
    return page(me, model);
  }

  static Optional<UUID> seen(String text) {
    try {
      return text.isEmpty() ? Optional.empty() : Optional.of(UUID.fromString(text));
    } catch (IllegalArgumentException e) {
      return Optional.of(new UUID(0, 0)); // matches nothing, so nothing is overwritten
    }
  }

  private String show(Me me, List<PaceField> lines, Model model) {
    model.addAttribute("lines", lines);
    if (!model.containsAttribute("liked")) {
      model.addAttribute("liked", settings.preferences(me.practiceId()));
    }
    if (!model.containsAttribute("phasesTyped")) {
      model.addAttribute("phasesTyped", String.join("\n", settings.phases(me.practiceId())));
    }
    if (!model.containsAttribute("headTyped")) {
      model.addAttribute("headTyped", String.join("\n", settings.letterhead(me.practiceId())));
    }
    model.addAttribute("practice", me.practice());
    model.addAttribute(
        "headSeen", settings.letterheadRevision(me.practiceId()).map(UUID::toString).orElse(""));
    model.addAttribute(
        "phasesSeen", settings.phasesRevision(me.practiceId()).map(UUID::toString).orElse(""));
    model.addAttribute("countings", Preferences.Counting.values());
    model.addAttribute(
        "likedSeen", settings.preferencesRevision(me.practiceId()).map(UUID::toString).orElse(""));
    model.addAttribute(
        "seen", settings.pacingRevision(me.practiceId()).map(UUID::toString).orElse(""));
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute(
        "history",
        settings.pacingHistory(me.practiceId()).stream()
            .map(c -> new Past(Days.when(c.at(), clock.instant(), zone), c.by(), c.what()))
            .toList());
    return "settings/settings";
  }
}
