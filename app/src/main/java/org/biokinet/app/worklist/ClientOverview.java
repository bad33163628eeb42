package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.LinkService;
import org.biokinet.app.client.Station;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.support.Days;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Feature;
import org.biokinet.core.screening.Gate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** The head of a client's page: who it is, and the state of each station in a few words. */
@Component
class ClientOverview implements ClientHeader {

  /** One station as the head shows it. */
  record Stop(Station station, String state, boolean reached, boolean open) {}

  private final ClientService clients;
  private final WorklistService worklist;
  private final VersionService versions;
  private final DraftService drafts;
  private final SessionService sessions;
  private final LinkService links;
  private final ScreeningService screenings;
  private final MeasurementService measurements;
  private final Audit audit;
  private final Clock clock;

  ClientOverview(
      ClientService clients,
      WorklistService worklist,
      VersionService versions,
      DraftService drafts,
      SessionService sessions,
      LinkService links,
      ScreeningService screenings,
      MeasurementService measurements,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.worklist = worklist;
    this.versions = versions;
    this.drafts = drafts;
    this.sessions = sessions;
    this.links = links;
    this.screenings = screenings;
    this.measurements = measurements;
    this.audit = audit;
    this.clock = clock;
  }

  @Override
  public void show(Me me, UUID clientId, @Nullable Station open, Model model) {
    Client client = clients.get(me, clientId);
    audit.saw(me, clientId, open == null ? "about" : open.path());
    Instant now = clock.instant();
    LocalDate today = now.atZone(client.zone()).toLocalDate();
    model.addAttribute("client", client);
    model.addAttribute("age", client.age(today).orElse(null));
    model.addAttribute("attention", worklist.row(client));
    Gate gate = screenings.gate(client);
    model.addAttribute("locks", locks(gate));
    screenings.opened(client).ifPresent(c -> model.addAttribute("openedBy", openedBy(c, client)));
    Optional<LocalDate> measured = measurements.lastVisit(client);
    List<Stop> stops = new ArrayList<>();
    Optional<ProgramVersion> shared =
        Optional.ofNullable(versions.newest(List.of(client)).get(clientId));
    int week = sessions.since(List.of(clientId), today.minusDays(6)).size();
    for (Station s : Station.values()) {
      String state =
          switch (s) {
            case SCREEN -> gate(gate);
            case MEASURE ->
                measured.map(day -> "last visit " + Days.day(day)).orElse("nothing yet");
            case PLAN -> plan(me, client, shared, now);
            case DO ->
                week > 0
                    ? week + (week == 1 ? " session" : " sessions") + " in 7 days"
                    : link(client);
            case REVIEW ->
                sessions.page(clientId, 0, 1).stream()
                    .findFirst()
                    .map(x -> "last session " + Days.ago(x.startedAt(), now, client.zone()))
                    .orElse("nothing yet");
          };
      boolean reached =
          switch (s) {
            case SCREEN -> gate.open();
            case MEASURE -> measured.isPresent();
            case PLAN -> shared.isPresent();
            case DO, REVIEW -> week > 0;
          };
      stops.add(new Stop(s, state, reached, s == open));
    }
    model.addAttribute("stops", stops);
  }

  private String openedBy(Clearance c, Client client) {
    return "%s, %s: %s; %s"
        .formatted(
            c.by(), Days.when(c.at(), clock.instant(), client.zone()), c.examined(), c.found());
  }

  private static String gate(Gate gate) {
    if (gate instanceof Gate.Closed closed) return "✕ " + closed.why().label();
    Gate.Open open = (Gate.Open) gate;
    String state = open.assessment().result().label();
    return open.renewable() ? state + ", due soon" : state;
  }

  /** Every lock in words, for the head of each page of a client. */
  private static String locks(Gate gate) {
    return gate.answers().map(Assessment::lockedFeatures).orElse(Set.of()).stream()
        .map(Feature::label)
        .collect(Collectors.joining(", "));
  }

  private String plan(Me me, Client client, Optional<ProgramVersion> shared, Instant now) {
    DraftService.State draft = drafts.state(me, client.getId());
    if (draft.started()) return "draft of version " + draft.nextVersion();
    return shared
        .map(
            v ->
                "version %d since %s"
                    .formatted(v.number(), Days.ago(v.sharedAt(), now, client.zone())))
        .orElse("nothing yet");
  }

  private String link(Client client) {
    return links
        .current(client.getId())
        .map(l -> l.openedAt().isPresent() ? "no session in 7 days" : "link not opened")
        .orElse("no link yet");
  }
}
