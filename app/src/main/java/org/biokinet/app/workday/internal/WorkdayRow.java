package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.platform.Row;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.workday.Hours;
import org.biokinet.core.workday.TimeOfDay;
import org.jspecify.annotations.Nullable;

/** How a client works. */
@Entity
@Table(name = "workday")
@SuppressWarnings("UnusedVariable") // by these it is found
public class WorkdayRow extends Row {
  private UUID clientId;
  private String hours = "";
  private String quiet = "";
  private String times = "";
  private int apart;
  private String shifts = "";
  private boolean titles;
  private @Nullable String feed;
  private String calendar = "";
  private @Nullable Instant calendarAt;
  private String source = "";
  private String sourceFault = "";
  private @Nullable Instant sourceNext;

  @SuppressWarnings("NullAway.Init")
  protected WorkdayRow() {}

  public WorkdayRow(UUID clientId) {
    this.clientId = clientId;
    set(WorkdayService.Usual.NONE);
  }

  public UUID clientId() {
    return clientId;
  }

  public WorkdayService.Usual usual() {
    return new WorkdayService.Usual(
        parts(hours, ";")
            .map(
                h ->
                    new Hours(
                        DayOfWeek.of(Integer.parseInt(h.substring(0, 1))), time(h.substring(2))))
            .toList(),
        parts(quiet, ";").map(WorkdayRow::time).toList(),
        parts(times, " ").map(LocalTime::parse).toList(),
        apart,
        shifts,
        titles);
  }

  public void set(WorkdayService.Usual usual) {
    hours =
        usual.hours().stream()
            .map(h -> h.day().getValue() + " " + text(h.time()))
            .collect(Collectors.joining(";"));
    quiet = usual.quiet().stream().map(WorkdayRow::text).collect(Collectors.joining(";"));
    times = usual.times().stream().map(LocalTime::toString).collect(Collectors.joining(" "));
    apart = usual.apart();
    shifts = usual.shifts();
    titles = usual.titles();
  }

  private static Stream<String> parts(String text, String by) {
    return Arrays.stream(text.split(by, -1)).filter(p -> !p.isEmpty());
  }

  private static TimeOfDay time(String text) {
    List<LocalTime> both = parts(text, " ").map(LocalTime::parse).toList();
    return new TimeOfDay(both.get(0), both.get(1));
  }

  private static String text(TimeOfDay time) {
    return time.from() + " " + time.until();
  }

  public Optional<String> feed() {
    return Optional.ofNullable(feed);
  }

  public void feed(@Nullable String token) {
    feed = token;
  }

  public String calendar() {
    return calendar;
  }

  public Optional<Instant> calendarAt() {
    return Optional.ofNullable(calendarAt);
  }

  public void took(String name, @Nullable Instant at) {
    calendar = name;
    calendarAt = at;
    sourceFault = "";
  }

  /** Where it is read from; empty where it was a file. */
  public String source() {
    return source;
  }

  /** Why it could not be read the last time; or empty. */
  public String sourceFault() {
    return sourceFault;
  }

  public void source(String address, @Nullable Instant next) {
    source = address;
    sourceNext = next;
  }

  public void failed(String why, Instant next) {
    sourceFault = why;
    sourceNext = next;
  }
}
