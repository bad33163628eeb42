package org.biokinet.app.review;

import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.biokinet.app.client.AboutClient;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Looks what may be eased, or stays, by itself: a minute after something has happened with a
 * client, and every hour at all of them, since days pass too.
 */
@Component
@ConditionalOnProperty(name = "biokinet.mail-rounds", matchIfMissing = true)
class AutomaticRounds {
  private static final Logger LOG = LoggerFactory.getLogger(AutomaticRounds.class);
  private static final long MINUTE = 60_000;
  private static final long HOUR = 60 * MINUTE;

  private final ReviewService reviews;
  private final Set<UUID> touched = ConcurrentHashMap.newKeySet();

  AutomaticRounds(ReviewService reviews) {
    this.reviews = reviews;
  }

  @EventListener
  void happened(AboutClient event) {
    touched.add(event.clientId());
  }

  @Scheduled(fixedDelay = MINUTE, initialDelay = MINUTE)
  void round() {
    Set<UUID> since = Set.copyOf(touched);
    if (since.isEmpty()) return;
    touched.removeAll(since);
    reviews.automatic().stream().filter(since::contains).forEach(this::look);
  }

  @Scheduled(fixedDelay = HOUR, initialDelay = MINUTE)
  void all() {
    reviews.automatic().forEach(this::look);
  }

  private void look(UUID client) {
    try {
      reviews.byItself(client);
    } catch (ReviewService.Refused refused) {
      LOG.info("{} is left to a practitioner: {}", client, refused.why());
    } catch (RuntimeException e) {
      // One record that cannot be read keeps nobody else from being looked at.
      LOG.warn("{} is looked at again", client, e);
    }
  }
}
