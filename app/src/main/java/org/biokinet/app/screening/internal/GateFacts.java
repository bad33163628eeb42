package org.biokinet.app.screening.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Archived;
import org.biokinet.app.client.AskedAgain;
import org.biokinet.app.client.DealtWith;
import org.biokinet.app.client.EpisodeBegun;
import org.biokinet.app.client.Reactivated;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Component;

/** Keeps what the gate is decided on, so that nobody else has to be asked for it. */
@Component
public class GateFacts {

  public interface GateFactRows extends JpaRepository<GateFactRow, UUID> {

    /**
     * All of one kind, summed up as it stood at a moment.
     *
     * @param known the newest that was known then
     * @param unknown the newest that had happened and was not known yet
     * @param day the newest, also of what came in later
     */
    record Sum(
        GateFactRow.Kind kind,
        @Nullable Instant known,
        @Nullable Instant unknown,
        @Nullable LocalDate day) {}

    @Query(
        """
        select new org.biokinet.app.screening.internal.GateFacts$GateFactRows$Sum(
          f.kind,
          max(case when f.knownAt <= :at then f.knownAt end),
          max(case when f.at < :at and f.knownAt > :at then f.at end),
          max(case when f.at < :at then f.day end))
        from GateFactRow f where f.clientId = :client group by f.kind
        """)
    List<Sum> sums(UUID client, Instant at);

    void deleteByClientIdAndKindAndAt(UUID clientId, GateFactRow.Kind kind, Instant at);
  }

  /** Later than anything that happens, and still a date to the database. */
  public static final Instant ALL = Instant.parse("9999-01-01T00:00:00Z");

  private final GateFactRows rows;

  public GateFacts(GateFactRows rows) {
    this.rows = rows;
  }

  /** What was known of one client at a moment, and what was not known yet. */
  public static final class At {
    private final Map<GateFactRow.Kind, GateFactRows.Sum> sums =
        new EnumMap<>(GateFactRow.Kind.class);

    private At(List<GateFactRows.Sum> all) {
      all.forEach(s -> sums.put(s.kind(), s));
    }

    public Optional<Instant> known(GateFactRow.Kind kind) {
      return Optional.ofNullable(sums.get(kind)).map(GateFactRows.Sum::known);
    }

    /** A stop that a device knew of and the practice did not. */
    Optional<Instant> unknownStop() {
      return Optional.ofNullable(sums.get(GateFactRow.Kind.STOP)).map(GateFactRows.Sum::unknown);
    }

    /** Also one that nobody knew of counts, since nothing was dealt with. */
    public Optional<Instant> lastStop() {
      return unknownStop().or(() -> known(GateFactRow.Kind.STOP));
    }

    public boolean stopOpen() {
      return unknownStop().isPresent() || since(GateFactRow.Kind.STOP, GateFactRow.Kind.DEALT_WITH);
    }

    public boolean archived() {
      return since(GateFactRow.Kind.ARCHIVED, GateFactRow.Kind.REACTIVATED);
    }

    public Optional<LocalDate> lastSession() {
      return Optional.ofNullable(sums.get(GateFactRow.Kind.SESSION)).map(GateFactRows.Sum::day);
    }

    private boolean since(GateFactRow.Kind begun, GateFactRow.Kind ended) {
      Optional<Instant> end = known(ended);
      return known(begun).filter(at -> end.isEmpty() || at.isAfter(end.get())).isPresent();
    }
  }

  public At at(UUID clientId, Instant moment) {
    return new At(rows.sums(clientId, moment));
  }

  public void add(UUID clientId, GateFactRow.Kind kind, Instant at, Instant knownAt) {
    rows.save(new GateFactRow(clientId, kind, at, knownAt, null));
  }

  /** What was a tap by mistake was no fact. */
  public void remove(UUID clientId, GateFactRow.Kind kind, Instant at) {
    rows.deleteByClientIdAndKindAndAt(clientId, kind, at);
  }

  public void addSession(UUID clientId, Instant at, Instant knownAt, LocalDate day) {
    rows.save(new GateFactRow(clientId, GateFactRow.Kind.SESSION, at, knownAt, day));
  }

  private void add(UUID clientId, Instant at, GateFactRow.Kind... kinds) {
    Stream.of(kinds).forEach(kind -> add(clientId, kind, at, at));
  }

  @EventListener
  public void happened(DealtWith e) {
    add(e.clientId(), e.at(), GateFactRow.Kind.DEALT_WITH);
  }

  @EventListener
  public void happened(AskedAgain e) {
    add(e.clientId(), e.at(), GateFactRow.Kind.ASK_AGAIN);
  }

  @EventListener
  public void happened(EpisodeBegun e) {
    add(e.clientId(), e.at(), GateFactRow.Kind.ASK_AGAIN, GateFactRow.Kind.REACTIVATED);
  }

  @EventListener
  public void happened(Archived e) {
    add(e.clientId(), e.at(), GateFactRow.Kind.ARCHIVED);
  }

  @EventListener
  public void happened(Reactivated e) {
    add(e.clientId(), e.at(), GateFactRow.Kind.REACTIVATED);
  }
}
