package org.biokinet.app.reminder;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;

/** Looks every half minute whose time has come. */
@Configuration(proxyBeanMethods = false)
@ConditionalOnProperty(name = "biokinet.mail-rounds", matchIfMissing = true)
class ReminderRounds {
  private static final Logger LOG = LoggerFactory.getLogger(ReminderRounds.class);
  private static final long MILLISECONDS = 30_000;

  private final ReminderService reminders;

  ReminderRounds(ReminderService reminders) {
    this.reminders = reminders;
  }

  @Scheduled(fixedDelay = MILLISECONDS, initialDelay = MILLISECONDS)
  void round() {
    reminders
        .due()
        .forEach(
            client -> {
              try {
                reminders.remind(client);
              } catch (RuntimeException e) {
                // One record that cannot be read keeps nobody else from being reminded.
                LOG.warn("the reminder of {} is tried again", client, e);
              }
            });
  }
}
