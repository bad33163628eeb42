package org.biokinet.app.shell.web;

import java.time.Instant;
import java.time.ZoneId;
import org.biokinet.app.mail.Posted;
import org.biokinet.app.platform.Days;

/**
 * A mail as the page shows it.
 *
 * @param what "sent", or what else became of it
 * @param why with when it is tried again, or empty
 * @param waits whether it is still on its way
 * @param bad whether it did not arrive
 */
public record MailView(
    String when, String what, String to, String why, boolean waits, boolean bad) {

  static MailView of(Posted mail, Instant now, ZoneId zone) {
    String next =
        mail.next()
            .filter(at -> !mail.answer().isEmpty())
            .map(at -> "; tried again " + Days.time(at, zone))
            .orElse("");
    return new MailView(
        Days.when(mail.changed(), now, zone),
        mail.state().words(),
        mail.to(),
        mail.answer() + next,
        mail.state() == Posted.State.WAITING,
        mail.state() == Posted.State.REFUSED || mail.state() == Posted.State.GIVEN_UP);
  }
}
