package org.biokinet.app.reminder;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientChanged;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.mail.Posted;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.reminder.internal.ReminderRow;
import org.biokinet.app.screening.ClientScreening;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.DaysService;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Flare;
import org.biokinet.core.session.Reminding;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Timeline;
import org.springframework.context.MessageSource;
import org.springframework.context.event.EventListener;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Reminds clients of what is due, at the times that they chose and not when they should rest. */
@Service
public class ReminderService {

  interface Reminders extends JpaRepository<ReminderRow, UUID> {
    Optional<ReminderRow> findByClientId(UUID clientId);

    Optional<ReminderRow> findByOffToken(String token);

    @Query("select r.clientId from ReminderRow r where r.nextAt <= :now order by r.nextAt")
    List<UUID> due(Instant now);
  }

  private final Reminders reminders;
  private final ClientService clients;
  private final PracticeService practices;
  private final LinkService links;
  private final ScreeningService screenings;
  private final VersionService versions;
  private final PermitService permits;
  private final PauseService pauses;
  private final FlareService flares;
  private final SessionService sessions;
  private final DaysService days;
  private final Outbox outbox;
  private final Site site;
  private final MessageSource messages;
  private final Audit audit;
  private final Clock clock;

  ReminderService(
      Reminders reminders,
      ClientService clients,
      PracticeService practices,
      LinkService links,
      ScreeningService screenings,
      VersionService versions,
      PermitService permits,
      PauseService pauses,
      FlareService flares,
      SessionService sessions,
      DaysService days,
      Outbox outbox,
      Site site,
      MessageSource messages,
      Audit audit,
      Clock clock) {
    this.reminders = reminders;
    this.clients = clients;
    this.practices = practices;
    this.links = links;
    this.screenings = screenings;
    this.versions = versions;
    this.permits = permits;
    this.pauses = pauses;
    this.flares = flares;
    this.sessions = sessions;
    this.days = days;
    this.outbox = outbox;
    this.site = site;
    this.messages = messages;
    this.audit = audit;
    this.clock = clock;
  }

  /** What stands against writing to a client, whatever is due. */
  public enum Obstacle {
    NO_SERVER,
    NO_ADDRESS,
    /** The last one to this address was refused for good. */
    REFUSED
  }

  /** What a client chose, and what stands against it. */
  public record Chosen(Reminding reminding, Optional<Obstacle> obstacle) {}

  @Transactional(readOnly = true)
  public Chosen of(Client client) {
    return new Chosen(
        reminders
            .findByClientId(client.getId())
            .map(ReminderRow::reminding)
            .orElse(new Reminding(List.of())),
        obstacle(client));
  }

  private Optional<Obstacle> obstacle(Client client) {
    String address = client.contact().email();
    if (!outbox.ready()) return Optional.of(Obstacle.NO_SERVER);
    if (address.isEmpty()) return Optional.of(Obstacle.NO_ADDRESS);
    return outbox
        .newest(client.getId(), Letter.Kind.REMINDER)
        .filter(m -> m.state() == Posted.State.REFUSED && m.to().equals(address))
        .map(m -> Obstacle.REFUSED);
  }

  /** Chooses the times; none ends it. */
  @Changes
  public void choose(ClientMe me, Reminding chosen) {
    Client client = clients.lock(me);
    ReminderRow row =
        reminders
            .findByClientId(me.id())
            .orElseGet(() -> reminders.save(new ReminderRow(me.id(), Secrets.token())));
    row.choose(chosen);
    row.next(chosen.after(clock.instant(), client.zone()));
    audit.changedByClient(me.practiceId(), me.id(), "reminders", "" + chosen.times());
  }

  /**
   * Whose reminders end by this token.
   *
   * @throws NotFound where it was never in a mail
   */
  @Transactional(readOnly = true)
  public Practice practiceOf(String offToken) {
    ReminderRow row = reminders.findByOffToken(offToken).orElseThrow(NotFound::new);
    return practices.practice(clients.byId(row.clientId()).practiceId());
  }

  /**
   * Ends them; whoever holds the mail may, and may do nothing else.
   *
   * @throws NotFound where the token was never in a mail
   */
  @Changes
  public void off(String offToken) {
    UUID client = reminders.findByOffToken(offToken).orElseThrow(NotFound::new).clientId();
    choose(ClientMe.of(clients.byId(client)), new Reminding(List.of()));
  }

  /** Times are times of the client's day, wherever that is. */
  @EventListener
  void moved(ClientChanged event) {
    Instant now = clock.instant();
    reminders
        .findByClientId(event.clientId())
        .filter(row -> row.next().filter(now::isBefore).isPresent())
        .ifPresent(
            row -> row.next(row.reminding().after(now, clients.byId(event.clientId()).zone())));
  }

  /** Whose time has come. */
  @Transactional(readOnly = true)
  public List<UUID> due() {
    return reminders.due(clock.instant());
  }

  /**
   * Writes to a client whose time has come, where something is due; of several at once one does.
   */
  @Changes
  public void remind(UUID clientId) {
    Client client = clients.lock(clients.byId(clientId));
    Instant now = clock.instant();
    ReminderRow row = reminders.findByClientId(clientId).orElseThrow();
    if (row.next().filter(at -> !at.isAfter(now)).isEmpty()) return;
    row.next(row.reminding().after(now, client.zone()));
    Optional<Instant> meant = row.reminding().meant(now, client.zone());
    if (meant.isEmpty() || client.archived() || obstacle(client).isPresent()) return;
    if (links.state(clientId).openedAt().isEmpty()) return;
    seconds(client).ifPresent(s -> outbox.post(letter(client, row, meant.get(), s)));
  }

  /** How long the session takes that is due now; empty where none is, or the client rests. */
  private Optional<Integer> seconds(Client client) {
    Instant now = clock.instant();
    LocalDate today = LocalDate.ofInstant(now, client.zone());
    ClientScreening screening = screenings.of(client);
    if (screening.facts().stopOpen()) return Optional.empty();
    if (flares.newest(client.getId()).filter(Flare::lasts).isPresent()) return Optional.empty();
    if (pauses.newest(client.getId()).filter(p -> p.holds(today) || p.waits(today)).isPresent()) {
      return Optional.empty();
    }
    List<Session> recent = sessions.since(client.getId(), today.minusDays(1));
    if (!Reminding.rested(recent, now)) return Optional.empty();
    ClientMe me = ClientMe.of(client);
    return days
        .today(client, permits.all(client, screening.gate(), versions.inForce(client)))
        .values()
        .stream()
        .filter(p -> !p.permit().nothing())
        .filter(p -> days.today(me, p.program(), p.rhythm(), recent).due().stillDue())
        .map(ReminderService::seconds)
        .findFirst();
  }

  private static int seconds(Permitted now) {
    return Timeline.compile(now.session(Side.LEFT, SessionLength.USUAL)).seconds();
  }

  /** Nothing in it says what for. */
  private Letter letter(Client client, ReminderRow row, Instant meant, int seconds) {
    Practice practice = practices.practice(client.practiceId());
    String off = site.address("/off/" + row.offToken());
    long minutes = Math.max(1, Math.round(seconds / 60.0));
    String name = "reminder %s %s".formatted(client.getId(), meant);
    return new Letter(
        UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)),
        Letter.Kind.REMINDER,
        client.practiceId(),
        practice.name(),
        client.getId(),
        Optional.empty(),
        client.contact().email(),
        messages.getMessage("reminder.subject", new Object[] {minutes}, client.language()),
        messages.getMessage(
            "reminder.text",
            new Object[] {
              client.firstName(), minutes, site.address("/me/today"), off, practice.name()
            },
            client.language()),
        Optional.of(off));
  }
}
