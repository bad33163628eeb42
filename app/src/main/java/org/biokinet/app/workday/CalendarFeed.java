package org.biokinet.app.workday;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.client.Client;
import org.biokinet.core.calendar.CalendarWriter;
import org.biokinet.core.calendar.CalendarWriter.Entry;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.SoFar;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Service;

/** The plan of a client as an iCalendar file, which names no condition and no exercise. */
@Service
public class CalendarFeed {

  /** So far ahead it is written; our choice. */
  private static final int DAYS_AHEAD = 13;

  /** Somebody is told so long before a session; our choice. A break is told of when it begins. */
  private static final Duration BEFORE_SESSION = Duration.ofMinutes(10);

  private final DayPlans plans;
  private final MessageSource messages;
  private final Clock clock;

  CalendarFeed(DayPlans plans, MessageSource messages, Clock clock) {
    this.plans = plans;
    this.messages = messages;
    this.clock = clock;
  }

  /** Yesterday and two weeks from today. */
  public String of(Client client) {
    Instant now = clock.instant();
    LocalDate today = LocalDate.ofInstant(now, client.zone());
    List<Entry> entries = new ArrayList<>();
    for (PlannedDay day : plans.plan(client, today.minusDays(1), today.plusDays(DAYS_AHEAD))) {
      sessions(day, word("work.feed.session", client), entries);
      breaks(day, word("work.feed.break", client), entries);
    }
    return CalendarWriter.write(word("work.feed.name", client), now, entries);
  }

  private String word(String key, Client client) {
    return messages.getMessage(key, null, client.language());
  }

  private static void sessions(PlannedDay day, String title, List<Entry> entries) {
    for (int i = 0; i < day.everSessions(); i++) {
      Optional<Span> span =
          i < day.sessions().size()
              ? day.sessions().get(i).map(PlannedDay.Placed::span)
              : Optional.empty();
      entries.add(entry(day, "s" + i, span, title, /* busy= */ true, BEFORE_SESSION));
    }
  }

  private static void breaks(PlannedDay day, String title, List<Entry> entries) {
    List<Span> kept =
        day.breaks().stream()
            .filter(b -> b.state() != SoFar.State.NOT_HAD)
            .map(PlannedDay.Break::span)
            .toList();
    for (int i = 0; i < day.everBreaks(); i++) {
      Optional<Span> span = i < kept.size() ? Optional.of(kept.get(i)) : Optional.empty();
      // It takes no time: whoever wants to meet can put a meeting there, and it moves.
      entries.add(entry(day, "b" + i, span, title, /* busy= */ false, Duration.ZERO));
    }
  }

  /** Whatever was written once and is no more is called off, so that it goes away there too. */
  private static Entry entry(
      PlannedDay day,
      String place,
      Optional<Span> span,
      String title,
      boolean busy,
      Duration alarm) {
    Span then =
        span.orElseGet(
            () -> Span.ofMinutes(day.date().atStartOfDay(ZoneOffset.UTC).toInstant(), 1));
    return new Entry(
        day.id() + "-" + place,
        day.revision(),
        then,
        title,
        busy,
        span.isEmpty(),
        Optional.of(alarm));
  }
}
