package org.biokinet.app.screening;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** Something was answered or recorded that the gate is decided on. */
public record ScreeningChanged(UUID clientId) implements AboutClient {}
