package org.biokinet.app.reminder;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.mail.Posted;
import org.springframework.stereotype.Component;

/** What was mailed: links and reminders. */
@Component
class MailChronicle implements Chronicle {

  private final Outbox outbox;

  MailChronicle(Outbox outbox) {
    this.outbox = outbox;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return Stream.of(Letter.Kind.values())
        .flatMap(kind -> outbox.of(client.getId(), kind).stream().map(m -> happened(kind, m)))
        .filter(h -> h.in(from, until))
        .toList();
  }

  private static Happened happened(Letter.Kind kind, Posted m) {
    String what =
        switch (kind) {
          case LINK -> "The link was mailed";
          case REMINDER -> "A reminder";
        };
    return new Happened(m.at(), Happened.Kind.MAIL, what + ": " + m.state().words(), m.to(), "");
  }
}
