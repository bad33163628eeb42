package org.biokinet.app.access;

import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;

/**
 * The mail that brings a client the link; nothing in it says what for, and the PIN is not in it.
 */
final class Invitation {

  private Invitation() {}

  static Letter to(Client client, Practice practice, Me me, UUID id, String address) {
    return new Letter(
        id,
        Letter.Kind.LINK,
        practice.id(),
        practice.name(),
        client.getId(),
        Optional.of(me.id()),
        client.contact().email(),
        "Your page at " + practice.name(),
        """
        Hello %s,

        %s has made a page for you. Open it here:

        %s

        It asks for a PIN. You get that from us in another way, never by mail. The link is yours alone: please do not pass it on.

        Nobody reads answers to this mail. To reach us, call %s%s. In an emergency call the emergency number.
        """
            .formatted(
                client.firstName(),
                me.name() + ", " + practice.name() + ",",
                address,
                practice.name(),
                practice.phone().isBlank() ? "" : ", " + practice.phone()),
        Optional.empty());
  }
}
