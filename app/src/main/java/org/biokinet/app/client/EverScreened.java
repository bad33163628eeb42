package org.biokinet.app.client;

/** Asked of the capability that screens, which stands above this one. */
public interface EverScreened {

  /** Whether somebody was ever screened. */
  boolean any(Client client);
}
