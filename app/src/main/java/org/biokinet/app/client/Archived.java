package org.biokinet.app.client;

import java.time.Instant;
import java.util.UUID;

/** Nothing goes on for this client from then on. */
public record Archived(UUID clientId, Instant at) implements AboutClient {}
