package org.biokinet.app.program;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.people.AccountService;
import org.springframework.stereotype.Component;

/** Versions that were shared, and withdrawn. */
@Component
class ProgramChronicle implements Chronicle {

  private final VersionService versions;
  private final AccountService accounts;

  ProgramChronicle(VersionService versions, AccountService accounts) {
    this.versions = versions;
    this.accounts = accounts;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    Stream<Happened> shared = versions.all(client.getId()).stream().map(this::shared);
    Stream<Happened> withdrawn =
        versions.withdrawn(client.getId()).values().stream().map(ProgramChronicle::withdrawn);
    return Stream.concat(shared, withdrawn).filter(h -> h.in(from, until)).toList();
  }

  private Happened shared(ProgramVersion v) {
    return new Happened(
        v.sharedAt(),
        Happened.Kind.PROGRAM,
        "Shared %s: %s".formatted(v.name().inFull(), v.title()),
        v.note(),
        accounts.practitionerName(v.sharedBy()));
  }

  private static Happened withdrawn(Withdrawn w) {
    return new Happened(
        w.at(), Happened.Kind.PROGRAM, "Withdrew " + w.version().name().inFull(), w.why(), "");
  }
}
