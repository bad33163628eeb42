package org.biokinet.app.platform;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Locale;

/** Dates as people say them, in a person's own zone. */
public final class Days {

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
  private static final DateTimeFormatter LONG =
      DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);
  private static final DateTimeFormatter DATE =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
  private static final DateTimeFormatter TIME =
      DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

  private Days() {}

  public static String day(LocalDate date) {
    return DAY.format(date);
  }

  /** The same in the language of a page that is not English. */
  public static String day(LocalDate date, Locale language) {
    return DAY.withLocale(language).format(date);
  }

  public static String day(Instant at, ZoneId zone) {
    return DAY.format(at.atZone(zone));
  }

  /** "12 November 2026", for what is kept. */
  public static String date(LocalDate date) {
    return DATE.format(date);
  }

  public static String longDay(Instant at, ZoneId zone) {
    return LONG.format(at.atZone(zone));
  }

  public static String time(Instant at, ZoneId zone) {
    return TIME.format(at.atZone(zone));
  }

  /** "today 07:10", "yesterday 21:40", "12 Nov 07:10". */
  public static String when(Instant at, Instant now, ZoneId zone) {
    return ago(at, now, zone) + " " + time(at, zone);
  }

  /** "today", "yesterday", "12 Nov". */
  public static String ago(Instant at, Instant now, ZoneId zone) {
    long days =
        ChronoUnit.DAYS.between(at.atZone(zone).toLocalDate(), now.atZone(zone).toLocalDate());
    return days == 0 ? "today" : days == 1 ? "yesterday" : day(at, zone);
  }
}
