package org.biokinet.app.client;

import java.util.Set;
import java.util.UUID;
import org.biokinet.app.account.Me;

/** Asked of the worklist, which stands above this capability. */
public interface Urgent {

  /** The clients of my practice about whom a practitioner has to be told at once. */
  Set<UUID> among(Me me);
}
