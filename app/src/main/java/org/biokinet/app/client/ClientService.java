package org.biokinet.app.client;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.internal.ClientEvent;
import org.biokinet.app.client.internal.ClientEvents;
import org.biokinet.app.client.internal.ClientRow;
import org.biokinet.app.client.internal.Clients;
import org.biokinet.app.client.internal.GoalRow;
import org.biokinet.app.client.internal.MatterRow;
import org.biokinet.app.client.internal.Matters;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Phones;
import org.biokinet.app.practice.Me;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.Screening;
import org.biokinet.core.session.Asking;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Clients of a practice, and what happened to them. */
@Service
public class ClientService {

  interface Goals extends JpaRepository<GoalRow, UUID> {
    List<GoalRow> findByClientIdAndEndedAtIsNullOrderByMadeAtAscActivityAsc(UUID clientId);
  }

  /** Fewer digits than these name nobody: they may be an extension. */
  private static final int LEAST_DIGITS = 6;

  private final Clients clients;
  private final Goals goals;
  private final ClientEvents events;
  private final Matters matters;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  ClientService(
      Clients clients,
      Goals goals,
      ClientEvents events,
      Matters matters,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.clients = clients;
    this.goals = goals;
    this.events = events;
    this.matters = matters;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** Adds a client of mine, of whom little is known yet. */
  @Changes
  public Client add(Me me, Contact contact, Circumstances circumstances) {
    return add(me, me.id(), contact, circumstances, Set.of(), List.of());
  }

  /**
   * Adds a client.
   *
   * @param practitionerId whose client it is
   */
  @Changes
  public Client add(
      Me me,
      UUID practitionerId,
      Contact contact,
      Circumstances circumstances,
      Set<UUID> team,
      List<Goal> wanted) {
    ClientRow client =
        new ClientRow(me.practiceId(), practitionerId, contact, circumstances, clock.instant());
    client.giveTo(practitionerId, team);
    clients.save(client);
    setGoals(me, client.getId(), wanted);
    publisher.publishEvent(new ClientChanged(client.getId()));
    audit.changed(me, client.getId(), "client added", "");
    return client.client();
  }

  /** Those in whose record the same person may stand: the same name and birth date, or phone. */
  @Transactional(readOnly = true)
  public List<Client> alike(Me me, Contact contact) {
    return all(me).stream()
        .filter(
            c ->
                (c.name().equalsIgnoreCase(contact.name())
                        && (c.birthDate().isEmpty()
                            || contact.birthDate().isEmpty()
                            || c.birthDate().equals(contact.birthDate())))
                    || (Phones.dialled(contact.phone()).length() >= LEAST_DIGITS
                        && Phones.same(c.phone(), contact.phone())))
        .toList();
  }

  /**
   * Changes who a client is and how to reach them.
   *
   * @param seen the version that was edited
   * @return false when somebody was faster; then nothing is changed
   */
  @Changes
  public boolean change(Me me, UUID id, int seen, Contact contact) {
    ClientRow client = row(me, id);
    if (client.version() != seen) return false;
    if (!client.contact().equals(contact)) {
      String what = changed(client.contact(), contact);
      set(me, client, contact);
      audit.changed(me, id, "contact changed", what);
    }
    return true;
  }

  /**
   * Whose consent is needed was decided by the birth date that was known: one that makes somebody a
   * minor, or no minor any more, asks everything again.
   */
  private void set(Me me, ClientRow client, Contact contact) {
    Instant now = clock.instant();
    LocalDate today = now.atZone(client.contact().zone()).toLocalDate();
    boolean minor = Screening.minor(client.contact().birthDate(), today);
    client.set(contact);
    publisher.publishEvent(new ClientChanged(client.getId()));
    if (Screening.minor(contact.birthDate(), today) == minor) return;
    client.askAgain(now);
    publisher.publishEvent(new AskedAgain(client.getId(), now));
    audit.changed(me, client.getId(), "screening asked again", "the birth date changed across 18");
  }

  /** Which parts, without their content; the birth date decides whose consent is needed. */
  private static String changed(Contact from, Contact to) {
    List<String> parts = new ArrayList<>();
    if (!from.name().equals(to.name())) parts.add("name");
    if (!from.birthDate().equals(to.birthDate())) parts.add("birth date");
    if (!from.phone().equals(to.phone())) parts.add("phone");
    if (!from.email().equals(to.email())) parts.add("mail");
    if (!from.zone().equals(to.zone())) parts.add("zone");
    if (!from.language().equals(to.language())) parts.add("language");
    return String.join(", ", parts);
  }

  /** The same with everything else that a practitioner writes about a client. */
  @Changes
  public boolean change(
      Me me,
      UUID id,
      int seen,
      Contact contact,
      Circumstances circumstances,
      UUID practitionerId,
      Set<UUID> team,
      List<Goal> wanted) {
    if (!change(me, id, seen, contact)) return false;
    ClientRow client = row(me, id);
    client.set(circumstances);
    client.giveTo(practitionerId, team);
    setGoals(me, id, wanted);
    publisher.publishEvent(new ClientChanged(id));
    audit.changed(me, id, "client changed", "");
    return true;
  }

  /** A goal that stays as it was keeps its date. */
  private void setGoals(Me me, UUID clientId, List<Goal> wanted) {
    Instant now = clock.instant();
    List<GoalRow> standing =
        goals.findByClientIdAndEndedAtIsNullOrderByMadeAtAscActivityAsc(clientId);
    for (GoalRow row : standing) if (!wanted.contains(row.goal())) row.end(now);
    List<Goal> kept = standing.stream().map(GoalRow::goal).toList();
    for (Goal goal : wanted) {
      if (!kept.contains(goal)) goals.save(new GoalRow(clientId, goal, me.id(), now));
    }
  }

  @Transactional(readOnly = true)
  public List<Goal> goals(UUID clientId) {
    return goals.findByClientIdAndEndedAtIsNullOrderByMadeAtAscActivityAsc(clientId).stream()
        .map(GoalRow::goal)
        .toList();
  }

  @Transactional(readOnly = true)
  public Set<UUID> careTeam(Me me, UUID id) {
    return clients.findByIdAndPracticeId(id, me.practiceId()).orElseThrow(NotFound::new).careTeam();
  }

  /** The same of one that is at hand. */
  @Transactional(readOnly = true)
  public Set<UUID> careTeam(Client client) {
    return clients.findById(client.getId()).map(ClientRow::careTeam).orElse(Set.of());
  }

  /**
   * Gives a client to somebody else, who treats them from now on.
   *
   * @param was who treated them when that was decided
   * @param why for whoever takes over
   * @return false where somebody else was faster; then nothing is changed
   */
  @Changes
  public boolean give(Me me, UUID id, UUID was, UUID to, String why) {
    ClientRow client = row(me, id);
    if (!client.client().practitionerId().equals(was)) return false;
    if (was.equals(to)) return true;
    client.giveTo(to, client.careTeam());
    happened(id, ClientEvent.Kind.GIVEN, me.id(), why);
    audit.changed(me, id, "given", "from %s to %s".formatted(was, to));
    return true;
  }

  /** Nothing goes on for an archived client; the record stays as it is. */
  @Changes
  public void archive(Me me, UUID id) {
    ClientRow client = row(me, id);
    if (client.archived()) return;
    Instant now = clock.instant();
    client.archive(now);
    publisher.publishEvent(new Archived(id, now));
    happened(id, ClientEvent.Kind.ARCHIVED, me.id(), "");
    audit.changed(me, id, "archived", "");
  }

  /** Takes an archived client up again where things stood. */
  @Changes
  public void reactivate(Me me, UUID id) {
    ClientRow client = row(me, id);
    if (!client.archived() || client.merged()) return;
    client.reactivate();
    publisher.publishEvent(new Reactivated(id, clock.instant()));
    happened(id, ClientEvent.Kind.REACTIVATED, me.id(), "");
    audit.changed(me, id, "reactivated", "");
  }

  /**
   * The client is back with something new: screened anew, programs and goals begin again, history
   * stays.
   */
  @Changes
  public void beginEpisode(Me me, UUID id, String reason) {
    ClientRow client = row(me, id);
    if (client.merged()) return;
    Instant now = clock.instant();
    client.beginEpisode(now);
    publisher.publishEvent(new EpisodeBegun(id, now));
    setGoals(me, id, List.of());
    happened(id, ClientEvent.Kind.NEW_EPISODE, me.id(), reason);
    audit.changed(me, id, "new episode", reason);
  }

  /**
   * Joins a duplicate to the record that stays. What stands in the duplicate stays readable there;
   * contact data that the other lacks is taken over; and since nobody knows which answers are
   * right, the client is asked again wherever the duplicate was ever screened.
   *
   * @param screened whether it was
   */
  @Changes
  public void merge(Me me, UUID stays, UUID duplicate, boolean screened) {
    if (stays.equals(duplicate)) throw new IllegalArgumentException("a record and itself");
    ClientRow into = row(me, stays);
    ClientRow from = row(me, duplicate);
    if (into.merged() || from.merged()) return;
    Contact a = into.contact();
    Contact b = from.contact();
    set(
        me,
        into,
        new Contact(
            a.name(),
            a.birthDate().or(b::birthDate),
            a.phone().isEmpty() ? b.phone() : a.phone(),
            a.email().isEmpty() ? b.email() : a.email(),
            a.zone(),
            a.language()));
    Instant now = clock.instant();
    from.mergeInto(stays, now);
    publisher.publishEvent(new Archived(duplicate, now));
    if (screened) {
      into.askAgain(now);
      publisher.publishEvent(new AskedAgain(stays, now));
    }
    happened(stays, ClientEvent.Kind.MERGED, me.id(), b.name());
    audit.changed(me, stays, "merged", "took in " + duplicate);
    audit.changed(me, duplicate, "merged", "into " + stays);
  }

  /** The records that were found to be duplicates of this one. */
  @Transactional(readOnly = true)
  public List<Client> merged(UUID id) {
    return clients.findByMergedIntoOrderByCreatedAt(id).stream().map(ClientRow::client).toList();
  }

  /**
   * One client of my practice.
   *
   * @throws NotFound for another practice's client just as for none
   */
  @Transactional(readOnly = true)
  public Client get(Me me, UUID id) {
    return clients
        .findByIdAndPracticeId(id, me.practiceId())
        .map(ClientRow::client)
        .orElseThrow(NotFound::new);
  }

  /** The same, held until the transaction ends, so that two editors take turns. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Client lock(Me me, UUID id) {
    return row(me, id).client();
  }

  private ClientRow row(Me me, UUID id) {
    return clients.lock(id, me.practiceId()).orElseThrow(NotFound::new);
  }

  /** The same for the client's own changes. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Client lock(ClientMe me) {
    return clients.lock(me.id(), me.practiceId()).map(ClientRow::client).orElseThrow(NotFound::new);
  }

  /** The same of one that is at hand. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Client lock(Client client) {
    return clients
        .lock(client.getId(), client.practiceId())
        .map(ClientRow::client)
        .orElseThrow(NotFound::new);
  }

  /** What everybody is called who is or was a client of my practice, by name. */
  @Transactional(readOnly = true)
  public Map<UUID, String> names(Me me) {
    Map<UUID, String> names = new LinkedHashMap<>();
    clients
        .findByPracticeIdOrderByName(me.practiceId())
        .forEach(c -> names.put(c.getId(), c.contact().name()));
    return names;
  }

  /** Everybody who was not joined to another record, the archived too. */
  @Transactional(readOnly = true)
  public List<Client> all(Me me) {
    return clients.findByPracticeIdOrderByName(me.practiceId()).stream()
        .filter(c -> !c.merged())
        .map(ClientRow::client)
        .toList();
  }

  /**
   * Those whose name has this in it, the archived too, by name.
   *
   * @param most how many at most; how many there are is known of the page
   */
  @Transactional(readOnly = true)
  public Page<Client> named(Me me, String part, int most) {
    return clients.named(me.practiceId(), part, PageRequest.of(0, most)).map(ClientRow::client);
  }

  /** For callers that already know the client by right: its own device. */
  @Transactional(readOnly = true)
  public Client byId(UUID id) {
    return clients.findById(id).map(ClientRow::client).orElseThrow(NotFound::new);
  }

  private void happened(UUID clientId, ClientEvent.Kind kind, UUID practitionerId, String detail) {
    events.save(new ClientEvent(clientId, clock.instant(), kind, practitionerId, detail));
    publisher.publishEvent(new ClientChanged(clientId));
  }

  /** Something waits for a practitioner from now on. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void raise(UUID clientId, Attention as, String detail) {
    matters.save(new MatterRow(clientId, new Matter(as, clock.instant(), detail)));
    publisher.publishEvent(new ClientChanged(clientId));
  }

  /** What was raised since a moment was a tap by mistake. */
  public void takeBack(UUID clientId, Attention as, Instant since) {
    matters.deleteByClientIdAndAttentionAndAtGreaterThanEqual(clientId, as, since);
    publisher.publishEvent(new ClientChanged(clientId));
  }

  /** What was raised of this sort until now was answered. */
  public void answered(UUID clientId, Attention as) {
    takeBack(clientId, as, Instant.EPOCH);
  }

  /** What waits for a practitioner, the newest of each sort, the newest first. */
  @Transactional(readOnly = true)
  public List<Matter> matters(UUID clientId) {
    return matters.open(clientId).stream().map(MatterRow::matter).toList();
  }

  /** That somebody has called, and what came of it. */
  public record Call(Instant at, UUID practitionerId, String note) {}

  @Transactional(readOnly = true)
  public Optional<Call> lastCall(UUID clientId) {
    return events
        .findFirstByClientIdAndKindOrderByAtDesc(clientId, ClientEvent.Kind.CALLED)
        .map(e -> new Call(e.at(), e.practitionerId(), e.detail()));
  }

  /** One breath of this client, measured or told. */
  @Changes
  public void setBreath(Me me, UUID clientId, double seconds) {
    row(me, clientId).setBreath(seconds);
    publisher.publishEvent(new ClientChanged(clientId));
    audit.changed(me, clientId, "breath", seconds + " s");
  }

  /** How strong a stretch may be from now on. Whoever asks has seen that nothing speaks against. */
  @Changes
  public void choose(Me me, UUID clientId, Policy policy) {
    ClientRow client = row(me, clientId);
    if (client.client().policy() == policy) return;
    client.choose(policy);
    publisher.publishEvent(new ClientChanged(clientId));
    audit.changed(me, clientId, "policy", policy.code());
  }

  /** Whether the client is asked every day how the joints move. */
  @Changes
  public void askSelfCheck(Me me, UUID clientId, boolean asked) {
    row(me, clientId).askSelfCheck(asked);
    audit.changed(me, clientId, "daily self-check", asked ? "asked for" : "no more");
  }

  /** Whether the client is asked every week where it hurts. */
  @Changes
  public void askMap(Me me, UUID clientId, boolean asked) {
    ClientRow client = row(me, clientId);
    LocalDate today = LocalDate.ofInstant(clock.instant(), client.contact().zone());
    client.askMap(asked ? client.client().mapFrom().orElse(today) : null);
    audit.changed(me, clientId, "weekly body map", asked ? "asked for" : "no more");
  }

  /** The map was told, or put off: it is asked for again in a week, if at all. */
  @Changes
  public void mapAsked(ClientMe me) {
    lock(me);
    ClientRow client = clients.findById(me.id()).orElseThrow();
    LocalDate next = LocalDate.ofInstant(clock.instant(), me.zone()).plusDays(Asking.MAP_EVERY);
    if (client.client().mapFrom().isPresent()) client.askMap(next);
  }

  /** Something came that could not be counted; said to the client for a while. */
  public void toldBeside(ClientMe me) {
    clients.findById(me.id()).orElseThrow().toldBeside(clock.instant());
  }

  /** From when in the day the client wants to be asked about the morning. */
  @Changes
  public void chooseMorning(ClientMe me, LocalTime from) {
    lock(me);
    clients.findById(me.id()).orElseThrow().chooseMorning(from);
    audit.changedByClient(me.practiceId(), me.id(), "time of the morning question", "" + from);
  }

  /** Somebody has called; what is open stays open until its outcome is written down. */
  @Changes
  public void called(Me me, UUID clientId, String note) {
    happened(get(me, clientId).getId(), ClientEvent.Kind.CALLED, me.id(), note);
    audit.changed(me, clientId, "called", note);
  }

  /**
   * The practitioner has called, seen or written; what was open is closed with this note.
   *
   * @param read when the newest of what the practitioner has read came in
   * @return false, and nothing is closed, where something newer waits
   */
  @Changes
  public boolean dealtWith(Me me, UUID clientId, Instant read, String note) {
    lock(me, clientId);
    if (matters(clientId).stream().anyMatch(m -> m.at().isAfter(read))) return false;
    happened(clientId, ClientEvent.Kind.DEALT_WITH, me.id(), note);
    publisher.publishEvent(new DealtWith(clientId, clock.instant()));
    audit.changed(me, clientId, "dealt with", note);
    return true;
  }
}
