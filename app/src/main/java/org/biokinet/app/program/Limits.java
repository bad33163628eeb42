package org.biokinet.app.program;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.LibraryService;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.safety.Allowed;
import org.biokinet.core.safety.Assessment;
import org.springframework.stereotype.Component;

/** What a client's screening says to a program: when it is shared, started, and comes in. */
@Component
public class Limits {

  private final LibraryService library;

  Limits(LibraryService library) {
    this.library = library;
  }

  public static Allowed of(Client client, Assessment assessment) {
    return new Allowed(assessment, client.means(), client.breathSeconds());
  }

  /** The first objection to each item, by its place; only items that something speaks against. */
  public Map<Integer, Allowed.Objection> objections(
      Client client, Assessment assessment, Program program) {
    Catalogue catalogue = library.of(client.practiceId()).catalogue();
    Allowed allowed = of(client, assessment);
    Map<Integer, Allowed.Objection> found = new TreeMap<>();
    for (int i = 0; i < program.items().size(); i++) {
      Item item = program.items().get(i);
      List<Allowed.Objection> against =
          allowed.objections(known(catalogue, item.exercise()), item.position(), item.dose());
      if (!against.isEmpty()) found.put(i, against.get(0));
    }
    return found;
  }

  /** A version that was shared long ago may not know yet what its exercises have to mind. */
  private static Exercise known(Catalogue catalogue, Exercise shared) {
    return catalogue.find(shared.id()).map(e -> shared.minding(e.precautions())).orElse(shared);
  }
}
