package org.biokinet.app.session;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** What was said after a session has come in and is kept. */
public record CheckInArrived(UUID clientId) implements AboutClient {}
