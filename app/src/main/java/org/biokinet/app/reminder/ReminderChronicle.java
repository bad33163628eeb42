package org.biokinet.app.reminder;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.springframework.stereotype.Component;

/** Reminders that were mailed. */
@Component
class ReminderChronicle implements Chronicle {

  private final Outbox outbox;

  ReminderChronicle(Outbox outbox) {
    this.outbox = outbox;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return outbox.of(client.getId(), Letter.Kind.REMINDER).stream()
        .map(
            m ->
                new Happened(
                    m.at(), Happened.Kind.MAIL, "A reminder: " + m.state().words(), m.to(), ""))
        .filter(h -> h.in(from, until))
        .toList();
  }
}
