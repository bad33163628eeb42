package org.biokinet.app.client;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All that happened with a client, whoever keeps it. */
@Service
public class WhatHappened {

  private final List<Chronicle> chronicles;

  WhatHappened(List<Chronicle> chronicles) {
    this.chronicles = List.copyOf(chronicles);
  }

  /**
   * The newest first.
   *
   * @param last the last day, like the first one in the client's zone
   */
  @Transactional(readOnly = true)
  public List<Happened> between(
      Client client, LocalDate first, LocalDate last, Set<Happened.Kind> kinds) {
    ZoneId zone = client.zone();
    Instant from = first.atStartOfDay(zone).toInstant();
    Instant until = last.plusDays(1).atStartOfDay(zone).toInstant();
    return chronicles.stream()
        .flatMap(c -> c.between(client, from, until).stream())
        .filter(h -> kinds.contains(h.kind()))
        .sorted(
            Comparator.comparing(Happened::at)
                .reversed()
                .thenComparing(Happened::kind)
                .thenComparing(Happened::what)
                .thenComparing(Happened::detail))
        .toList();
  }
}
