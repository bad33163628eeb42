package org.biokinet.app.workday;

import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;

/** Looks every two minutes whose calendar is to be read again. */
@Configuration(proxyBeanMethods = false)
@ConditionalOnProperty(name = "biokinet.mail-rounds", matchIfMissing = true)
class CalendarRounds {
  private static final long MILLISECONDS = 120_000;

  private final Subscriptions subscriptions;

  CalendarRounds(Subscriptions subscriptions) {
    this.subscriptions = subscriptions;
  }

  @Scheduled(fixedDelay = MILLISECONDS, initialDelay = MILLISECONDS)
  void round() {
    subscriptions.again();
  }
}
