package org.biokinet.app.client;

import java.time.Instant;
import java.util.UUID;

/** What came before it has an outcome. */
public record DealtWith(UUID clientId, Instant at) implements AboutClient {}
