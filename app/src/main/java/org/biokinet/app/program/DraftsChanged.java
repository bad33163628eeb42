package org.biokinet.app.program;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A program is being written that nobody has shared yet, or is no longer. */
public record DraftsChanged(UUID clientId) implements AboutClient {}
