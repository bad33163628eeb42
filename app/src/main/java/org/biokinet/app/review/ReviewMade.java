package org.biokinet.app.review;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A review was made, whether anything changed by it or not. */
public record ReviewMade(UUID clientId) implements AboutClient {}
