package org.biokinet.app.client;

import java.time.ZoneId;
import java.util.Locale;
import java.util.UUID;

/** The client whose device asks. */
public record ClientMe(UUID id, UUID practiceId, String firstName, ZoneId zone, Locale language) {

  public static ClientMe of(Client c) {
    return new ClientMe(c.getId(), c.practiceId(), c.firstName(), c.zone(), c.language());
  }
}
