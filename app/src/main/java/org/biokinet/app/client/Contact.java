package org.biokinet.app.client;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;

/**
 * Who a client is and how to reach them; the part that the front desk keeps too.
 *
 * @param phone as typed, or empty
 * @param email or empty
 * @param zone days are days in this zone
 */
public record Contact(
    String name,
    Optional<LocalDate> birthDate,
    String phone,
    String email,
    ZoneId zone,
    Locale language) {

  /** A name and a zone, nothing else known yet. */
  public static Contact of(String name, ZoneId zone) {
    return new Contact(name, Optional.empty(), "", "", zone, Locale.ENGLISH);
  }

  public Contact born(LocalDate day) {
    return new Contact(name, Optional.of(day), phone, email, zone, language);
  }

  public Contact reachedBy(String number, String address) {
    return new Contact(name, birthDate, number, address, zone, language);
  }
}
