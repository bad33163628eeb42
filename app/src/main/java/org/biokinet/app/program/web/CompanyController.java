package org.biokinet.app.program.web;

import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.core.program.ProgramKind;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Two people at one draft: take it over, or go on in one of one's own. */
@Controller
class CompanyController {

  /** What somebody does about it. */
  enum Choice {
    TAKE_OVER,
    APART,
    ASIDE,
    IN_PLACE,
    THROW_AWAY
  }

  private final DraftService drafts;

  CompanyController(DraftService drafts) {
    this.drafts = drafts;
  }

  /**
   * @param shared how much was seen of the draft that all share
   * @param weeks whether it was asked for in the weeks
   */
  @PostMapping("/clients/{id}/plan/company")
  String choose(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam Choice choice,
      @RequestParam(defaultValue = "0") int shared,
      @RequestParam(defaultValue = "false") boolean weeks,
      RedirectAttributes once) {
    switch (choice) {
      case TAKE_OVER -> drafts.takeOver(me, id, program);
      case APART -> drafts.goApart(me, id, program);
      case ASIDE -> drafts.setAside(me, id, program);
      case IN_PLACE -> {
        Optional<String> other = drafts.putInPlace(me, id, program, shared);
        other.ifPresent(
            who ->
                once.addFlashAttribute(
                    "refused",
                    who + " changed the draft that all share meanwhile. Look at it first."));
      }
      case THROW_AWAY -> drafts.throwAway(me, id, program);
    }
    return "redirect:/clients/%s/%s?program=%s".formatted(id, weeks ? "weeks" : "plan", program);
  }
}
