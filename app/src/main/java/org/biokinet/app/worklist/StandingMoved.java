package org.biokinet.app.worklist;

import java.util.UUID;

/** Where somebody of a practice stands was brought up. */
record StandingMoved(UUID practiceId) {}
