package org.biokinet.app.screening;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.app.screening.ClientScreening.KeptScreening;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.Clearance;
import org.springframework.stereotype.Component;

/** What was answered, and what was examined and found. */
@Component
class ScreeningChronicle implements Chronicle {

  private final ScreeningService screenings;

  ScreeningChronicle(ScreeningService screenings) {
    this.screenings = screenings;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    List<Happened> all = new ArrayList<>();
    for (KeptScreening kept : screenings.all(client)) {
      Answered answered = kept.answered();
      all.add(
          new Happened(
              answered.at(),
              Happened.Kind.SCREENING,
              what(answered.source()),
              kept.assessment().result().label(),
              answered.source() == Answered.Source.PRACTITIONER ? kept.by() : ""));
      answered.clearance().map(ScreeningChronicle::recorded).ifPresent(all::add);
    }
    return all.stream().filter(h -> h.in(from, until)).toList();
  }

  private static Happened recorded(Clearance c) {
    return new Happened(
        c.at(),
        Happened.Kind.SCREENING,
        "Examined: " + c.examined(),
        c.found() + (c.medical() ? "; decided by a doctor: " + c.medicalOutcome() : ""),
        c.by());
  }

  private static String what(Answered.Source source) {
    return switch (source) {
      case PRACTITIONER -> "Screened";
      case RENEWAL -> "Answered again whether anything is new";
      case AFTER_PAUSE -> "Answered after a pause whether anything is new";
      case BEFORE_VISIT -> "Answered before the first visit";
    };
  }
}
