package org.biokinet.app.shell.web;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.Standing;
import org.biokinet.app.worklist.StandingService;
import org.biokinet.app.worklist.StandingWords;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The head of a client's page: who it is, and the state of each station in a few words. */
@Component
class ClientOverview implements ClientHeader {

  /** One station as the head shows it. */
  record Stop(Station station, String state, boolean reached, boolean open) {}

  private final ClientService clients;
  private final StandingService standings;
  private final Audit audit;
  private final Clock clock;

  ClientOverview(ClientService clients, StandingService standings, Audit audit, Clock clock) {
    this.clients = clients;
    this.standings = standings;
    this.audit = audit;
    this.clock = clock;
  }

  @Override
  public Client show(Me me, UUID clientId, @Nullable Station open, Model model) {
    Client client = clients.get(me, clientId);
    audit.saw(me, clientId, open == null ? "about" : open.path());
    Instant now = clock.instant();
    LocalDate today = now.atZone(client.zone()).toLocalDate();
    Standing s = standings.of(client, now);
    model.addAttribute("client", client);
    model.addAttribute("age", client.age(today).orElse(null));
    model.addAttribute("attention", s.attention());
    model.addAttribute("words", StandingWords.of(s, client.phone(), now, client.zone()));
    model.addAttribute("locks", String.join(", ", s.locks()));
    s.openedBy().ifPresent(o -> model.addAttribute("openedBy", openedBy(o, now, client.zone())));
    model.addAttribute(
        "stops",
        Arrays.stream(Station.values())
            .map(x -> new Stop(x, state(x, s, now, client.zone()), reached(x, s, today), x == open))
            .toList());
    return client;
  }

  private static String state(Station station, Standing s, Instant now, ZoneId zone) {
    int week = s.sessions(now.atZone(zone).toLocalDate());
    return switch (station) {
      case SCREEN ->
          s.closed()
              .map(why -> "✕ " + why.label())
              .orElse(s.result() + (s.renewable() ? ", due soon" : ""));
      case MEASURE -> s.measured().map(day -> "last visit " + Days.day(day)).orElse("nothing yet");
      case PLAN -> plan(s, now, zone);
      case DO -> week > 0 ? week + (week == 1 ? " session" : " sessions") + " in 7 days" : link(s);
      case REVIEW ->
          s.last().map(x -> "last session " + Days.ago(x.at(), now, zone)).orElse("nothing yet");
    };
  }

  private static boolean reached(Station station, Standing s, LocalDate today) {
    return switch (station) {
      case SCREEN -> s.closed().isEmpty();
      case MEASURE -> s.measured().isPresent();
      case PLAN -> s.shared().isPresent();
      case DO, REVIEW -> s.sessions(today) > 0;
    };
  }

  private static String openedBy(Standing.OpenedBy o, Instant now, ZoneId zone) {
    return "%s, %s: %s; %s"
        .formatted(o.who(), Days.when(o.at(), now, zone), o.examined(), o.found());
  }

  private static String plan(Standing s, Instant now, ZoneId zone) {
    if (s.draft().isPresent()) return "draft of " + s.draft().get().inFull();
    return s.shared()
        .map(v -> "%s since %s".formatted(v.version().inFull(), Days.ago(v.at(), now, zone)))
        .orElse("nothing yet");
  }

  private static String link(Standing s) {
    if (s.linkMade().isEmpty()) return "no link yet";
    return s.linkOpened().isPresent() ? "no session in 7 days" : "link not opened";
  }
}
