package org.biokinet.app.reminder.web;

import org.biokinet.app.platform.NotFound;
import org.biokinet.app.reminder.ReminderService;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;

/**
 * The end of reminders, from the mail itself: without link or PIN. Only a POST ends them (RFC
 * 8058), since programs that look at what is in a mail open every address.
 */
@Controller
@RequestMapping("/off/{token}")
class OffController {

  private final ReminderService reminders;

  OffController(ReminderService reminders) {
    this.reminders = reminders;
  }

  @GetMapping
  String ask(@PathVariable String token, Model model) {
    model.addAttribute("token", token);
    model.addAttribute("practice", reminders.practiceOf(token));
    return "reminder/off";
  }

  @PostMapping
  String off(@PathVariable String token, Model model) {
    reminders.off(token);
    model.addAttribute("ended", true);
    return ask(token, model);
  }

  @ExceptionHandler(NotFound.class)
  @ResponseStatus(HttpStatus.NOT_FOUND)
  String unknown() {
    return "access/gone";
  }
}
