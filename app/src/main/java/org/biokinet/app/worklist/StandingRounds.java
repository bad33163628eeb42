package org.biokinet.app.worklist;

import java.time.Clock;
import java.util.UUID;
import org.biokinet.app.worklist.internal.Standings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Brings up whom time has changed before anybody looks: what a review suggests counts days, so that
 * at midnight it is everybody who has begun. Also whoever has no row yet, or one of an older form.
 */
@Component
@ConditionalOnProperty(name = "biokinet.mail-rounds", matchIfMissing = true)
class StandingRounds {
  private static final Logger LOG = LoggerFactory.getLogger(StandingRounds.class);
  private static final long MINUTE = 60_000;
  private static final long SOON = 1_000;

  private final Standings standings;
  private final StandingService service;
  private final Clock clock;

  StandingRounds(Standings standings, StandingService service, Clock clock) {
    this.standings = standings;
    this.service = service;
    this.clock = clock;
  }

  @Scheduled(fixedDelay = MINUTE, initialDelay = SOON)
  void round() {
    standings.missing().forEach(this::renew);
    standings.due(clock.instant(), Standing.FORM).forEach(this::renew);
  }

  private void renew(UUID client) {
    try {
      service.renew(client);
    } catch (RuntimeException e) {
      // One record that cannot be read keeps nobody else waiting.
      LOG.warn("where {} stands is looked at again", client, e);
    }
  }
}
