package org.biokinet.app.client;

import java.util.UUID;
import org.biokinet.app.practice.Me;
import org.jspecify.annotations.Nullable;
import org.springframework.ui.Model;

/** Fills in the head of a client's page: who, and where the five stations stand. */
public interface ClientHeader {

  /**
   * Also writes down that the page was seen; another practice's client is not found.
   *
   * @param open null for a page beside the stations
   */
  Client show(Me me, UUID clientId, @Nullable Station open, Model model);
}
