package org.biokinet.app.screening;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Period;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.History;
import org.biokinet.app.support.Changes;
import org.biokinet.core.safety.Assessment;
import org.biokinet.core.safety.Clearance;
import org.biokinet.core.safety.Gate;
import org.biokinet.core.safety.Screening;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Screenings, what was recorded about them, and the one gate that follows. */
@Service
public class ScreeningService {

  interface Screenings extends JpaRepository<ScreeningRow, UUID> {
    List<ScreeningRow> findByClientIdOrderByAtDesc(UUID clientId);

    @Query(
        """
        select s from ScreeningRow s where s.clientId in :clients and s.at =
          (select max(t.at) from ScreeningRow t where t.clientId = s.clientId)
        """)
    List<ScreeningRow> newest(Collection<UUID> clients);
  }

  interface Clearances extends JpaRepository<ClearanceRow, UUID> {
    List<ClearanceRow> findByScreeningIdInOrderByAt(Collection<UUID> screeningIds);
  }

  /** A screening as it was, with the record that goes with it. */
  public record Kept(
      UUID id,
      LocalDate day,
      Instant at,
      String by,
      Answers answers,
      Screening screening,
      Optional<Clearance> clearance) {

    public Assessment assessment() {
      return Assessment.of(screening, clearance);
    }
  }

  private static final int ADULT = 18;

  private final Screenings screenings;
  private final Clearances clearances;
  private final ClientService clients;
  private final AccountService accounts;
  private final LastSession lastSession;
  private final Audit audit;
  private final ObjectMapper json;
  private final Clock clock;

  ScreeningService(
      Screenings screenings,
      Clearances clearances,
      ClientService clients,
      AccountService accounts,
      LastSession lastSession,
      Audit audit,
      ObjectMapper json,
      Clock clock) {
    this.screenings = screenings;
    this.clearances = clearances;
    this.clients = clients;
    this.accounts = accounts;
    this.lastSession = lastSession;
    this.audit = audit;
    this.json = json;
    this.clock = clock;
  }

  /** The gate of one client, now. */
  @Transactional(readOnly = true)
  public Gate gate(Client client) {
    return Objects.requireNonNull(gates(List.of(client)).get(client.getId()));
  }

  /** The gates of many clients, by id. */
  @Transactional(readOnly = true)
  public Map<UUID, Gate> gates(Collection<Client> of) {
    if (of.isEmpty()) return Map.of();
    List<UUID> ids = of.stream().map(Client::getId).toList();
    Map<UUID, ScreeningRow> newest =
        screenings.newest(ids).stream()
            .collect(Collectors.toMap(ScreeningRow::clientId, Function.identity(), (a, b) -> b));
    Map<UUID, Clearance> records = clearances(newest.values());
    Map<UUID, History> histories = clients.histories(ids);
    Map<UUID, LocalDate> sessions = lastSession.days(ids);
    Map<UUID, Gate> gates = new HashMap<>();
    for (Client c : of) {
      Optional<ScreeningRow> row = Optional.ofNullable(newest.get(c.getId()));
      LocalDate today = today(c);
      gates.put(
          c.getId(),
          Gate.of(
              new Gate.Facts(
                  row.map(r -> read(r.answers()).screening(minor(c, today))),
                  row.map(ScreeningRow::localDate).orElse(today),
                  row.flatMap(r -> Optional.ofNullable(records.get(r.getId()))),
                  histories.getOrDefault(c.getId(), History.NONE).paused(),
                  Optional.ofNullable(sessions.get(c.getId()))),
              today));
    }
    return gates;
  }

  /** All of a client's screenings, the newest first. */
  @Transactional(readOnly = true)
  public List<Kept> all(Me me, UUID clientId) {
    Client client = clients.get(me, clientId);
    List<ScreeningRow> rows = screenings.findByClientIdOrderByAtDesc(client.getId());
    Map<UUID, Clearance> records = clearances(rows);
    return rows.stream()
        .map(
            r -> {
              Answers answers = read(r.answers());
              return new Kept(
                  r.getId(),
                  r.localDate(),
                  r.at(),
                  r.practitionerId().map(accounts::practitionerName).orElse("the client"),
                  answers,
                  answers.screening(minor(client, r.localDate())),
                  Optional.ofNullable(records.get(r.getId())));
            })
        .toList();
  }

  private Map<UUID, Clearance> clearances(Collection<ScreeningRow> of) {
    if (of.isEmpty()) return Map.of();
    return clearances
        .findByScreeningIdInOrderByAt(of.stream().map(ScreeningRow::getId).toList())
        .stream()
        .collect(
            Collectors.toMap(
                ClearanceRow::screeningId,
                r ->
                    new Clearance(
                        r.at(),
                        accounts.practitionerName(r.practitionerId()),
                        r.examined(),
                        r.found(),
                        r.medicalOutcome()),
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
    screenings.save(
        new ScreeningRow(
            clientId, Answers.VERSION, write(answers), today(client), me.id(), clock.instant()));
    Assessment a = Assessment.of(answers.screening(minor(client, today(client))), Optional.empty());
    audit.changed(me, clientId, "screened", a.result().label());
  }

  /** Known numbness or tingling, as recorded last; empty where there is none. */
  @Transactional(readOnly = true)
  public String baseline(UUID clientId) {
    return newest(clientId).map(r -> read(r.answers()).baseline()).orElse("");
  }

  /** Since when anything new is asked about; empty while it is not time to ask. */
  @Transactional(readOnly = true)
  public Optional<LocalDate> renewal(Client client) {
    Gate gate = gate(client);
    boolean due =
        gate instanceof Gate.Open open
            ? open.renewable()
            : ((Gate.Closed) gate).why() == Gate.Why.LAPSED
                || ((Gate.Closed) gate).why() == Gate.Why.LONG_PAUSE;
    return due ? newest(client.getId()).map(ScreeningRow::localDate) : Optional.empty();
  }

  private Optional<ScreeningRow> newest(UUID clientId) {
    return screenings.newest(List.of(clientId)).stream().reduce((a, b) -> b);
  }

  /**
   * The client's own answers to whether anything is new; the rest stays as it was. Any yes closes
   * the gate until a practitioner has looked at it.
   */
  @Changes
  public void renew(ClientMe me, Renewal renewal) {
    Client client = clients.byId(me.id());
    if (renewal(client).isEmpty() || !renewal.problems().isEmpty()) return;
    Answers before = read(newest(me.id()).orElseThrow().answers());
    screenings.save(
        new ScreeningRow(
            me.id(),
            Answers.VERSION,
            write(renewal.over(before)),
            today(client),
            null,
            clock.instant()));
    audit.changedByClient(me.practiceId(), me.id(), "screening renewed", "");
  }

  /** What became of a record. */
  public enum Recorded {
    DONE,
    /** Somebody has screened again since; this was about the earlier answers. */
    OVERTAKEN,
    /** Emergency signs need what a doctor has decided. */
    NEEDS_MEDICAL
  }

  /**
   * Records what was examined and found.
   *
   * @param about the screening that the practitioner has read
   */
  @Changes
  public Recorded record(
      Me me, UUID clientId, UUID about, String examined, String found, String medicalOutcome) {
    clients.lock(me, clientId);
    List<Kept> all = all(me, clientId);
    if (all.isEmpty() || !all.get(0).id().equals(about)) return Recorded.OVERTAKEN;
    Clearance clearance = new Clearance(clock.instant(), "", examined, found, medicalOutcome);
    if (!all.get(0).screening().emergencies().isEmpty() && !clearance.medical()) {
      audit.changed(me, clientId, "gate refused", "no medical outcome");
      return Recorded.NEEDS_MEDICAL;
    }
    clearances.save(
        new ClearanceRow(about, examined, found, medicalOutcome, me.id(), clearance.at()));
    audit.changed(me, clientId, "gate opened", examined + ": " + found);
    return Recorded.DONE;
  }

  private LocalDate today(Client client) {
    return clock.instant().atZone(client.zone()).toLocalDate();
  }

  /** Somebody whose birth date is not known counts as grown up; the form says so. */
  private static boolean minor(Client client, LocalDate day) {
    return client.birthDate().filter(b -> Period.between(b, day).getYears() < ADULT).isPresent();
  }

  private String write(Answers answers) {
    try {
      return json.writeValueAsString(answers);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private Answers read(String answers) {
    try {
      return json.readValue(answers, Answers.class);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
