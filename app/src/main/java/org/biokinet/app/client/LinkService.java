package org.biokinet.app.client;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.biokinet.app.account.Sender;
import org.biokinet.app.account.Throttle;
import org.biokinet.app.support.Changes;
import org.biokinet.app.support.NotFound;
import org.biokinet.app.support.Secrets;
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

  /** What is known about the link in force. */
  public record State(Instant madeAt, Optional<Instant> openedAt) {}

  /** What came of a PIN. */
  public sealed interface Opening {
    record Opened(String cookie) implements Opening {}

    record WrongPin() implements Opening {}

    record Wait(Duration howLong) implements Opening {}
  }

  private final Links links;
  private final DeviceService devices;
  private final ClientService clients;
  private final Throttle throttle;
  private final PasswordEncoder passwords;
  private final Audit audit;
  private final Clock clock;

  LinkService(
      Links links,
      DeviceService devices,
      ClientService clients,
      Throttle throttle,
      PasswordEncoder passwords,
      Audit audit,
      Clock clock) {
    this.links = links;
    this.devices = devices;
    this.clients = clients;
    this.throttle = throttle;
    this.passwords = passwords;
    this.audit = audit;
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
    links.findByClientIdOrderByMadeAtDesc(client.getId()).forEach(l -> l.revoke(now));
    links.save(
        new ClientLink(
            clientId, Secrets.hash(made.token()), passwords.encode(made.pin()), me.id(), now));
    clients.happened(clientId, ClientEvent.Kind.LINK_MADE, me.id(), "");
    audit.changed(me, clientId, "link made", "");
    return made;
  }

  @Transactional(readOnly = true)
  public Optional<State> current(UUID clientId) {
    return links.findByClientIdOrderByMadeAtDesc(clientId).stream()
        .filter(l -> !l.revoked())
        .findFirst()
        .map(l -> new State(l.madeAt(), l.openedAt()));
  }

  /** A new PIN for the link that stands, shown once; devices that are in stay in. */
  @Changes
  public Optional<String> newPin(Me me, UUID clientId) {
    Client client = clients.lock(me, clientId);
    return links.findByClientIdOrderByMadeAtDesc(client.getId()).stream()
        .filter(l -> !l.revoked())
        .findFirst()
        .map(
            link -> {
              String pin = Secrets.pin();
              link.setPinHash(passwords.encode(pin));
              throttle.forget(bucket(link));
              clients.happened(clientId, ClientEvent.Kind.LINK_MADE, me.id(), "new PIN");
              audit.changed(me, clientId, "new PIN", "");
              return pin;
            });
  }

  /** Ends every link of a client, on every device. */
  @Changes
  public void end(Me me, UUID clientId) {
    Client client = clients.lock(me, clientId);
    Instant now = clock.instant();
    links.findByClientIdOrderByMadeAtDesc(client.getId()).forEach(l -> l.revoke(now));
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
    if (clients.history(client.getId()).pinForgotten()) return;
    clients.happened(client.getId(), ClientEvent.Kind.PIN_FORGOTTEN, null, "");
    audit.changedByClient(client.practiceId(), client.getId(), "PIN forgotten", "");
  }

  /**
   * Swaps token and PIN for a device cookie.
   *
   * @throws NotFound when there is no such link, or it has ended
   */
  public Opening open(String token, String pin) {
    ClientLink link = live(token);
    Throttle.Try tried =
        throttle.look(bucket(link), Sender.address(), () -> passwords.matches(pin, link.pinHash()));
    return switch (tried.outcome()) {
      case WAIT -> new Opening.Wait(tried.howLong());
      case WRONG -> new Opening.WrongPin();
      case RIGHT -> new Opening.Opened(devices.letIn(link.clientId(), link.getId()));
    };
  }
}
