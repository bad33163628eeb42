package org.biokinet.app.session;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A session has come in and is kept. */
public record SessionArrived(UUID clientId) implements AboutClient {}
