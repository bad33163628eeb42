package org.biokinet.app.client.internal;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.people.AccountService;
import org.springframework.stereotype.Component;

/** Calls, what was dealt with, and what became of the record itself. */
@Component
class ClientChronicle implements Chronicle {

  private final ClientEvents events;
  private final AccountService accounts;

  ClientChronicle(ClientEvents events, AccountService accounts) {
    this.events = events;
    this.accounts = accounts;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return events
        .findByClientIdAndAtGreaterThanEqualAndAtLessThan(client.getId(), from, until)
        .stream()
        .map(
            e ->
                new Happened(
                    e.at(),
                    e.kind() == ClientEvent.Kind.CALLED ? Happened.Kind.CALL : Happened.Kind.RECORD,
                    what(e.kind()),
                    e.detail(),
                    accounts.practitionerName(e.practitionerId())))
        .toList();
  }

  private static String what(ClientEvent.Kind kind) {
    return switch (kind) {
      case CALLED -> "Call";
      case DEALT_WITH -> "Dealt with what had come in";
      case ARCHIVED -> "Archived";
      case REACTIVATED -> "Taken up again";
      case NEW_EPISODE -> "A new episode begins";
      case MERGED -> "A duplicate record was joined";
      case GIVEN -> "Given to somebody else of the practice";
    };
  }
}
