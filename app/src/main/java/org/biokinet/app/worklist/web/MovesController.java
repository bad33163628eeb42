package org.biokinet.app.worklist.web;

import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.Moves;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** That somebody on the list has moved. */
@RestController
class MovesController {

  private final Moves moves;

  MovesController(Moves moves) {
    this.moves = moves;
  }

  @GetMapping(path = "/worklist/moves", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter moves(@AuthenticationPrincipal Me me) {
    return moves.of(me.practiceId());
  }
}
