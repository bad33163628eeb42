package org.biokinet.app.workday;

import java.util.UUID;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.core.calendar.CalendarFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Reads the calendars of addresses again, each some hours after the last time. */
@Component
public class CalendarRounds {
  private static final Logger LOG = LoggerFactory.getLogger(CalendarRounds.class);
  private static final long MILLISECONDS = 120_000;

  /** At one round, so that slow addresses hold nobody else up for long. */
  private static final int MOST = 50;

  private final WorkdayService workdays;
  private final CalendarSource source;
  private final ClientService clients;

  CalendarRounds(WorkdayService workdays, CalendarSource source, ClientService clients) {
    this.workdays = workdays;
    this.source = source;
    this.clients = clients;
  }

  @Scheduled(fixedDelay = MILLISECONDS, initialDelay = MILLISECONDS)
  public void round() {
    for (UUID client : workdays.due(MOST)) {
      try {
        again(ClientMe.of(clients.byId(client)));
      } catch (RuntimeException e) {
        // One that cannot be read keeps nobody else from it.
        LOG.warn("the calendar of {} is tried again", client, e);
      }
    }
  }

  /** Nothing is held while an address is waited for. */
  private void again(ClientMe me) {
    String address = workdays.of(me.id()).taken().map(WorkdayService.Taken::source).orElse("");
    if (address.isEmpty()) return;
    try {
      workdays.subscribe(me, address, source.fetch(address));
    } catch (CalendarSource.Unreachable | CalendarFile.Unreadable e) {
      workdays.failed(me, String.valueOf(e.getMessage()));
    }
  }
}
