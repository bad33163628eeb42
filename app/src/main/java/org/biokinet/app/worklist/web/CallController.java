package org.biokinet.app.worklist.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
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

/** Writes down a call in one line: whether somebody was reached, what was said, what comes next. */
@Controller
@RequestMapping("/clients/{id}/call")
class CallController {

  /** Together they have room in what is kept of a call. */
  private static final int LONGEST_SAID = 300;

  private static final int LONGEST_NEXT = 150;

  private final ClientService clients;
  private final ClientHeader header;

  CallController(ClientService clients, ClientHeader header) {
    this.clients = clients;
    this.header = header;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    return show(me, id, Optional.of(true), "", "", model);
  }

  private String show(
      Me me, UUID id, Optional<Boolean> reached, String said, String next, Model model) {
    header.show(me, id, null, model);
    model.addAttribute("reached", reached.orElse(null));
    model.addAttribute("said", said);
    model.addAttribute("next", next);
    model.addAttribute("longestSaid", LONGEST_SAID);
    model.addAttribute("longestNext", LONGEST_NEXT);
    return "worklist/call";
  }

  @PostMapping
  String called(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Optional<Boolean> reached,
      @RequestParam(defaultValue = "") String said,
      @RequestParam(defaultValue = "") String next,
      Model model,
      HttpServletRequest request,
      HttpServletResponse response) {
    String what = said.strip();
    String then = next.strip();
    if (reached.isEmpty()) {
      model.addAttribute("reachedError", "Reached, or not?");
    } else if (what.length() > LONGEST_SAID) {
      model.addAttribute("saidError", "At most %d characters.".formatted(LONGEST_SAID));
    } else if (what.isEmpty() && reached.get()) {
      model.addAttribute("saidError", "What was said?");
    } else if (then.length() > LONGEST_NEXT) {
      model.addAttribute("nextError", "At most %d characters.".formatted(LONGEST_NEXT));
    } else {
      clients.called(me, id, words(reached.get(), what, then));
      return LastList.back(request, id);
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, id, reached, said, next, model);
  }

  /** "Reached: sleeps better. Next: rings on Friday". */
  private static String words(boolean reached, String said, String next) {
    String words = (reached ? "Reached" : "Not reached") + (said.isEmpty() ? "" : ": " + said);
    if (next.isEmpty()) return words;
    return words + (words.endsWith(".") ? "" : ".") + " Next: " + next;
  }
}
