package org.biokinet.app.program;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.program.internal.DraftEntryRow;
import org.biokinet.app.program.internal.DraftEntryRow.Kind;
import org.biokinet.app.program.internal.DraftRow;

/**
 * Who else is at a draft, as one of them sees it. Only one is in the draft that all share; whoever
 * else changes something is refused, and what was to be changed is kept in its log.
 *
 * @param holder somebody else who is in it now
 * @param apart whether this is a draft of one's own beside the one that all share
 * @param waiting since when a draft of one's own waits beside this one
 * @param others who else keeps one beside it, and since when
 * @param kept how many changes of one's own were not taken and are not settled yet
 * @param shared length of the log of the draft that all share
 * @param begun when this draft was begun
 */
public record Company(
    Optional<Turn> holder,
    boolean apart,
    Optional<Instant> waiting,
    List<Turn> others,
    int kept,
    int shared,
    Instant begun) {

  /** Whoever changed a draft within this time is in it (our choice). */
  static final Duration IN_IT = Duration.ofMinutes(30);

  /** Nobody else, and nothing beside it. */
  static final Company NONE =
      new Company(Optional.empty(), false, Optional.empty(), List.of(), 0, 0, Instant.EPOCH);

  public Company {
    others = List.copyOf(others);
  }

  /**
   * Somebody who is in a draft.
   *
   * @param since the first change of the last half hour
   * @param last the newest one
   */
  public record Turn(UUID by, Instant since, Instant last) {}

  /** Every draft of a program that is open, with its log. */
  record Shelf(List<Open> drafts) {

    record Open(DraftRow row, List<DraftEntryRow> log) {}

    Optional<Open> shared() {
      return drafts.stream().filter(o -> o.row().isShared()).findFirst();
    }

    Optional<Open> own(UUID me) {
      return drafts.stream().filter(o -> o.row().owner().equals(me)).findFirst();
    }

    /** The one that somebody works at: their own unless it is set aside. */
    Optional<Open> front(UUID me) {
      return own(me).filter(o -> !o.row().isAside()).or(this::shared);
    }

    Company company(UUID me, Instant now) {
      Optional<Open> own = own(me);
      boolean apart = own.filter(o -> !o.row().isAside()).isPresent();
      List<DraftEntryRow> log = shared().map(Open::log).orElse(List.of());
      return new Company(
          holder(log, now).filter(t -> !t.by().equals(me)),
          apart,
          apart ? Optional.empty() : own.map(o -> o.row().madeAt()),
          drafts.stream()
              .map(Open::row)
              .filter(r -> !r.isShared() && !r.owner().equals(me))
              .map(r -> new Turn(r.owner(), r.madeAt(), r.madeAt()))
              .toList(),
          kept(log, me).size(),
          log.size(),
          front(me).map(o -> o.row().madeAt()).orElse(now));
    }
  }

  /** Who changed it last, or took it over, in the last half hour. */
  static Optional<Turn> holder(List<DraftEntryRow> log, Instant now) {
    Instant from = now.minus(IN_IT);
    Map<UUID, Turn> turns = new LinkedHashMap<>();
    for (DraftEntryRow line : log) {
      if (!line.kind().counts() || line.madeAt().isBefore(from)) continue;
      Turn before = turns.remove(line.madeBy());
      Instant since = before == null ? line.madeAt() : before.since();
      turns.put(line.madeBy(), new Turn(line.madeBy(), since, line.madeAt()));
    }
    return turns.values().stream().reduce((a, b) -> b);
  }

  /** What somebody wanted to change and could not, since anything else that they did. */
  static List<DraftEntryRow> kept(List<DraftEntryRow> log, UUID me) {
    List<DraftEntryRow> kept = new ArrayList<>();
    for (DraftEntryRow line : log) {
      if (!line.madeBy().equals(me)) continue;
      if (line.kind() == Kind.REFUSED) kept.add(line);
      else kept.clear();
    }
    return kept;
  }
}
