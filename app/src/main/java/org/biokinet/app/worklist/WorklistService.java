package org.biokinet.app.worklist;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientEvent;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.History;
import org.biokinet.app.client.Station;
import org.biokinet.app.client.Urgent;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.CheckInRow;
import org.biokinet.app.session.SessionRow;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.support.Days;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Gate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Everybody of a practice, sorted by who needs attention, with one reason each. */
@Service
public class WorklistService implements Urgent {

  /** One client: one state word, one reason, one way on. */
  public record Row(
      Client client, Attention attention, String word, String reason, Week week, Station next) {}

  private final ClientService clients;
  private final DraftService drafts;
  private final VersionService versions;
  private final SessionService sessions;
  private final ScreeningService screenings;
  private final Clock clock;

  WorklistService(
      ClientService clients,
      DraftService drafts,
      VersionService versions,
      SessionService sessions,
      ScreeningService screenings,
      Clock clock) {
    this.clients = clients;
    this.drafts = drafts;
    this.versions = versions;
    this.sessions = sessions;
    this.screenings = screenings;
    this.clock = clock;
  }

  /** Everybody who is not archived. */
  @Transactional(readOnly = true)
  public List<Row> rows(Me me) {
    return rows(clients.all(me).stream().filter(c -> !c.archived()).toList());
  }

  @Override
  @Transactional(readOnly = true)
  public Set<UUID> among(Me me) {
    return rows(me).stream()
        .filter(r -> r.attention().urgent())
        .map(r -> r.client().getId())
        .collect(Collectors.toSet());
  }

  @Transactional(readOnly = true)
  public Row row(Client client) {
    return rows(List.of(client)).get(0);
  }

  private List<Row> rows(List<Client> all) {
    List<UUID> ids = all.stream().map(Client::getId).toList();
    Instant now = clock.instant();
    Map<UUID, History> histories = clients.histories(ids);
    Map<UUID, Gate> gates = screenings.gates(all);
    Map<UUID, SessionRow> newest = sessions.newest(ids);
    Map<UUID, CheckInRow> checkIns = sessions.checkIns(newest.values());
    Map<UUID, ProgramVersion> shared = versions.newest(all);
    Set<UUID> waiting = drafts.waiting(ids);
    LocalDate weekAgo = now.atZone(ZoneId.of("UTC")).toLocalDate().minusDays(8);
    List<SessionRow> week = sessions.since(ids, weekAgo);
    List<Row> rows = new ArrayList<>();
    for (Client c : all) {
      Known known =
          new Known(
              c,
              histories.getOrDefault(c.getId(), History.NONE),
              Objects.requireNonNull(gates.get(c.getId())),
              Optional.ofNullable(newest.get(c.getId())),
              Optional.ofNullable(newest.get(c.getId())).map(s -> checkIns.get(s.uploadId())),
              Optional.ofNullable(shared.get(c.getId())),
              waiting.contains(c.getId()),
              now);
      LocalDate today = now.atZone(c.zone()).toLocalDate();
      rows.add(known.row(Week.of(c.getId(), today, week)));
    }
    rows.sort(Comparator.comparing(Row::attention).thenComparing(r -> r.client().name()));
    return rows;
  }

  /** What is known about one client, turned into a state and its reason. */
  private record Known(
      Client client,
      History history,
      Gate gate,
      Optional<SessionRow> last,
      Optional<CheckInRow> checkIn,
      Optional<ProgramVersion> shared,
      boolean waiting,
      Instant now) {

    private Optional<Gate.Why> closed() {
      return gate instanceof Gate.Closed closed ? Optional.of(closed.why()) : Optional.empty();
    }

    private Optional<Integer> rise() {
      return checkIn
          .flatMap(CheckInRow::highestPain)
          .flatMap(high -> last.orElseThrow().painBefore().map(before -> high - before));
    }

    Row row(Week week) {
      Attention attention =
          Attention.of(
              new Attention.Facts(
                  history.open(ClientEvent.Kind.STOPPED).map(ClientEvent::at),
                  closed(),
                  gate instanceof Gate.Open open && open.renewable(),
                  history.open(ClientEvent.Kind.WHILE_CLOSED).map(ClientEvent::at),
                  history.open(ClientEvent.Kind.MAP_ASKS).map(ClientEvent::at),
                  history.open(ClientEvent.Kind.PAIN_TOO_HIGH).map(ClientEvent::at),
                  history.pinForgotten(),
                  rise(),
                  last.map(SessionRow::startedAt),
                  shared.map(ProgramVersion::sharedAt),
                  waiting,
                  history.newest(ClientEvent.Kind.LINK_OPENED).isPresent()),
              now);
      return switch (attention) {
        case STOPPED -> {
          ClientEvent e = history.open(ClientEvent.Kind.STOPPED).orElseThrow();
          String called =
              history
                  .newest(ClientEvent.Kind.CALLED)
                  .filter(c -> c.at().isAfter(e.at()))
                  .map(c -> "Called %s; the outcome is open.".formatted(when(c.at())))
                  .orElse(client.phone().isEmpty() ? "" : "Call " + client.phone() + ".");
          String reason = "%s %s. %s".formatted(e.detail(), when(e.at()), called).strip();
          yield row(week, attention, "Stopped", reason, Station.DO);
        }
        case EMERGENCY ->
            row(
                week,
                attention,
                "Emergency signs",
                "Answered in the screening; call%s, and record the medical outcome."
                    .formatted(client.phone().isEmpty() ? "" : " " + client.phone()),
                Station.SCREEN);
        case WHILE_CLOSED -> {
          ClientEvent e = history.open(ClientEvent.Kind.WHILE_CLOSED).orElseThrow();
          String reason = "A session came in %s although %s.".formatted(when(e.at()), e.detail());
          yield row(week, attention, "Done while closed", reason, Station.DO);
        }
        case EXAMINE ->
            row(
                week,
                attention,
                "Examine first",
                "Record what you examined and found.",
                Station.SCREEN);
        case SCREEN -> {
          Gate.Why why = closed().orElseThrow();
          String word =
              why.label().substring(0, 1).toUpperCase(Locale.ROOT) + why.label().substring(1);
          yield row(week, attention, word, why.opens(), Station.SCREEN);
        }
        case SCREEN_SOON -> {
          LocalDate until = ((Gate.Open) gate).validUntil();
          String reason =
              "The screening holds until %s; the client is asked too.".formatted(Days.day(until));
          yield row(week, attention, "Screening due", reason, Station.SCREEN);
        }
        case NEW_PIN ->
            row(
                week,
                attention,
                "New PIN wanted",
                "The client has forgotten the PIN %s."
                    .formatted(
                        when(history.newest(ClientEvent.Kind.PIN_FORGOTTEN).orElseThrow().at())),
                Station.DO);
        case MAP_ASKS -> {
          ClientEvent e = history.open(ClientEvent.Kind.MAP_ASKS).orElseThrow();
          String reason =
              "Marked on the body map %s: %s. Ask for the signs."
                  .formatted(when(e.at()), e.detail());
          yield row(week, attention, "Ask for the signs", reason, Station.DO);
        }
        case PAIN_TOO_HIGH -> {
          ClientEvent e = history.open(ClientEvent.Kind.PAIN_TOO_HIGH).orElseThrow();
          String reason = "Not started, %s, %s.".formatted(e.detail(), when(e.at()));
          yield row(week, attention, "Too sore to start", reason, Station.DO);
        }
        case PAIN_ROSE -> {
          SessionRow s = last.orElseThrow();
          CheckInRow c = checkIn.orElseThrow();
          String reason =
              "Pain %d before, up to %d in the session, %s."
                  .formatted(
                      s.painBefore().orElseThrow(),
                      c.highestPain().orElseThrow(),
                      when(s.startedAt()));
          yield row(week, attention, "Pain rose", reason, Station.REVIEW);
        }
        case QUIET -> {
          long days =
              ChronoUnit.DAYS.between(
                  last.orElseThrow().startedAt().atZone(client.zone()).toLocalDate(),
                  now.atZone(client.zone()).toLocalDate());
          yield row(
              week, attention, "Gone quiet", "No session for " + days + " days.", Station.REVIEW);
        }
        case DRAFT_NOT_SHARED -> {
          String reason =
              "Version %d is a draft, still with you."
                  .formatted(shared.map(ProgramVersion::number).orElse(0) + 1);
          yield row(week, attention, "Draft not shared", reason, Station.PLAN);
        }
        case NO_PROGRAM ->
            row(week, attention, "No program", "Nothing prescribed yet.", Station.PLAN);
        case NOT_OPENED -> {
          Optional<ClientEvent> made = history.newest(ClientEvent.Kind.LINK_MADE);
          String reason =
              made.map(e -> "Link made " + ago(e.at()) + ", not opened.")
                  .orElse("Shared, but no link was made.");
          yield row(week, attention, "Not opened", reason, Station.DO);
        }
        case NOT_STARTED -> {
          String reason =
              "Version %d shared %s, no session yet."
                  .formatted(shared.orElseThrow().number(), ago(shared.orElseThrow().sharedAt()));
          yield row(week, attention, "Not started", reason, Station.DO);
        }
        case STEADY -> {
          String reason =
              last.map(s -> "Last session " + when(s.startedAt()) + ".").orElse("Nothing to do.");
          yield row(week, attention, "Steady", reason, Station.REVIEW);
        }
      };
    }

    private Row row(Week week, Attention a, String word, String reason, Station next) {
      return new Row(client, a, word, reason, week, next);
    }

    private String when(Instant at) {
      return Days.when(at, now, client.zone());
    }

    private String ago(Instant at) {
      return Days.ago(at, now, client.zone());
    }
  }
}
