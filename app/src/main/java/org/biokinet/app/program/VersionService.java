package org.biokinet.app.program;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.client.Client;
import org.biokinet.app.program.internal.ProgramVersionRow;
import org.biokinet.app.program.internal.ProgramVersions;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.timeline.Timeline;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shared versions, replayed from what they hold themselves. */
@Service
public class VersionService {

  /**
   * A version with everything needed to perform it.
   *
   * @param draft as it was written, with what is meant for later weeks; older versions have none
   */
  public record Replay(
      ProgramVersion version, Program program, Catalogue catalogue, Optional<Draft> draft) {

    /** One session of it; a side that the practitioner has fixed goes first whatever the turn. */
    public Program session(Side turn, SessionLength length) {
      return session(turn, length, Set.of());
    }

    /** The same without the items that wait. */
    public Program session(Side turn, SessionLength length, Set<Integer> waiting) {
      return program.without(waiting).session(turn, length);
    }

    /** What an item is called. */
    public String name(int place, Locale language) {
      return catalogue.words(program.items().get(place).exercise(), language).name();
    }

    /** With the doses with which somebody begins. */
    public Replay begun(Beginning beginning) {
      return beginning.smaller()
          ? new Replay(version, beginning.of(program), catalogue, draft)
          : this;
    }
  }

  /**
   * What a client does now.
   *
   * @param replays by program; only those that there are
   * @param withdrawn what would be in force if it had not been withdrawn
   */
  public record InForce(Map<ProgramKind, Replay> replays, List<Withdrawn> withdrawn) {
    public InForce {
      replays = Map.copyOf(replays);
      withdrawn = List.copyOf(withdrawn);
    }

    public Optional<Replay> of(ProgramKind program) {
      return Optional.ofNullable(replays.get(program));
    }

    /** The items of what is done on the same days. */
    public List<Item> beside(ProgramKind program) {
      return program.beside().flatMap(this::of).map(r -> r.program().items()).orElse(List.of());
    }

    /** Those that go before where both hold the same and a day is limited. */
    public List<Item> before(ProgramKind program) {
      return program.givesWay() ? beside(program) : List.of();
    }
  }

  private final ProgramVersions versions;
  private final ObjectMapper json;

  /** A version never changes, so neither does its replay; any process may keep its own. */
  private final Cache<UUID, Replay> replays = Caffeine.newBuilder().maximumSize(500).build();

  VersionService(ProgramVersions versions, ObjectMapper json) {
    this.versions = versions;
    this.json = json;
  }

  /** What of both programs is in force: the newest versions of the present episode. */
  @Transactional(readOnly = true)
  public InForce inForce(Client client) {
    return inForce(versions.newest(client.getId()), client);
  }

  InForce inForce(List<ProgramVersions.Found> newest, Client client) {
    Map<ProgramKind, Replay> replays = new EnumMap<>(ProgramKind.class);
    List<Withdrawn> withdrawn = new ArrayList<>();
    for (ProgramVersions.Found f : newest) {
      if (!inEpisode(f.version(), client)) continue;
      if (f.withdrawal() == null) replays.put(f.version().program(), kept(f.version()));
      withdrawn(f).ifPresent(withdrawn::add);
    }
    return new InForce(replays, withdrawn);
  }

  private static Optional<Withdrawn> withdrawn(ProgramVersions.Found f) {
    return Optional.ofNullable(f.withdrawal())
        .map(w -> new Withdrawn(f.version().version(), w.at(), w.why()));
  }

  /** Everything that was ever withdrawn. */
  @Transactional(readOnly = true)
  public Map<ProgramVersion.Name, Withdrawn> withdrawn(UUID clientId) {
    return versions.withdrawn(clientId).stream()
        .flatMap(f -> withdrawn(f).stream())
        .collect(Collectors.toMap(w -> w.version().name(), w -> w));
  }

  /** What of one program is in force. */
  @Transactional(readOnly = true)
  public Optional<Replay> latest(Client client, ProgramKind program) {
    return inForce(client).of(program);
  }

  /** What went before a program at some moment, as {@link InForce#before} says of now. */
  @Transactional(readOnly = true)
  public List<Item> before(UUID clientId, ProgramKind program, Instant when) {
    if (!program.givesWay()) return List.of();
    return versions
        .findFirstByClientIdAndProgramAndSharedAtLessThanEqualOrderByNumberDesc(
            clientId, program.beside().orElseThrow(), when)
        .filter(v -> !withdrawnBy(clientId, v.version().name(), when))
        .map(v -> kept(v).program().items())
        .orElse(List.of());
  }

  /** The version that this one took the place of, in the same episode. */
  @Transactional(readOnly = true)
  public Optional<Replay> before(Client client, ProgramVersion version) {
    if (version.number() == 1) return Optional.empty();
    ProgramVersion.Name name = new ProgramVersion.Name(version.program(), version.number() - 1);
    return versions
        .findByClientIdAndProgramAndNumber(client.getId(), name.program(), name.number())
        .filter(v -> inEpisode(v, client))
        .map(this::kept);
  }

  /** Whether a version had been withdrawn when something was done of it. */
  @Transactional(readOnly = true)
  public boolean withdrawnBy(UUID clientId, ProgramVersion.Name name, Instant when) {
    Withdrawn w = withdrawn(clientId).get(name);
    return w != null && !w.at().isAfter(when);
  }

  /** The version in force that counts for whether there is a program: the main one first. */
  @Transactional(readOnly = true)
  public Optional<ProgramVersion> shared(Client client) {
    return versions.newest(client.getId()).stream()
        .filter(f -> f.withdrawal() == null && inEpisode(f.version(), client))
        .map(f -> f.version().version())
        .filter(v -> v.program() != ProgramKind.FLARE)
        .min(Comparator.comparing(ProgramVersion::program));
  }

  /** The newest of each program, of any episode. */
  List<ProgramVersions.Found> newest(UUID clientId) {
    return versions.newest(clientId);
  }

  private static boolean inEpisode(ProgramVersionRow v, Client client) {
    return !v.sharedAt().isBefore(client.episodeSince());
  }

  @Transactional(readOnly = true)
  public Optional<Replay> of(UUID clientId, ProgramVersion.Name name) {
    return versions
        .findByClientIdAndProgramAndNumber(clientId, name.program(), name.number())
        .map(this::kept);
  }

  /** The oldest first. */
  @Transactional(readOnly = true)
  public List<ProgramVersion> all(UUID clientId) {
    return versions.findByClientIdOrderBySharedAt(clientId).stream()
        .map(ProgramVersionRow::version)
        .toList();
  }

  /**
   * What was shared in the present episode.
   *
   * @param all the oldest first, withdrawn ones too
   */
  public record Episode(InForce inForce, List<Replay> all) {}

  @Transactional(readOnly = true)
  public Episode episode(Client client) {
    List<ProgramVersions.Found> all = versions.since(client.getId(), client.episodeSince());
    Map<ProgramKind, ProgramVersions.Found> newest = new EnumMap<>(ProgramKind.class);
    for (ProgramVersions.Found f : all) newest.put(f.version().program(), f);
    return new Episode(
        inForce(List.copyOf(newest.values()), client),
        all.stream().map(f -> kept(f.version())).toList());
  }

  /** Some of a client's versions. */
  @Transactional(readOnly = true)
  public Map<ProgramVersion.Name, Replay> replays(UUID clientId, Set<ProgramVersion.Name> names) {
    Set<Integer> numbers =
        names.stream().map(ProgramVersion.Name::number).collect(Collectors.toSet());
    return versions.findByClientIdAndNumberIn(clientId, numbers).stream()
        .filter(v -> names.contains(v.version().name()))
        .collect(Collectors.toMap(v -> v.version().name(), this::kept));
  }

  private Replay kept(ProgramVersionRow version) {
    return replays.get(version.getId(), id -> replay(version));
  }

  private Replay replay(ProgramVersionRow version) {
    if (!Timeline.replays(version.ruleSet())) {
      throw new IllegalStateException(
          "version %s has rule set %d".formatted(version.getId(), version.ruleSet()));
    }
    try {
      Catalogue catalogue =
          Catalogue.of(json.readValue(version.exercises(), Catalogue.Snapshot.class));
      ProgramDocument.Reading reading = ProgramDocument.read(version.document(), catalogue);
      if (reading instanceof ProgramDocument.Reading.Ok ok) {
        return new Replay(version.version(), ok.program(), catalogue, version.draft());
      }
      throw new IllegalStateException("version %s: %s".formatted(version.getId(), reading));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("version " + version.getId(), e);
    }
  }
}
