package org.biokinet.app.client;

import java.util.UUID;

/** A client's link was made, opened or ended, or its PIN is not what it was. */
public record LinkChanged(UUID clientId) implements AboutClient {}
