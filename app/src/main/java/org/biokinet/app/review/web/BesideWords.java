package org.biokinet.app.review.web;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.biokinet.app.platform.Days;
import org.biokinet.app.session.Beside;
import org.biokinet.app.session.SessionService;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** What came and was not counted, for both sides to read. */
@Component
class BesideWords {

  /** One of it; what it said in words as far as they are known, else as it came. */
  record Line(String when, Beside.Kind kind, List<Beside.Said> said) {}

  private final SessionService sessions;
  private final MessageSource messages;
  private final Clock clock;

  BesideWords(SessionService sessions, MessageSource messages, Clock clock) {
    this.sessions = sessions;
    this.messages = messages;
    this.clock = clock;
  }

  /** The newest first. */
  List<Line> all(UUID clientId, ZoneId zone, Locale language) {
    return sessions.beside(clientId).stream()
        .map(
            b ->
                new Line(
                    when(b.receivedAt(), zone),
                    b.kind(),
                    b.said().stream()
                        .map(s -> new Beside.Said(s.field(), value(s, zone, language)))
                        .toList()))
        .toList();
  }

  private String when(Instant at, ZoneId zone) {
    return Days.when(at, clock.instant(), zone);
  }

  private String value(Beside.Said said, ZoneId zone, Locale language) {
    if (said.field().equals("startedAt")) {
      try {
        return when(OffsetDateTime.parse(said.value()).toInstant(), zone);
      } catch (DateTimeException unreadable) {
        return said.value();
      }
    }
    String key = "beside.%s.%s".formatted(said.field(), said.value());
    return String.valueOf(messages.getMessage(key, null, said.value(), language));
  }
}
