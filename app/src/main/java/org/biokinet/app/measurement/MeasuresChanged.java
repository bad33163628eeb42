package org.biokinet.app.measurement;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** Something was measured, corrected or taken back. */
public record MeasuresChanged(UUID clientId) implements AboutClient {}
