package org.biokinet.app.client;

import java.time.Instant;
import org.biokinet.core.progress.Attention;

/**
 * Something that waits for a practitioner to deal with it.
 *
 * @param as the attention that it asks for
 * @param at when it came in
 */
public record Matter(Attention as, Instant at, String detail) {}
