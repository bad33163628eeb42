package org.biokinet.app.message;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.springframework.stereotype.Component;

/** Questions and answers. */
@Component
class MessageChronicle implements Chronicle {

  private final MessageService messages;

  MessageChronicle(MessageService messages) {
    this.messages = messages;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return messages.between(client.getId(), from, until).stream()
        .map(
            m ->
                new Happened(
                    m.at(),
                    Happened.Kind.MESSAGE,
                    m.by().isPresent() ? "Wrote to the client" : "Wrote to the practice",
                    m.text(),
                    m.by().orElse("")))
        .toList();
  }
}
