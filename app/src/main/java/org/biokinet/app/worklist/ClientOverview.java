package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.LinkService;
import org.biokinet.app.client.Station;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.support.Days;
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
  private final Audit audit;
  private final Clock clock;

  ClientOverview(
      ClientService clients,
      WorklistService worklist,
      VersionService versions,
      DraftService drafts,
      SessionService sessions,
      LinkService links,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.worklist = worklist;
    this.versions = versions;
    this.drafts = drafts;
    this.sessions = sessions;
    this.links = links;
    this.audit = audit;
    this.clock = clock;
  }

  @Override
  public void show(Me me, UUID clientId, Station open, Model model) {
    Client client = clients.get(me, clientId);
    audit.saw(me, clientId, open.path());
    Instant now = clock.instant();
    LocalDate today = now.atZone(client.zone()).toLocalDate();
    model.addAttribute("client", client);
    model.addAttribute(
        "age", client.birthDate().map(b -> Period.between(b, today).getYears()).orElse(null));
    model.addAttribute("attention", worklist.row(client));
    List<Stop> stops = new ArrayList<>();
    Optional<ProgramVersion> shared =
        Optional.ofNullable(versions.newest(List.of(clientId)).get(clientId));
    int week = sessions.since(List.of(clientId), today.minusDays(6)).size();
    for (Station s : Station.values()) {
      String state =
          switch (s) {
            case SCREEN, MEASURE -> "by hand for now";
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
            case SCREEN, MEASURE -> false;
            case PLAN -> shared.isPresent();
            case DO, REVIEW -> week > 0;
          };
      stops.add(new Stop(s, state, reached, s == open));
    }
    model.addAttribute("stops", stops);
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
