package org.biokinet.app.program;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A version is not in force any more, and none took its place. */
public record VersionWithdrawn(UUID clientId, ProgramVersion.Name version) implements AboutClient {}
