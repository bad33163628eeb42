package org.biokinet.app.account;

import java.util.Map;
import java.util.UUID;

/** The names of a practice's clients, for pages that know only their ids. */
public interface ClientNames {

  /** Sorted by name. */
  Map<UUID, String> of(Me me);
}
