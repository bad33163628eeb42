package org.biokinet.app.client;

import java.util.UUID;

/**
 * Something that has happened to a client, published inside the transaction that writes it down.
 * Whoever keeps something of it listens; whoever publishes does not know who.
 */
public interface AboutClient {

  UUID clientId();
}
