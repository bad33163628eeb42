package org.biokinet.app.demo.web;

import com.icegreen.greenmail.util.GreenMail;
import java.time.ZoneId;
import java.util.List;
import org.biokinet.app.demo.MailStandIn;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The mail that the demo has sent, to be read. */
@Controller
@ConditionalOnProperty("biokinet.demo")
class MailController {
  private final GreenMail server;

  MailController(GreenMail server) {
    this.server = server;
  }

  @GetMapping("/demo/mail")
  String mail(@AuthenticationPrincipal Me me, Model model) {
    List<MailStandIn.Received> received = MailStandIn.received(server);
    ZoneId zone = ZoneId.of(me.zone());
    model.addAttribute("received", received);
    model.addAttribute(
        "times", received.stream().map(r -> Days.time(r.at().toInstant(), zone)).toList());
    return "demo/mail";
  }
}
