package org.biokinet.app.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.biokinet.app.access.internal.ClientLink;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.people.Sender;
import org.biokinet.app.people.Throttle;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The client's way in: a link with a PIN, then a cookie on the device. */
@Service
public class LinkService {

  interface Links extends JpaRepository<ClientLink, UUID> {
    Optional<ClientLink> findByTokenHash(String hash);

    Optional<ClientLink> findByIdAndRevokedAtIsNull(UUID id);

    List<ClientLink> findByClientIdOrderByMadeAtDesc(UUID clientId);
  }

  /** A new link, shown once: afterwards only hashes are known. */
  public record Made(String token, String pin) {}

  /**
   * What is known about a client's links.
   *
   * @param madeAt of the one in force; empty where there is none
   * @param pinForgottenAt since when the client waits for another PIN
   * @param everOpened whether any of them ever was
   */
  public record State(
      Optional<Instant> madeAt,
      Optional<Instant> openedAt,
      Optional<Instant> pinForgottenAt,
      boolean everOpened) {}

  /** What came of a PIN. */
  public sealed interface Opening {
    record Opened(String cookie) implements Opening {}

    record WrongPin() implements Opening {}

    record Wait(Duration howLong) implements Opening {}
  }

  private final Links links;
  private final DeviceService devices;
  private final ClientService clients;
  private final PracticeService practices;
  private final Outbox outbox;
  private final Site site;
  private final Throttle throttle;
  private final PasswordEncoder passwords;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  LinkService(
      Links links,
      DeviceService devices,
      ClientService clients,
      PracticeService practices,
      Outbox outbox,
      Site site,
      Throttle throttle,
      PasswordEncoder passwords,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.links = links;
    this.devices = devices;
    this.clients = clients;
    this.practices = practices;
    this.outbox = outbox;
    this.site = site;
    this.throttle = throttle;
    this.passwords = passwords;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** Makes a link and ends the ones before it. */
  @Changes
  public Made make(Me me, UUID clientId) {
    return make(me, clientId, new Made(Secrets.token(), Secrets.pin()));
  }

  /** Makes a link with a given token and PIN, for the demo. */
  @Changes
  public Made make(Me me, UUID clientId, Made made) {
    Client client = clients.lock(me, clientId);
    Instant now = clock.instant();
    revoke(client, now);
    links.save(
        new ClientLink(
            clientId, Secrets.hash(made.token()), passwords.encode(made.pin()), me.id(), now));
    publisher.publishEvent(new LinkChanged(clientId));
    audit.changed(me, clientId, "link made", "");
    return made;
  }

  @Transactional(readOnly = true)
  public State state(UUID clientId) {
    List<ClientLink> all = links.findByClientIdOrderByMadeAtDesc(clientId);
    Optional<ClientLink> current = current(all);
    return new State(
        current.map(ClientLink::madeAt),
        current.flatMap(ClientLink::openedAt),
        current.flatMap(ClientLink::pinForgottenAt),
        all.stream().anyMatch(l -> l.openedAt().isPresent()));
  }

  private static Optional<ClientLink> current(List<ClientLink> newestFirst) {
    return newestFirst.stream().filter(l -> !l.revoked()).findFirst();
  }

  /** A new PIN for the link that stands, shown once; devices that are in stay in. */
  @Changes
  public Optional<String> newPin(Me me, UUID clientId) {
    Client client = clients.lock(me, clientId);
    return current(links.findByClientIdOrderByMadeAtDesc(client.getId()))
        .map(
            link -> {
              String pin = Secrets.pin();
              link.setPinHash(passwords.encode(pin));
              throttle.forget(bucket(link));
              publisher.publishEvent(new LinkChanged(clientId));
              audit.changed(me, clientId, "new PIN", "");
              return pin;
            });
  }

  /** Every link there is, and what is on its way with one. */
  private void revoke(Client client, Instant now) {
    links.findByClientIdOrderByMadeAtDesc(client.getId()).forEach(l -> l.revoke(now));
    outbox.withdraw(client.getId(), "its link was ended first");
  }

  /** Where a client opens a link. */
  public String address(String token) {
    return site.address("/c/" + token);
  }

  /**
   * Has the link in force mailed to the client, without the PIN.
   *
   * @param token of the link, which only who has just made it knows
   * @param letter made by the page, so that asking twice mails it once
   * @return what stands against it, or empty
   */
  @Changes
  public Optional<String> mail(Me me, UUID clientId, String token, UUID letter) {
    Client client = clients.lock(me, clientId);
    if (!outbox.ready()) return Optional.of("No mail server is set up.");
    if (client.contact().email().isEmpty()) return Optional.of("No mail address is known.");
    Optional<ClientLink> link = links.findByTokenHash(Secrets.hash(token));
    if (link.filter(l -> !l.revoked() && l.clientId().equals(clientId)).isEmpty()) {
      return Optional.of("This link has ended meanwhile; make a new one.");
    }
    Practice practice = practices.practice(client.practiceId());
    outbox.post(Invitation.to(client, practice, me, letter, address(token)));
    audit.changed(me, clientId, "link mailed", client.contact().email());
    return Optional.empty();
  }

  /** Ends every link of a client, on every device. */
  @Changes
  public void end(Me me, UUID clientId) {
    Client client = clients.lock(me, clientId);
    Instant now = clock.instant();
    revoke(client, now);
    publisher.publishEvent(new LinkChanged(clientId));
    audit.changed(me, clientId, "link ended", "");
  }

  /**
   * Whose link it is, for who has not given the PIN yet.
   *
   * @throws NotFound when there is no such link, or it has ended
   */
  @Transactional(readOnly = true)
  public UUID practiceOf(String token) {
    return clients.byId(live(token).clientId()).practiceId();
  }

  /**
   * Whether a device is let in already as the client whose link this is: then no PIN is asked.
   *
   * @param cookie of the device
   * @throws NotFound when there is no such link, or it has ended
   */
  @Transactional(readOnly = true)
  public boolean isOpenTo(String token, String cookie) {
    UUID client = live(token).clientId();
    return devices.clientOf(cookie).filter(me -> me.id().equals(client)).isPresent();
  }

  private ClientLink live(String token) {
    return links
        .findByTokenHash(Secrets.hash(token))
        .filter(l -> !l.revoked())
        .orElseThrow(NotFound::new);
  }

  private static String bucket(ClientLink link) {
    return "pin " + link.getId();
  }

  /** The client asks for another PIN; said once until there is one. */
  @Changes
  public void pinForgotten(String token) {
    UUID id = live(token).clientId();
    Client client = clients.lock(clients.byId(id));
    ClientLink link = live(token);
    if (link.pinForgottenAt().isPresent()) return;
    link.pinForgotten(clock.instant());
    publisher.publishEvent(new LinkChanged(id));
    audit.changedByClient(client.practiceId(), client.getId(), "PIN forgotten", "");
  }

  /**
   * Swaps token and PIN for a device cookie.
   *
   * @param cookie of the device until now, or empty
   * @throws NotFound when there is no such link, or it has ended
   */
  public Opening open(String token, String pin, String cookie) {
    ClientLink link = live(token);
    return open(link, pin, () -> devices.letIn(link.clientId(), link.getId(), cookie));
  }

  /**
   * Lets somebody in again who was let in on a device before.
   *
   * @throws NotFound when they were not, or their link has ended
   */
  public Opening choose(String cookie, UUID clientId, String pin) {
    DeviceService.Entry entry = devices.entry(cookie, clientId).orElseThrow(NotFound::new);
    return open(entry.link(), pin, () -> Keys.of(cookie).in(entry.token()).cookie());
  }

  /** The cookie of a device on which nobody is in until a PIN is given. */
  public String lock(String cookie) {
    return Keys.of(cookie).locked().cookie();
  }

  private Opening open(ClientLink link, String pin, Supplier<String> cookie) {
    Throttle.Try tried =
        throttle.look(
            bucket(link),
            Sender.address(),
            () -> passwords.matches(pin.replaceAll("\\s", ""), link.pinHash()));
    return switch (tried.outcome()) {
      case WAIT -> new Opening.Wait(tried.howLong());
      case WRONG -> new Opening.WrongPin();
      case RIGHT -> new Opening.Opened(cookie.get());
    };
  }
}
