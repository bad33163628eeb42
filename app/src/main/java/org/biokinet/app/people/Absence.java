package org.biokinet.app.people;

import java.time.LocalDate;
import java.util.UUID;

/**
 * Days on which somebody is away, in the zone of the practice.
 *
 * @param who is away
 * @param cover who looks after their clients then
 * @param last the last day of it
 */
public record Absence(UUID id, UUID who, UUID cover, LocalDate from, LocalDate last) {

  public boolean on(LocalDate day) {
    return !day.isBefore(from) && !day.isAfter(last);
  }

  /** Whether it shares a day with these. */
  boolean meets(LocalDate otherFrom, LocalDate otherLast) {
    return !from.isAfter(otherLast) && !last.isBefore(otherFrom);
  }
}
