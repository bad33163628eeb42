package org.biokinet.app.measurement;

import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.biokinet.app.client.Chronicle;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Happened;
import org.biokinet.core.measure.Visit;
import org.springframework.stereotype.Component;

/** What was measured, one line for each day and whoever did it. */
@Component
class MeasurementChronicle implements Chronicle {

  private final MeasurementService measurements;

  MeasurementChronicle(MeasurementService measurements) {
    this.measurements = measurements;
  }

  @Override
  public List<Happened> between(Client client, Instant from, Instant until) {
    return measurements.visits(client).stream()
        .flatMap(
            visit ->
                visit.taken().stream()
                    .filter(t -> !t.at().isBefore(from) && t.at().isBefore(until))
                    .collect(Collectors.groupingBy(Visit.Taken::by))
                    .values()
                    .stream()
                    .map(those -> happened(new Visit(visit.day(), those))))
        .toList();
  }

  private static Happened happened(Visit visit) {
    Visit.Taken last = visit.taken().get(visit.taken().size() - 1);
    String values =
        History.of(List.of(visit)).lines().stream()
            .filter(c -> !c.ofBothSides())
            .map(c -> c.name() + " " + c.with(c.cells().get(0)))
            .collect(Collectors.joining("; "));
    return new Happened(
        last.at(),
        Happened.Kind.MEASURED,
        last.byClient() ? "Told of pain and what is possible" : "Measured",
        values,
        last.byClient() ? "" : last.by());
  }
}
