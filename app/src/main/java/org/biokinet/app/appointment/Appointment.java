package org.biokinet.app.appointment;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * An appointment of the practice.
 *
 * @param client who it is with; empty where the file does not tell
 */
public record Appointment(Instant from, Instant until, String title, Optional<UUID> client) {}
