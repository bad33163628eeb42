package org.biokinet.app.access;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A client's link was made, opened or ended, or its PIN is not what it was. */
public record LinkChanged(UUID clientId) implements AboutClient {}
