package org.biokinet.app.worklist.internal;

import java.util.List;
import java.util.UUID;
import org.biokinet.app.worklist.StandingService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** Makes the rows that are not there yet, after a database from before there were any. */
@Component
public class StandingFill implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(StandingFill.class);

  private final Standings standings;
  private final StandingService service;

  public StandingFill(Standings standings, StandingService service) {
    this.standings = standings;
    this.service = service;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    List<UUID> missing = standings.missing();
    missing.forEach(service::renew);
    if (!missing.isEmpty()) LOG.info("where {} clients stand was made anew", missing.size());
  }
}
