package org.biokinet.app.teaching;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.people.AccountService;
import org.springframework.stereotype.Component;

/** What was taught in the room. */
@Component
class TeachingChronicle implements Chronicle {

  private final TeachingService teachings;
  private final AccountService accounts;

  TeachingChronicle(TeachingService teachings, AccountService accounts) {
    this.teachings = teachings;
    this.accounts = accounts;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return teachings.between(client.getId(), from, until).stream()
        .map(
            k ->
                new Happened(
                    k.at(),
                    Happened.Kind.TEACHING,
                    "Taught",
                    k.note(),
                    accounts.practitionerName(k.by())))
        .toList();
  }
}
