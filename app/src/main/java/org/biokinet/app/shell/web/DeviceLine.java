package org.biokinet.app.shell.web;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.access.DeviceService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.Withdrawn;
import org.biokinet.core.progress.Pause;

/**
 * A client's device, for the practitioner.
 *
 * @param since when the client was let in on it
 * @param synced when it last fetched what it keeps; empty where it never did
 * @param unaware what happened since then, of which it may know nothing; empty where nothing did
 */
record DeviceLine(UUID id, String since, String synced, String unaware) {

  /** What a device may keep that is no longer so. */
  record Changes(
      Collection<ProgramVersion> shared,
      Collection<Withdrawn> withdrawn,
      Collection<Pause> pauses) {

    private String since(Instant at, ZoneId zone, LocalDate today) {
      LocalDate day = LocalDate.ofInstant(at, zone);
      Stream<String> versions =
          shared.stream().filter(v -> v.sharedAt().isAfter(at)).map(v -> v.name().inFull());
      Stream<String> back =
          withdrawn.stream()
              .filter(w -> w.at().isAfter(at))
              .map(w -> w.version().name().inFull() + " being withdrawn");
      Stream<String> away =
          pauses.stream()
              .filter(p -> p.holds(today) || p.waits(today))
              .filter(p -> !p.from().isBefore(day))
              .map(p -> "the pause");
      List<String> all = Stream.of(versions, back, away).flatMap(s -> s).distinct().toList();
      return String.join(", ", all);
    }
  }

  static DeviceLine of(DeviceService.Device d, Changes changes, Instant now, ZoneId zone) {
    LocalDate today = LocalDate.ofInstant(now, zone);
    return new DeviceLine(
        d.id(),
        Days.when(d.letInAt(), now, zone),
        d.syncedAt().map(at -> Days.when(at, now, zone)).orElse(""),
        d.syncedAt().map(at -> changes.since(at, zone, today)).orElse(""));
  }
}
