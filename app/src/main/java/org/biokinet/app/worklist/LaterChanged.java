package org.biokinet.app.worklist;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A client is looked at later, or now again. */
record LaterChanged(UUID clientId) implements AboutClient {}
