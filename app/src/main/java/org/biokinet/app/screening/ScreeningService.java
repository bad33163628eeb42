package org.biokinet.app.screening;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.screening.internal.ClearanceRow;
import org.biokinet.app.screening.internal.GateFactRow;
import org.biokinet.app.screening.internal.GateFacts;
import org.biokinet.app.screening.internal.ScreeningRow;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.Screening;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Screenings, what was recorded about them, and the one gate that follows. */
@Service
public class ScreeningService {

  interface Screenings extends JpaRepository<ScreeningRow, UUID> {

    /** Answers with a record about them, or without one. */
    record WithRecord(ScreeningRow screening, @Nullable ClearanceRow record) {}

    @Query(
        """
        select new org.biokinet.app.screening.ScreeningService$Screenings$WithRecord(s, c)
        from ScreeningRow s
        left join ClearanceRow c on c.screeningId = s.id and c.at <= :at
        where s.clientId = :client and s.at <= :at order by s.at desc, c.at
        """)
    List<WithRecord> at(UUID client, Instant at);

    boolean existsByClientId(UUID clientId);
  }

  interface Clearances extends JpaRepository<ClearanceRow, UUID> {}

  private final Screenings screenings;
  private final Clearances clearances;
  private final ClientService clients;
  private final AccountService accounts;
  private final GateFacts facts;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  ScreeningService(
      Screenings screenings,
      Clearances clearances,
      ClientService clients,
      AccountService accounts,
      GateFacts facts,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.screenings = screenings;
    this.clearances = clearances;
    this.clients = clients;
    this.accounts = accounts;
    this.facts = facts;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** All that is known of a client's screening now. */
  @Transactional(readOnly = true)
  public ClientScreening of(Client client) {
    List<ClientScreening.KeptScreening> all = all(client, GateFacts.ALL);
    GateFacts.At known = facts.at(client.getId(), GateFacts.ALL);
    return new ClientScreening(
        all,
        facts(client.archived(), all, client.screenAfter(), known, client.policy()),
        today(client));
  }

  private static Gate.Facts facts(
      boolean archived,
      List<ClientScreening.KeptScreening> all,
      Optional<Instant> askAgain,
      GateFacts.At known,
      Policy policy) {
    return new Gate.Facts(
        archived,
        all.stream().map(ClientScreening.KeptScreening::answered).toList(),
        askAgain,
        known.lastStop(),
        known.stopOpen(),
        known.known(GateFactRow.Kind.LOOKED_AT),
        known.lastSession(),
        new Gate.Lately(
            known.known(GateFactRow.Kind.SESSION),
            known.known(GateFactRow.Kind.RETURNED),
            known.known(GateFactRow.Kind.FEVER),
            known.known(GateFactRow.Kind.FLARE_BEGUN),
            known.known(GateFactRow.Kind.FLARE_ENDED),
            known.known(GateFactRow.Kind.FLARE_UNDONE)),
        policy);
  }

  /** The gate of one client, now. */
  @Transactional(readOnly = true)
  public Gate gate(Client client) {
    return of(client).gate();
  }

  /**
   * The gate of one client as it stood at a moment: all that it is decided on is only ever added
   * to. What a device knew at that moment and the practice did not (a stop that came in later)
   * counts as well.
   */
  @Transactional(readOnly = true)
  public Gate gate(Client client, Instant at) {
    GateFacts.At known = facts.at(client.getId(), at);
    return Gate.of(
        facts(
            known.archived(),
            all(client, at),
            known.known(GateFactRow.Kind.ASK_AGAIN),
            known,
            client.policy()),
        at.atZone(client.zone()).toLocalDate());
  }

  /** All of a client's screenings, the newest first. */
  @Transactional(readOnly = true)
  public List<ClientScreening.KeptScreening> all(Me me, UUID clientId) {
    return all(clients.get(me, clientId));
  }

  /** The same of one that is at hand. */
  @Transactional(readOnly = true)
  public List<ClientScreening.KeptScreening> all(Client client) {
    return all(client, GateFacts.ALL);
  }

  /** Whether somebody was ever screened. */
  @Transactional(readOnly = true)
  public boolean any(Client client) {
    return screenings.existsByClientId(client.getId());
  }

  private List<ClientScreening.KeptScreening> all(Client client, Instant until) {
    Map<UUID, Screenings.WithRecord> newestRecord = new LinkedHashMap<>();
    for (Screenings.WithRecord w : screenings.at(client.getId(), until)) {
      newestRecord.put(w.screening().getId(), w);
    }
    return newestRecord.values().stream()
        .map(w -> kept(client, w.screening(), Optional.ofNullable(w.record())))
        .toList();
  }

  private ClientScreening.KeptScreening kept(
      Client client, ScreeningRow r, Optional<ClearanceRow> record) {
    Answers answers = r.answers();
    return new ClientScreening.KeptScreening(
        r.getId(),
        r.practitionerId().map(accounts::practitionerName).orElse("the client"),
        answers,
        new Answered(
            answers.screening(r.minor()),
            r.at(),
            r.localDate(),
            r.source(),
            r.practitionerId().map(UUID::toString).orElse(""),
            record.map(this::clearance),
            answers.endedConditions()),
        client.screenAfter().filter(after -> r.at().isBefore(after)).isEmpty());
  }

  private Clearance clearance(ClearanceRow r) {
    return new Clearance(
        r.at(),
        accounts.practitionerName(r.practitionerId()),
        r.examined(),
        r.found(),
        r.medicalOutcome(),
        r.neck());
  }

  /**
   * Keeps answers that have no problems.
   *
   * @throws IllegalArgumentException when they have
   */
  @Changes
  public void save(Me me, UUID clientId, Answers answers) {
    if (!answers.complete()) throw new IllegalArgumentException("not all is answered");
    Client client = clients.lock(me, clientId);
    boolean minor = client.minor(today(client));
    screenings.save(
        new ScreeningRow(
            clientId,
            Answers.VERSION,
            answers,
            today(client),
            me.id(),
            Answered.Source.PRACTITIONER,
            clock.instant(),
            minor));
    publisher.publishEvent(new ScreeningChanged(clientId));
    Assessment a = Assessment.of(answers.screening(minor), Optional.empty());
    audit.changed(me, clientId, "screened", a.result().label());
  }

  /** The client's own answers before the first visit; they open nothing until confirmed. */
  @Changes
  public void saveBeforeVisit(ClientMe me, Answers answers) {
    Client client = clients.lock(me);
    if (!of(client).answersBeforeVisit() || !answers.complete()) return;
    boolean minor = client.minor(today(client));
    screenings.save(
        new ScreeningRow(
            me.id(),
            Answers.VERSION,
            answers,
            today(client),
            null,
            Answered.Source.BEFORE_VISIT,
            clock.instant(),
            minor));
    publisher.publishEvent(new ScreeningChanged(me.id()));
    Assessment a = Assessment.of(answers.screening(minor), Optional.empty());
    audit.changedByClient(me.practiceId(), me.id(), "answered at home", a.result().label());
  }

  /**
   * The client's own answers to whether anything is new; the rest stays as it was. Any yes closes
   * the gate until a practitioner has looked at it.
   */
  @Changes
  public void renew(ClientMe me, Renewal renewal) {
    Client client = clients.lock(me);
    ClientScreening now = of(client);
    if (now.renewal().isEmpty() || !renewal.complete()) return;
    LocalDate today = now.today();
    Screening before = now.all().get(0).answers().screening(client.minor(today));
    Answered.Source source =
        Gate.paused(now.facts().lastSession(), today)
            ? Answered.Source.AFTER_PAUSE
            : Answered.Source.RENEWAL;
    Map<Condition, Optional<Side>> inForce = now.gate().answers().orElseThrow().inForce();
    screenings.save(
        new ScreeningRow(
            me.id(),
            Answers.VERSION,
            Answers.of(before.renewed(renewal.answers(), inForce)),
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
    lookedAt(clientId);
    audit.changed(me, clientId, "full doses given back", "");
  }

  /** A practitioner has looked at what a client has answered alone. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void lookedAt(UUID clientId) {
    add(clientId, GateFactRow.Kind.LOOKED_AT);
  }

  /**
   * The client has stopped because something was wrong: the gate is closed until that is dealt
   * with.
   *
   * @param at when it was, which may be before it was known
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void stopped(UUID clientId, Instant at) {
    facts.add(clientId, GateFactRow.Kind.STOP, at, clock.instant());
    publisher.publishEvent(new ScreeningChanged(clientId));
  }

  /**
   * A stop was a tap by mistake and was taken back at once; it closes nothing.
   *
   * @param at when it was said to have been
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void stopTakenBack(UUID clientId, Instant at) {
    facts.remove(clientId, GateFactRow.Kind.STOP, at);
    publisher.publishEvent(new ScreeningChanged(clientId));
  }

  /**
   * A session was done while the gate was open.
   *
   * @param at when it was, which may be before it was known
   * @param day in the client's zone
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void exercised(UUID clientId, Instant at, LocalDate day) {
    Optional<LocalDate> before = facts.at(clientId, GateFacts.ALL).lastSession();
    if (before.filter(b -> Gate.isReturn(b, day)).isPresent()) {
      facts.add(clientId, GateFactRow.Kind.RETURNED, at, clock.instant());
    }
    facts.addSession(clientId, at, clock.instant(), day);
    publisher.publishEvent(new ScreeningChanged(clientId));
  }

  /** An illness with fever: the red flags are asked first. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void fever(UUID clientId) {
    add(clientId, GateFactRow.Kind.FEVER);
  }

  /** Only the plan for a flare is done from now on. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void flareBegun(UUID clientId) {
    add(clientId, GateFactRow.Kind.FLARE_BEGUN);
  }

  /** The other programs are done again, lower for a while. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void flareEnded(UUID clientId) {
    add(clientId, GateFactRow.Kind.FLARE_ENDED);
  }

  /** There was none: nothing is lower for it. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void flareUndone(UUID clientId) {
    add(clientId, GateFactRow.Kind.FLARE_UNDONE);
  }

  private void add(UUID clientId, GateFactRow.Kind kind) {
    Instant now = clock.instant();
    facts.add(clientId, kind, now, now);
    publisher.publishEvent(new ScreeningChanged(clientId));
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
    ClientScreening now = of(client);
    List<ClientScreening.KeptScreening> all = now.all();
    if (all.isEmpty() || !all.get(0).id().equals(about)) return new Recorded.Overtaken();
    if (all.get(0).answered().source() == Answered.Source.BEFORE_VISIT) {
      return new Recorded.Lacking("Go through the client's answers and keep them first.");
    }
    // What earlier answers have left open is settled by this record too, or it stays closed.
    Optional<String> lacking =
        now.gate().answers().map(Assessment::screening).flatMap(clearance::lacks);
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
            clearance.neck().orElse(null),
            me.id(),
            clock.instant()));
    publisher.publishEvent(new ScreeningChanged(clientId));
    audit.changed(me, clientId, "gate opened", clearance.examined() + ": " + clearance.found());
    return new Recorded.Done();
  }

  private LocalDate today(Client client) {
    return clock.instant().atZone(client.zone()).toLocalDate();
  }
}
