package org.biokinet.app.client;

import java.time.Instant;
import java.util.UUID;

/** The client is back with something new: answers and programs from before are history. */
public record EpisodeBegun(UUID clientId, Instant at) implements AboutClient {}
