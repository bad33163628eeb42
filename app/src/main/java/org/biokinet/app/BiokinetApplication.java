package org.biokinet.app;

import org.biokinet.app.platform.AdjustableClock;
import org.biokinet.core.exercise.Catalogue;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.core.Ordered;
import org.springframework.data.jpa.repository.config.EnableJpaRepositories;
import org.springframework.retry.annotation.EnableRetry;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/** Starts the web application. */
@SpringBootApplication
@EnableJpaRepositories(considerNestedRepositories = true)
@EnableRetry(order = Ordered.LOWEST_PRECEDENCE - 1) // outside the transaction that it repeats
public class BiokinetApplication {

  public static void main(String[] arguments) {
    SpringApplication.run(BiokinetApplication.class, arguments);
  }

  /** The only clock: everything that needs the time asks this bean. */
  @Bean
  AdjustableClock clock() {
    return new AdjustableClock();
  }

  /** Beats for what is streamed: instruments are read in step. */
  @Bean
  ThreadPoolTaskScheduler scheduler() {
    ThreadPoolTaskScheduler scheduler = new ThreadPoolTaskScheduler();
    scheduler.setPoolSize(4);
    scheduler.setThreadNamePrefix("beat-");
    scheduler.setRemoveOnCancelPolicy(true);
    return scheduler;
  }

  @Bean
  Catalogue catalogue() {
    return Catalogue.load();
  }
}
