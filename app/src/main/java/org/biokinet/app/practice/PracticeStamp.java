package org.biokinet.app.practice;

import java.util.UUID;

/**
 * How often what a practice shares (settings, exercises of its own) has been changed: whether what
 * a process keeps of it still holds, without asking for all of it.
 */
public record PracticeStamp(UUID practiceId, int changes) {}
