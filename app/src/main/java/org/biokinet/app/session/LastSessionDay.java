package org.biokinet.app.session;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.screening.LastSession;
import org.springframework.stereotype.Component;

@Component
class LastSessionDay implements LastSession {

  private final SessionService.Sessions sessions;

  LastSessionDay(SessionService.Sessions sessions) {
    this.sessions = sessions;
  }

  @Override
  public Map<UUID, LocalDate> days(Collection<UUID> clientIds) {
    return sessions.lastDays(clientIds).stream()
        .collect(
            Collectors.toMap(
                SessionService.Sessions.LastDay::getClientId,
                SessionService.Sessions.LastDay::getDay));
  }

  @Override
  public Before before(UUID clientId, Instant at) {
    return new Before(sessions.lastDay(clientId, at), sessions.lastUnknownStop(clientId, at));
  }
}
