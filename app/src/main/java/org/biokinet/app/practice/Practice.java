package org.biokinet.app.practice;

import java.time.ZoneId;
import java.util.UUID;

/**
 * A practice: the wall around everything that belongs to it.
 *
 * @param phone the number that a client can call
 */
public record Practice(UUID id, String name, ZoneId zone, String phone) {}
