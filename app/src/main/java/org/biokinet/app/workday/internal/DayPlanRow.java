package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Row;

/** A day as it was planned last. */
@Entity
@Table(name = "day_plan")
@SuppressWarnings("UnusedVariable") // by these it is found
public class DayPlanRow extends Row {
  private static final String NONE = "-";

  private UUID clientId;
  private LocalDate day;
  private int revision;
  private String breaks = "";
  private String sessions = "";
  private int mostBreaks;
  private int mostSessions;

  @SuppressWarnings("NullAway.Init")
  protected DayPlanRow() {}

  public DayPlanRow(UUID clientId, LocalDate day) {
    this.clientId = clientId;
    this.day = day;
  }

  public LocalDate day() {
    return day;
  }

  public int revision() {
    return revision;
  }

  /** When each break begins, in order. */
  public List<Instant> breaks() {
    return all(breaks).stream().flatMap(Optional::stream).toList();
  }

  /** When each session begins, by its place; empty where there was no room. */
  public List<Optional<Instant>> sessions() {
    return all(sessions);
  }

  /** As many as it ever had: what was written for others once is called off there. */
  public int mostBreaks() {
    return mostBreaks;
  }

  public int mostSessions() {
    return mostSessions;
  }

  /**
   * @return whether it is another plan than before
   */
  public boolean plan(List<Instant> newBreaks, List<Optional<Instant>> newSessions) {
    String was = breaks + "/" + sessions;
    breaks = text(newBreaks.stream().map(Optional::of).toList());
    sessions = text(newSessions);
    mostBreaks = Math.max(mostBreaks, newBreaks.size());
    mostSessions = Math.max(mostSessions, newSessions.size());
    boolean changed = !was.equals(breaks + "/" + sessions);
    if (changed) revision++;
    return changed;
  }

  private static List<Optional<Instant>> all(String text) {
    return Arrays.stream(text.split(" ", -1))
        .filter(t -> !t.isEmpty())
        .map(
            t ->
                t.equals(NONE)
                    ? Optional.<Instant>empty()
                    : Optional.of(Instant.ofEpochSecond(60 * Long.parseLong(t))))
        .toList();
  }

  private static String text(List<Optional<Instant>> times) {
    return times.stream()
        .map(t -> t.map(at -> "" + Math.floorDiv(at.getEpochSecond(), 60)).orElse(NONE))
        .collect(Collectors.joining(" "));
  }
}
