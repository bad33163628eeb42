package org.biokinet.app.pause;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A pause or a flare has begun, was changed or is over. */
public record PauseChanged(UUID clientId) implements AboutClient {}
