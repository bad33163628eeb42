package org.biokinet.app.program;

import java.time.Instant;

/**
 * A version that is not to be done any more.
 *
 * @param why in the practitioner's words, for the client
 */
public record Withdrawn(ProgramVersion version, Instant at, String why) {}
