package org.biokinet.app.access;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.springframework.stereotype.Component;

/** Links that were mailed. */
@Component
class LinkChronicle implements Chronicle {

  private final Outbox outbox;

  LinkChronicle(Outbox outbox) {
    this.outbox = outbox;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return outbox.of(client.getId(), Letter.Kind.LINK).stream()
        .map(
            m ->
                new Happened(
                    m.at(),
                    Happened.Kind.MAIL,
                    "The link was mailed: " + m.state().words(),
                    m.to(),
                    ""))
        .filter(h -> h.in(from, until))
        .toList();
  }
}
