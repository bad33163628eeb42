package org.biokinet.app.writing;

import java.time.Instant;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.writing.internal.Writings;
import org.springframework.stereotype.Component;

/** Notes and letters that were signed. */
@Component
class WritingChronicle implements Chronicle {

  private final Writings writings;
  private final AccountService accounts;

  WritingChronicle(Writings writings, AccountService accounts) {
    this.writings = writings;
    this.accounts = accounts;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return writings
        .findByClientIdAndSignedAtGreaterThanEqualAndSignedAtLessThan(client.getId(), from, until)
        .stream()
        .map(row -> row.writing(accounts.practitionerName(row.madeBy())))
        .map(
            w ->
                new Happened(
                    w.signed().orElseThrow(),
                    Happened.Kind.DOCUMENT,
                    w.kind().label() + (w.amends().isPresent() ? ", amended" : ""),
                    w.to().lines().findFirst().orElse(""),
                    w.by()))
        .toList();
  }
}
