package org.biokinet.app.program;

import java.time.Instant;
import java.util.UUID;

/**
 * A shared version: never changed again.
 *
 * @param number from 1, going on from episode to episode
 * @param document the program document
 * @param seconds length of one session when it was shared
 */
public record ProgramVersion(
    UUID id,
    UUID clientId,
    int number,
    String title,
    String document,
    int seconds,
    UUID sharedBy,
    Instant sharedAt) {}
