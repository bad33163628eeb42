package org.biokinet.app.settings;

import java.util.UUID;

/** What a review suggests in a practice may be another thing from now on. */
public record ThresholdsChanged(UUID practiceId) {}
