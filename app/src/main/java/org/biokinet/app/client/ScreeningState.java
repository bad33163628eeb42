package org.biokinet.app.client;

/** Asked of the capability that screens, which stands above this one. */
public interface ScreeningState {

  /** Whether somebody was ever screened. */
  boolean any(Client client);

  /** Whether a sign, a flag or a stop waits to be settled. */
  boolean unsettled(Client client);
}
