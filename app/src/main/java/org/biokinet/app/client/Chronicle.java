package org.biokinet.app.client;

import java.time.Instant;
import java.util.List;

/** What one capability knows of what happened; whoever tells all of it asks every one. */
public interface Chronicle {

  /**
   * What happened in a time, in any order.
   *
   * @param until not included
   */
  List<Happened> between(Client client, Instant from, Instant until);
}
