package org.biokinet.app.screening;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;

/** When each client did the last session; answered by those who keep sessions. */
public interface LastSession {

  /** The day in the client's zone; without an entry for those who have done none. */
  Map<UUID, LocalDate> days(Collection<UUID> clientIds);
}
