package org.biokinet.app.program;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
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
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.ReEntry;
import org.biokinet.core.timeline.Timeline;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Shared versions, replayed from what they hold themselves. */
@Service
public class VersionService {

  /** A version with everything needed to perform it. */
  public record Replay(ProgramVersion version, Program program, Catalogue catalogue) {

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

    /** With the doses of somebody who begins again after a pause. */
    public Replay beginningAgain() {
      return new Replay(version, ReEntry.of(program), catalogue);
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

  /** What is in force: the newest version of the present episode. */
  @Transactional(readOnly = true)
  public Optional<Replay> latest(Client client) {
    return inForce(newest(client.getId()), client);
  }

  /** The same without what is needed to perform it. */
  @Transactional(readOnly = true)
  public Optional<ProgramVersion> inForce(Client client) {
    return newest(client.getId()).filter(v -> inEpisode(v, client)).map(ProgramVersionRow::version);
  }

  /** The newest of any episode. */
  @Transactional(readOnly = true)
  Optional<ProgramVersionRow> newest(UUID clientId) {
    return versions.findFirstByClientIdOrderByNumberDesc(clientId);
  }

  /** What of it is in force, ready to be performed. */
  Optional<Replay> inForce(Optional<ProgramVersionRow> newest, Client client) {
    return newest.filter(v -> inEpisode(v, client)).map(this::kept);
  }

  private static boolean inEpisode(ProgramVersionRow v, Client client) {
    return !v.sharedAt().isBefore(client.episodeSince());
  }

  @Transactional(readOnly = true)
  public Optional<Replay> number(UUID clientId, int number) {
    return versions.findByClientIdAndNumber(clientId, number).map(this::kept);
  }

  @Transactional(readOnly = true)
  public List<ProgramVersion> all(UUID clientId) {
    return versions.findByClientIdOrderByNumber(clientId).stream()
        .map(ProgramVersionRow::version)
        .toList();
  }

  /** Some of a client's versions, by their number. */
  @Transactional(readOnly = true)
  public Map<Integer, Replay> replays(UUID clientId, Set<Integer> numbers) {
    return versions.findByClientIdAndNumberIn(clientId, numbers).stream()
        .collect(Collectors.toMap(ProgramVersionRow::number, this::kept));
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
        return new Replay(version.version(), ok.program(), catalogue);
      }
      throw new IllegalStateException("version %s: %s".formatted(version.getId(), reading));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("version " + version.getId(), e);
    }
  }
}
