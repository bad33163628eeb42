package org.biokinet.app.pause;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.platform.Days;
import org.biokinet.core.progress.Pause;
import org.springframework.stereotype.Component;

/** Pauses as they were told, and flares. */
@Component
class PauseChronicle implements Chronicle {

  private final PauseService pauses;
  private final FlareService flares;

  PauseChronicle(PauseService pauses, FlareService flares) {
    this.pauses = pauses;
    this.flares = flares;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    List<Happened> all = new ArrayList<>();
    for (PauseService.Told told : pauses.told(client.getId())) {
      all.add(
          new Happened(
              told.at(),
              Happened.Kind.TOLD,
              words(told.pause()),
              told.byClient() ? "" : "told to the practice",
              ""));
    }
    for (FlareService.Span flare : flares.all(client.getId())) {
      all.add(new Happened(flare.begun(), Happened.Kind.TOLD, "A flare begins", "", ""));
      flare
          .ended()
          .map(at -> new Happened(at, Happened.Kind.TOLD, "The flare is over", "", ""))
          .ifPresent(all::add);
    }
    return all.stream().filter(h -> h.in(from, until)).toList();
  }

  private static String words(Pause pause) {
    return "%s from %s to %s%s"
        .formatted(
            pause.kind() == Pause.Kind.ILLNESS ? "Ill" : "Away",
            Days.day(pause.from()),
            Days.day(pause.last()),
            pause.fever() ? ", with fever" : "");
  }
}
