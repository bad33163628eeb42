package org.biokinet.app.workday;

import java.util.UUID;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.core.calendar.CalendarFile;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Calendars that are read from their addresses, again and again. */
@Service
public class Subscriptions {
  private static final Logger LOG = LoggerFactory.getLogger(Subscriptions.class);

  /** At once, so that slow addresses hold nobody else up for long. */
  private static final int MOST = 50;

  private final WorkdayService workdays;
  private final CalendarSource source;
  private final ClientService clients;

  Subscriptions(WorkdayService workdays, CalendarSource source, ClientService clients) {
    this.workdays = workdays;
    this.source = source;
    this.clients = clients;
  }

  /**
   * Takes what an address has, and reads it again from then on.
   *
   * @throws CalendarSource.Unreachable where there is nothing to be had
   * @throws CalendarFile.Unreadable where it is no calendar; then the one before stays
   */
  public WorkdayService.Outcome begin(ClientMe me, String address)
      throws CalendarSource.Unreachable, CalendarFile.Unreadable {
    // Nothing is held while an address is waited for.
    return workdays.subscribe(me, address, source.fetch(address));
  }

  /** Reads those whose time has come. */
  public void again() {
    for (UUID client : workdays.due(MOST)) {
      try {
        again(ClientMe.of(clients.byId(client)));
      } catch (RuntimeException e) {
        // One that cannot be read keeps nobody else from it.
        LOG.warn("the calendar of {} is tried again", client, e);
      }
    }
  }

  private void again(ClientMe me) {
    String address = workdays.of(me.id()).taken().map(WorkdayService.Taken::source).orElse("");
    if (address.isEmpty()) return;
    try {
      begin(me, address);
    } catch (CalendarSource.Unreachable | CalendarFile.Unreadable e) {
      workdays.failed(me, String.valueOf(e.getMessage()));
    }
  }
}
