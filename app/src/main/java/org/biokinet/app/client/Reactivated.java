package org.biokinet.app.client;

import java.time.Instant;
import java.util.UUID;

/** An archived client was taken up again. */
public record Reactivated(UUID clientId, Instant at) implements AboutClient {}
