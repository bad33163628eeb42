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
import org.biokinet.core.progress.Threshold;
import org.biokinet.core.progress.Thresholds;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The figures by which the practice decides at a review. */
@Controller
@RequestMapping("/settings/thresholds")
class ThresholdsController {

  /**
   * One line of the form.
   *
   * @param typed what stands in the field
   * @param error what is wrong with it, or empty
   */
  record Field(Threshold threshold, String typed, String error) {}

  private final SettingsService settings;
  private final Clock clock;

  ThresholdsController(SettingsService settings, Clock clock) {
    this.settings = settings;
    this.clock = clock;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, Model model) {
    Thresholds now = settings.thresholds(me.practiceId());
    List<Field> fields = new ArrayList<>();
    for (Threshold t : Threshold.values()) {
      fields.add(new Field(t, Integer.toString(now.of(t)), ""));
    }
    return show(me, fields, model);
  }

  @PostMapping
  String save(
      @AuthenticationPrincipal Me me,
      @RequestParam Map<String, String> form,
      Model model,
      HttpServletResponse response) {
    List<Field> fields = new ArrayList<>();
    Map<Threshold, Integer> own = new EnumMap<>(Threshold.class);
    for (Threshold t : Threshold.values()) {
      String typed = form.getOrDefault(t.code(), "").strip();
      boolean right = typed.matches("\\d{1,6}") && t.allows(Integer.parseInt(typed));
      if (right) own.put(t, Integer.valueOf(typed));
      fields.add(
          new Field(
              t, typed, right ? "" : "A whole number, %d to %d.".formatted(t.least(), t.most())));
    }
    if (own.size() == Threshold.values().length) {
      Optional<String> by =
          settings.setThresholds(
              me, new Thresholds(own), SettingsController.seen(form.getOrDefault("seen", "")));
      if (by.isEmpty()) return "redirect:/settings/thresholds?saved";
      model.addAttribute("overtakenBy", by.get());
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, fields, model);
  }

  private String show(Me me, List<Field> fields, Model model) {
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute("fields", fields);
    model.addAttribute(
        "seen", settings.thresholdsRevision(me.practiceId()).map(UUID::toString).orElse(""));
    model.addAttribute(
        "history",
        settings.thresholdsHistory(me.practiceId()).stream()
            .map(
                c ->
                    new SettingsController.Past(
                        Days.when(c.at(), clock.instant(), zone), c.by(), c.what()))
            .toList());
    return "settings/thresholds";
  }
}
