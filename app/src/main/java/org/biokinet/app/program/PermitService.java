package org.biokinet.app.program;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Permit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a client may do now: the one answer for Today and every start, for paper, and in the room.
 */
@Service
public class PermitService {

  private final VersionService versions;
  private final ScreeningService screenings;
  private final LibraryService library;

  PermitService(VersionService versions, ScreeningService screenings, LibraryService library) {
    this.versions = versions;
    this.screenings = screenings;
    this.library = library;
  }

  /** Of one program; empty where nothing of it is in force. */
  @Transactional(readOnly = true)
  public Optional<Permitted> of(Client client, ProgramKind program) {
    return Optional.ofNullable(
        all(client, screenings.gate(client), versions.inForce(client)).get(program));
  }

  /** Of each program that is in force, the main one first. */
  @Transactional(readOnly = true)
  public Map<ProgramKind, Permitted> all(Client client, Gate gate, VersionService.InForce inForce) {
    Catalogue today = library.of(client.practice()).catalogue();
    Map<ProgramKind, Permitted> all = new EnumMap<>(ProgramKind.class);
    inForce
        .replays()
        .forEach(
            (program, shared) -> {
              VersionService.Replay replay = shared.begun(Beginning.of(program, gate));
              List<Item> before = inForce.before(program);
              Permit permit =
                  Permit.of(program, replay.program(), before, client.means(), gate, today);
              all.put(program, new Permitted(permit, replay, Set.of()));
            });
    return all;
  }
}
