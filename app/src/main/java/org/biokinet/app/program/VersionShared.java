package org.biokinet.app.program;

import java.util.UUID;
import org.biokinet.app.client.AboutClient;

/** A version is in force from now on. */
public record VersionShared(UUID clientId, ProgramVersion.Name version) implements AboutClient {}
