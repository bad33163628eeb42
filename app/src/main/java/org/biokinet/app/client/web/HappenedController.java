package org.biokinet.app.client.web;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.Happened;
import org.biokinet.app.client.WhatHappened;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What happened with a client, day by day. */
@Controller
class HappenedController {

  /** One thing of a day. */
  record Line(String time, Happened happened, List<String> detail) {}

  /** Four weeks on a page; our choice. */
  private static final int USUAL_DAYS = 28;

  /** As many as are printed at once; our choice. */
  private static final int MOST_DAYS = 366;

  private static final LocalDate NOTHING_BEFORE = LocalDate.of(1970, 1, 1);

  private final WhatHappened happened;
  private final ClientHeader header;
  private final Clock clock;

  HappenedController(WhatHappened happened, ClientHeader header, Clock clock) {
    this.happened = happened;
    this.header = header;
    this.clock = clock;
  }

  /**
   * @param from the first day; four weeks before the last where it is not given
   * @param until the last day; today where it is not given
   * @param only empty for all
   */
  @GetMapping("/clients/{id}/happened")
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Optional<LocalDate> from,
      @RequestParam Optional<LocalDate> until,
      @RequestParam(required = false, defaultValue = "") Set<Happened.Kind> only,
      Model model) {
    Client client = header.show(me, id, null, model);
    ZoneId zone = client.zone();
    LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
    LocalDate begun = LocalDate.ofInstant(client.createdAt(), zone);
    LocalDate last =
        until.filter(day -> day.isBefore(today) && day.isAfter(NOTHING_BEFORE)).orElse(today);
    LocalDate earliest = last.minusDays(MOST_DAYS - 1L);
    LocalDate first =
        from.filter(day -> !day.isAfter(last) && !day.isBefore(earliest))
            .orElse(last.minusDays(USUAL_DAYS - 1L));
    Map<LocalDate, List<Line>> days = new LinkedHashMap<>();
    Set<Happened.Kind> kinds = only.isEmpty() ? EnumSet.allOf(Happened.Kind.class) : only;
    for (Happened h : happened.between(client, first, last, kinds)) {
      days.computeIfAbsent(LocalDate.ofInstant(h.at(), zone), d -> new ArrayList<>())
          .add(new Line(Days.time(h.at(), zone), h, h.detail().lines().toList()));
    }
    model.addAttribute("days", days);
    model.addAttribute("first", first);
    model.addAttribute("last", last);
    model.addAttribute("today", today);
    model.addAttribute("kinds", Happened.Kind.values());
    model.addAttribute("chosen", only);
    model.addAttribute("zone", zone.getId());
    model.addAttribute("earlier", first.isAfter(begun) ? first.minusDays(1) : null);
    model.addAttribute("later", last.isBefore(today) ? later(first, last, today) : null);
    return "client/happened";
  }

  private static LocalDate later(LocalDate first, LocalDate last, LocalDate today) {
    LocalDate end = last.plusDays(last.toEpochDay() - first.toEpochDay() + 1);
    return end.isAfter(today) ? today : end;
  }
}
