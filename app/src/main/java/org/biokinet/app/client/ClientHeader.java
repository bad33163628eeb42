package org.biokinet.app.client;

import java.util.UUID;
import org.biokinet.app.account.Me;
import org.springframework.ui.Model;

/** Fills in the head of a client's page: who, and where the five stations stand. */
public interface ClientHeader {

  /** Also writes down that the page was seen; another practice's client is not found. */
  void show(Me me, UUID clientId, Station open, Model model);
}
