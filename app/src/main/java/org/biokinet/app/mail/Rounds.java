package org.biokinet.app.mail;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Async;
import org.springframework.scheduling.annotation.EnableAsync;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.transaction.event.TransactionalEventListener;

/** When the postman goes: as soon as something was written, and every half minute. */
@Configuration(proxyBeanMethods = false)
@EnableAsync
@EnableScheduling
@ConditionalOnProperty(name = "biokinet.mail-rounds", matchIfMissing = true)
class Rounds {
  private static final long MILLISECONDS = 30_000;

  private final Postman postman;

  Rounds(Postman postman) {
    this.postman = postman;
  }

  @Async
  @TransactionalEventListener
  void written(Outbox.Written event) {
    postman.round();
  }

  @Scheduled(fixedDelay = MILLISECONDS, initialDelay = MILLISECONDS)
  void again() {
    postman.round();
  }
}
