package org.biokinet.app.session.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.util.List;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.teaching.TeachingService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.timeline.Timeline;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The page of the player: for the client, or for a practitioner who looks at it as this client. */
@Component
class PlayerPage {

  /** Who has it open, and where it leads back to. */
  record Opened(boolean preview, String home) {}

  private final TeachingService teaching;
  private final LibraryService library;
  private final MessageSource messages;
  private final ObjectMapper json;
  private final Clock clock;

  PlayerPage(
      TeachingService teaching,
      LibraryService library,
      MessageSource messages,
      ObjectMapper json,
      Clock clock) {
    this.teaching = teaching;
    this.library = library;
    this.messages = messages;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Fills the page of a session that may be done.
   *
   * @param now whose gate is open
   */
  String show(
      Client client,
      ClientScreening screening,
      Permitted now,
      Side turn,
      SessionLength length,
      int pain,
      Opened opened,
      Model model) {
    Program session = now.session(turn, length);
    Catalogue today = library.of(client.practice()).catalogue();
    PlayerScript script =
        PlayerScript.of(
            now,
            session,
            pain,
            ((Gate.Open) now.permit().gate()).leaseUntil(clock.instant(), client.zone()),
            new PlayerScript.Said(
                said("player.next.end", client),
                said("player.instead.first", client),
                said("player.instead.next", client)),
            teaching.usual(client.getId()),
            today,
            opened.preview(),
            client.language());
    Program whole = now.replay().program();
    model.addAttribute("home", opened.home());
    model.addAttribute("atDesk", now.program().givesWay() && !opened.preview());
    model.addAttribute("preview", opened.preview());
    model.addAttribute("baseline", screening.baseline());
    model.addAttribute("script", json(script));
    model.addAttribute("pictures", script.pictures(now.replay(), today));
    model.addAttribute("title", whole.title());
    model.addAttribute("ways", List.of("voice", "tones", "vibration", "screen"));
    model.addAttribute("gently", !now.program().servesFindings());
    model.addAttribute("lead", script.lead());
    model.addAttribute("sided", whole.items().stream().anyMatch(i -> i.exercise().sided()));
    model.addAttribute("pairs", script.pairs());
    model.addAttribute("names", script.items());
    model.addAttribute("parts", script.parts(session));
    model.addAttribute("places", script.places());
    model.addAttribute("reasons", SkipReason.values());
    model.addAttribute("strip", Strip.of(script));
    model.addAttribute("total", Timeline.clock(script.seconds()));
    return "session/player";
  }

  private String said(String key, Client client) {
    return messages.getMessage(key, null, client.language());
  }

  /** As text inside a script element, which must not be closed by its own content. */
  private String json(PlayerScript script) {
    try {
      return json.writeValueAsString(script).replace("<", "\\u003c");
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
