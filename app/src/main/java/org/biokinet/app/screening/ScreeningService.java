package org.biokinet.app.screening;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientEvent;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.History;
import org.biokinet.app.support.Changes;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.CSpineRule;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Gate;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Screenings, what was recorded about them, and the one gate that follows. */
@Service
public class ScreeningService {

  interface Screenings extends JpaRepository<ScreeningRow, UUID> {
    List<ScreeningRow> findByClientIdOrderByAtDesc(UUID clientId);

    List<ScreeningRow> findByClientIdInOrderByAtDesc(Collection<UUID> clientIds);
  }

  interface Clearances extends JpaRepository<ClearanceRow, UUID> {
    List<ClearanceRow> findByScreeningIdInOrderByAt(Collection<UUID> screeningIds);
  }

  /**
   * A screening as it was, with the record that goes with it.
   *
   * @param counts whether it may open anything; others are history
   */
  public record Kept(UUID id, String by, Answers answers, Answered answered, boolean counts) {

    public Assessment assessment() {
      return Assessment.of(answered.screening(), answered.clearance());
    }
  }

  private final Screenings screenings;
  private final Clearances clearances;
  private final ClientService clients;
  private final AccountService accounts;
  private final LastSession lastSession;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final ObjectMapper json;
  private final Clock clock;

  ScreeningService(
      Screenings screenings,
      Clearances clearances,
      ClientService clients,
      AccountService accounts,
      LastSession lastSession,
      Audit audit,
      ApplicationEventPublisher publisher,
      ObjectMapper json,
      Clock clock) {
    this.screenings = screenings;
    this.clearances = clearances;
    this.clients = clients;
    this.accounts = accounts;
    this.lastSession = lastSession;
    this.audit = audit;
    this.publisher = publisher;
    this.json = json;
    this.clock = clock;
  }

  /** The gate of one client, now. */
  @Transactional(readOnly = true)
  public Gate gate(Client client) {
    return Gate.of(facts(client), today(client));
  }

  /** The next day on which time alone may change it. */
  @Transactional(readOnly = true)
  public Optional<LocalDate> gateChanges(Client client) {
    return Gate.changes(facts(client), today(client));
  }

  private Gate.Facts facts(Client client) {
    UUID id = client.getId();
    History history = clients.history(id);
    return new Gate.Facts(
        client.archived(),
        answered(kept(List.of(client), Instant.MAX), client),
        client.screenAfter(),
        history.newest(ClientEvent.Kind.STOPPED).map(ClientEvent::at),
        history.paused(),
        lookedAt(history),
        Optional.ofNullable(lastSession.days(List.of(id)).get(id)));
  }

  /**
   * The gate of one client as it stood at a moment: all that it is decided on is only ever added
   * to. What a device knew at that moment and the practice did not (a stop that came in later)
   * counts as well.
   */
  @Transactional(readOnly = true)
  public Gate gate(Client client, Instant at) {
    History history = clients.history(client.getId(), at);
    LastSession.Before before = lastSession.before(client.getId(), at);
    return Gate.of(
        new Gate.Facts(
            history.archived() || client.archivedAt().filter(a -> !a.isAfter(at)).isPresent(),
            answered(kept(List.of(client), at), client),
            newest(history, ClientEvent.Kind.ASK_AGAIN, ClientEvent.Kind.NEW_EPISODE),
            before.stop().or(() -> newest(history, ClientEvent.Kind.STOPPED)),
            history.paused() || before.stop().isPresent(),
            lookedAt(history),
            before.day()),
        at.atZone(client.zone()).toLocalDate());
  }

  private static List<Answered> answered(Map<UUID, List<Kept>> kept, Client client) {
    return kept.getOrDefault(client.getId(), List.of()).stream().map(Kept::answered).toList();
  }

  private static Optional<Instant> lookedAt(History history) {
    return newest(history, ClientEvent.Kind.SHARED, ClientEvent.Kind.FULL_DOSES);
  }

  private static Optional<Instant> newest(History history, ClientEvent.Kind... kinds) {
    return Stream.of(kinds)
        .flatMap(kind -> history.newest(kind).stream())
        .map(ClientEvent::at)
        .max(Comparator.naturalOrder());
  }

  /** The newest answers; empty where nobody has answered anything. */
  @Transactional(readOnly = true)
  public Optional<Answered> newestAnswers(Client client) {
    return all(client).stream().findFirst().map(Kept::answered);
  }

  /** All of a client's screenings, the newest first. */
  @Transactional(readOnly = true)
  public List<Kept> all(Me me, UUID clientId) {
    return all(clients.get(me, clientId));
  }

  private List<Kept> all(Client client) {
    return kept(List.of(client), Instant.MAX).getOrDefault(client.getId(), List.of());
  }

  /** Whether somebody was ever screened. */
  @Transactional(readOnly = true)
  public boolean any(Client client) {
    return !all(client).isEmpty();
  }

  /** The record on which the gate of this client stands open; empty where none was needed. */
  @Transactional(readOnly = true)
  public Optional<Clearance> opened(Client client) {
    return all(client).stream()
        .filter(Kept::counts)
        .map(Kept::answered)
        .flatMap(a -> a.clearance().stream())
        .findFirst();
  }

  /** Whether a sign, a flag or a stop waits to be settled. */
  @Transactional(readOnly = true)
  public boolean unsettled(Client client) {
    return gate(client).unsettled();
  }

  private Map<UUID, List<Kept>> kept(Collection<Client> of, Instant until) {
    Map<UUID, Client> byId =
        of.stream().collect(Collectors.toMap(Client::getId, Function.identity()));
    List<ScreeningRow> rows =
        screenings.findByClientIdInOrderByAtDesc(byId.keySet()).stream()
            .filter(r -> !r.at().isAfter(until))
            .toList();
    Map<UUID, Clearance> records = clearances(rows, until);
    Map<UUID, List<Kept>> kept = new HashMap<>();
    for (ScreeningRow r : rows) {
      Client client = Objects.requireNonNull(byId.get(r.clientId()));
      Answers answers = read(Answers.class, r.answers());
      Answered answered =
          new Answered(
              answers.screening(r.minor()),
              r.at(),
              r.localDate(),
              r.source(),
              r.practitionerId().map(UUID::toString).orElse(""),
              Optional.ofNullable(records.get(r.getId())),
              answers.endedConditions());
      boolean counts = client.screenAfter().filter(after -> r.at().isBefore(after)).isEmpty();
      kept.computeIfAbsent(r.clientId(), id -> new ArrayList<>())
          .add(
              new Kept(
                  r.getId(),
                  r.practitionerId().map(accounts::practitionerName).orElse("the client"),
                  answers,
                  answered,
                  counts));
    }
    return kept;
  }

  private Map<UUID, Clearance> clearances(Collection<ScreeningRow> of, Instant until) {
    if (of.isEmpty()) return Map.of();
    return clearances
        .findByScreeningIdInOrderByAt(of.stream().map(ScreeningRow::getId).toList())
        .stream()
        .filter(r -> !r.at().isAfter(until))
        .collect(
            Collectors.toMap(
                ClearanceRow::screeningId,
                r ->
                    new Clearance(
                        r.at(),
                        accounts.practitionerName(r.practitionerId()),
                        r.examined(),
                        r.found(),
                        r.medicalOutcome(),
                        r.neck().isEmpty()
                            ? Optional.empty()
                            : Optional.of(read(CSpineRule.class, r.neck()))),
                (a, b) -> b));
  }

  /**
   * Keeps answers that have no problems.
   *
   * @throws IllegalArgumentException when they have
   */
  @Changes
  public void save(Me me, UUID clientId, Answers answers) {
    if (!answers.problems().isEmpty()) throw new IllegalArgumentException("not all is answered");
    Client client = clients.lock(me, clientId);
    boolean minor = client.minor(today(client));
    screenings.save(
        new ScreeningRow(
            clientId,
            Answers.VERSION,
            write(answers),
            today(client),
            me.id(),
            Answered.Source.PRACTITIONER,
            clock.instant(),
            minor));
    publisher.publishEvent(new ScreeningChanged(clientId));
    Assessment a = Assessment.of(answers.screening(minor), Optional.empty());
    audit.changed(me, clientId, "screened", a.result().label());
  }

  /** Whether a client may still answer before the first visit: until a practitioner has asked. */
  @Transactional(readOnly = true)
  public boolean answersBeforeVisit(Client client) {
    return !client.archived()
        && all(client).stream()
            .filter(Kept::counts)
            .allMatch(k -> k.answered().source() == Answered.Source.BEFORE_VISIT);
  }

  /** What the client has answered before the first visit and nobody has confirmed. */
  @Transactional(readOnly = true)
  public Optional<Kept> toConfirm(Me me, UUID clientId) {
    return all(me, clientId).stream()
        .findFirst()
        .filter(k -> k.counts() && k.answered().source() == Answered.Source.BEFORE_VISIT);
  }

  /** The client's own answers before the first visit; they open nothing until confirmed. */
  @Changes
  public void saveBeforeVisit(ClientMe me, Answers answers) {
    Client client = clients.lock(me);
    if (!answersBeforeVisit(client) || !answers.problems().isEmpty()) return;
    boolean minor = client.minor(today(client));
    screenings.save(
        new ScreeningRow(
            me.id(),
            Answers.VERSION,
            write(answers),
            today(client),
            null,
            Answered.Source.BEFORE_VISIT,
            clock.instant(),
            minor));
    publisher.publishEvent(new ScreeningChanged(me.id()));
    Assessment a = Assessment.of(answers.screening(minor), Optional.empty());
    audit.changedByClient(me.practiceId(), me.id(), "answered at home", a.result().label());
  }

  /** Known numbness or tingling, as recorded last; empty where there is none. */
  @Transactional(readOnly = true)
  public String baseline(UUID clientId) {
    return all(clients.byId(clientId)).stream()
        .findFirst()
        .map(k -> k.answers().baseline())
        .orElse("");
  }

  /**
   * That a client can tell what is new, since when, and whether it is time to.
   *
   * @param due from {@link Gate#REMIND_FROM_DAY} on, or when a pause has closed the gate
   */
  public record Renewable(LocalDate since, boolean due) {}

  /** Empty where a practitioner has to ask first. */
  @Transactional(readOnly = true)
  public Optional<Renewable> renewal(Client client) {
    return renewal(client, gate(client));
  }

  private Optional<Renewable> renewal(Client client, Gate gate) {
    Optional<LocalDate> since = all(client).stream().findFirst().map(k -> k.answered().day());
    if (gate instanceof Gate.Open open) {
      return since.map(day -> new Renewable(day, open.renewable()));
    }
    return ((Gate.Closed) gate).why().renewedByClient()
        ? since.map(day -> new Renewable(day, true))
        : Optional.empty();
  }

  /**
   * The client's own answers to whether anything is new; the rest stays as it was. Any yes closes
   * the gate until a practitioner has looked at it.
   */
  @Changes
  public void renew(ClientMe me, Renewal renewal) {
    Client client = clients.lock(me);
    Gate gate = gate(client);
    if (renewal(client, gate).isEmpty() || !renewal.problems().isEmpty()) return;
    Answers before = all(client).get(0).answers();
    LocalDate today = today(client);
    Optional<LocalDate> last = Optional.ofNullable(lastSession.days(List.of(me.id())).get(me.id()));
    Answered.Source source =
        Gate.paused(last, today) ? Answered.Source.AFTER_PAUSE : Answered.Source.RENEWAL;
    Set<Condition> inForce = gate.answers().orElseThrow().inForce().keySet();
    screenings.save(
        new ScreeningRow(
            me.id(),
            Answers.VERSION,
            write(renewal.over(before, inForce)),
            today,
            null,
            source,
            clock.instant(),
            client.minor(today)));
    publisher.publishEvent(new ScreeningChanged(me.id()));
    audit.changedByClient(me.practiceId(), me.id(), "screening renewed", "");
  }

  /** A practitioner has looked after a pause: sessions start with the full doses again. */
  @Changes
  public void giveFullDosesBack(Me me, UUID clientId) {
    clients.lock(me, clientId);
    clients.happened(clientId, ClientEvent.Kind.FULL_DOSES, me.id(), "");
    audit.changed(me, clientId, "full doses given back", "");
  }

  /** What became of a record. */
  public sealed interface Recorded {
    record Done() implements Recorded {}

    /** Somebody has screened again since; this was about the earlier answers. */
    record Overtaken() implements Recorded {}

    /** Not enough for these answers. */
    record Lacking(String what) implements Recorded {}
  }

  /**
   * Records what was examined and found.
   *
   * @param about the screening that the practitioner has read
   * @param clearance who and when are filled in here
   */
  @Changes
  public Recorded record(Me me, UUID clientId, UUID about, Clearance clearance) {
    Client client = clients.lock(me, clientId);
    List<Kept> all = all(client);
    if (all.isEmpty() || !all.get(0).id().equals(about)) return new Recorded.Overtaken();
    if (all.get(0).answered().source() == Answered.Source.BEFORE_VISIT) {
      return new Recorded.Lacking("Go through the client's answers and keep them first.");
    }
    // What earlier answers have left open is settled by this record too, or it stays closed.
    Optional<String> lacking =
        gate(client).answers().map(Assessment::screening).flatMap(clearance::lacks);
    if (lacking.isPresent()) {
      audit.changed(me, clientId, "gate refused", lacking.get());
      return new Recorded.Lacking(lacking.get());
    }
    clearances.save(
        new ClearanceRow(
            about,
            clearance.examined(),
            clearance.found(),
            clearance.medicalOutcome(),
            clearance.neck().map(this::write).orElse(""),
            me.id(),
            clock.instant()));
    publisher.publishEvent(new ScreeningChanged(clientId));
    audit.changed(me, clientId, "gate opened", clearance.examined() + ": " + clearance.found());
    return new Recorded.Done();
  }

  private LocalDate today(Client client) {
    return clock.instant().atZone(client.zone()).toLocalDate();
  }

  private String write(Object value) {
    try {
      return json.writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private <T> T read(Class<T> type, String text) {
    try {
      return json.readValue(text, type);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
