package org.biokinet.app.message.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.message.Message;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.PracticeService;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The client's side of it. */
@Controller
@RequestMapping("/me/messages")
class MyMessagesController {

  /**
   * @param by empty where the client wrote it
   */
  record Line(String by, String text, String when, boolean fresh) {}

  private final MessageService messages;
  private final PracticeService practices;
  private final Clock clock;

  MyMessagesController(MessageService messages, PracticeService practices, Clock clock) {
    this.messages = messages;
    this.practices = practices;
    this.clock = clock;
  }

  @GetMapping
  String page(@AuthenticationPrincipal ClientMe me, Model model) {
    List<Message> thread = messages.thread(me.id());
    messages.read(me);
    model.addAttribute("practice", practices.practice(me.practiceId()));
    model.addAttribute(
        "lines",
        thread.stream()
            .map(
                m ->
                    new Line(
                        m.by().orElse(""),
                        m.text(),
                        Days.when(m.told().orElse(m.at()), clock.instant(), me.zone()),
                        m.isNew()))
            .toList());
    model.addAttribute("id", UUID.randomUUID());
    return "message/mine";
  }

  @PostMapping
  String ask(
      @AuthenticationPrincipal ClientMe me,
      @RequestParam UUID id,
      @RequestParam(defaultValue = "") String text,
      @RequestParam Optional<OffsetDateTime> toldAt,
      Model model,
      HttpServletResponse response) {
    if (text.isBlank()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("missing", true);
      return page(me, model);
    }
    messages.ask(me, id, text, toldAt.map(OffsetDateTime::toInstant));
    return "redirect:/me/messages?sent";
  }
}
