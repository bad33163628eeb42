package org.biokinet.app.screening;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** When each client did the last session; answered by those who keep sessions. */
public interface LastSession {

  /** The day in the client's zone; without an entry for those who have done none. */
  Map<UUID, LocalDate> days(Collection<UUID> clientIds);

  /**
   * What a client had done by a moment, also what came in later.
   *
   * @param day of the last session that was open
   * @param stop when a session was stopped that the practice did not know of yet
   */
  record Before(Optional<LocalDate> day, Optional<Instant> stop) {}

  Before before(UUID clientId, Instant at);
}
