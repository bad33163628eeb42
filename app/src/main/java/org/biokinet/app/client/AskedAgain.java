package org.biokinet.app.client;

import java.time.Instant;
import java.util.UUID;

/** Something has changed that earlier answers did not know of. */
public record AskedAgain(UUID clientId, Instant at) implements AboutClient {}
