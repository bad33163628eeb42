package org.biokinet.app.overview.web;

import java.time.Duration;
import java.util.Locale;
import org.biokinet.app.overview.OverviewService;
import org.biokinet.app.overview.PracticeView;
import org.biokinet.app.practice.Me;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The practice as a whole; for owners. */
@Controller
class OverviewController {

  private final OverviewService overviews;

  OverviewController(OverviewService overviews) {
    this.overviews = overviews;
  }

  @GetMapping("/practice/overview")
  String page(@AuthenticationPrincipal Me me, Model model) {
    PracticeView o = overviews.of(me);
    model.addAttribute("me", me);
    model.addAttribute("o", o);
    model.addAttribute("least", PracticeView.LEAST);
    model.addAttribute("weeks", PracticeView.WEEKS);
    model.addAttribute("median", o.stops().median().map(OverviewController::words).orElse(""));
    model.addAttribute("longest", o.stops().longest().map(OverviewController::words).orElse(""));
    return "overview/overview";
  }

  /** "40 min", "3.5 h", "2.1 days". */
  private static String words(Duration d) {
    if (d.toMinutes() < 90) return d.toMinutes() + " min";
    double hours = d.toMinutes() / 60.0;
    return hours < 48
        ? String.format(Locale.ROOT, "%.1f h", hours)
        : String.format(Locale.ROOT, "%.1f days", hours / 24);
  }
}
