package org.biokinet.app.shell;

import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.screening.ScreeningService;
import org.springframework.stereotype.Service;

/** Joins a duplicate to the record that stays: all of it, or nothing. */
@Service
public class Merging {

  /** What came of it. */
  public enum Outcome {
    DONE,
    /** A record is no duplicate of itself. */
    ITSELF,
    /** Something waits for an outcome in the duplicate. */
    UNSETTLED
  }

  private final ClientService clients;
  private final LinkService links;
  private final ScreeningService screenings;

  Merging(ClientService clients, LinkService links, ScreeningService screenings) {
    this.clients = clients;
    this.links = links;
    this.screenings = screenings;
  }

  @Changes
  public Outcome merge(Me me, UUID stays, UUID duplicate) {
    if (stays.equals(duplicate)) return Outcome.ITSELF;
    // In one order, whichever way round somebody else joins the two.
    Stream.of(stays, duplicate).sorted().forEach(id -> clients.lock(me, id));
    Client from = clients.get(me, duplicate);
    if (screenings.gate(from).unsettled()) return Outcome.UNSETTLED;
    clients.merge(me, stays, duplicate, screenings.any(from));
    links.end(me, duplicate);
    return Outcome.DONE;
  }
}
