package org.biokinet.app.client;

import java.util.UUID;

/** Who a client is, whose, or what is open about them is not what it was. */
public record ClientChanged(UUID clientId) implements AboutClient {}
