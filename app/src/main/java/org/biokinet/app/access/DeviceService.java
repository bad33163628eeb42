package org.biokinet.app.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.access.internal.ClientDevice;
import org.biokinet.app.access.internal.ClientLink;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Secrets;
import org.biokinet.app.practice.Me;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The devices on which clients have opened their link, each known by its cookie. */
@Service
public class DeviceService {

  /** How often somebody has to open the link again; our choice. */
  public static final Duration LASTS = Duration.ofDays(180);

  interface Devices extends JpaRepository<ClientDevice, UUID> {
    /** Of a device that was let in after a moment, and whose link has not ended. */
    @Query(
        """
        select l.clientId from ClientDevice d join ClientLink l on l.id = d.linkId
        where d.cookieHash = :hash and d.madeAt > :oldest and d.endedAt is null
          and l.revokedAt is null
        """)
    Optional<UUID> clientOf(String hash, Instant oldest);

    /** All that a client is let in on, the newest first. */
    @Query(
        """
        select d from ClientDevice d join ClientLink l on l.id = d.linkId
        where l.clientId = :client and d.madeAt > :oldest and d.endedAt is null
          and l.revokedAt is null
        order by d.madeAt desc
        """)
    List<ClientDevice> of(UUID client, Instant oldest);

    Optional<ClientDevice> findByCookieHash(String hash);
  }

  private final Devices devices;
  private final LinkService.Links links;
  private final ClientService clients;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  DeviceService(
      Devices devices,
      LinkService.Links links,
      ClientService clients,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.devices = devices;
    this.links = links;
    this.clients = clients;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /**
   * The cookie of a device on which this client is in from now on; the PIN was right.
   *
   * @param cookie of the device until now, which may know others too
   * @throws NotFound when the link has ended meanwhile
   */
  @Changes
  String letIn(UUID clientId, UUID linkId, String cookie) {
    Client client = clients.lock(clients.byId(clientId));
    ClientLink link = links.findByIdAndRevokedAtIsNull(linkId).orElseThrow(NotFound::new);
    link.opened(clock.instant());
    String token = Secrets.token();
    devices.save(new ClientDevice(link.getId(), Secrets.hash(token), clock.instant()));
    publisher.publishEvent(new LinkChanged(clientId));
    audit.changedByClient(client.practiceId(), client.getId(), "link opened", "");
    Keys keys = Keys.of(cookie);
    List<String> before =
        keys.tokens().stream()
            .filter(t -> behind(t).filter(c -> c.id().equals(clientId)).isPresent())
            .toList();
    return keys.without(before).in(token).cookie();
  }

  /** Who is in on a device; empty where nobody is, or the device or the link has ended. */
  @Transactional(readOnly = true)
  public Optional<ClientMe> clientOf(String cookie) {
    return behind(Keys.of(cookie).first());
  }

  /** Everybody who was let in on a device and still may be, who is in first. */
  @Transactional(readOnly = true)
  public List<ClientMe> known(String cookie) {
    return Keys.of(cookie).tokens().stream().map(this::behind).flatMap(Optional::stream).toList();
  }

  /** By which token and link a client was let in on a device. */
  @Transactional(readOnly = true)
  Optional<Entry> entry(String cookie, UUID clientId) {
    return Keys.of(cookie).tokens().stream()
        .filter(t -> behind(t).filter(c -> c.id().equals(clientId)).isPresent())
        .findFirst()
        .flatMap(
            t ->
                devices
                    .findByCookieHash(Secrets.hash(t))
                    .flatMap(d -> links.findByIdAndRevokedAtIsNull(d.linkId()))
                    .map(link -> new Entry(t, link)));
  }

  record Entry(String token, ClientLink link) {}

  /**
   * A device that a client is let in on.
   *
   * @param syncedAt when it last fetched what it keeps; empty where it never did
   * @param here whether it is the one that asks
   */
  public record Device(UUID id, Instant letInAt, Optional<Instant> syncedAt, boolean here) {}

  /**
   * The newest first.
   *
   * @param cookie of the device that asks; empty where a practitioner does
   */
  @Transactional(readOnly = true)
  public List<Device> of(UUID clientId, String cookie) {
    String own = Secrets.hash(Keys.of(cookie).first());
    return devices.of(clientId, clock.instant().minus(LASTS)).stream()
        .map(d -> new Device(d.getId(), d.madeAt(), d.syncedAt(), d.cookieHash().equals(own)))
        .toList();
  }

  /** It has just fetched what it is to keep. */
  @Changes
  public void synced(String cookie) {
    devices
        .findByCookieHash(Secrets.hash(Keys.of(cookie).first()))
        .ifPresent(d -> d.synced(clock.instant()));
  }

  /** Sends one device away; it finds out at its next contact. */
  @Changes
  public void end(ClientMe me, UUID device) {
    end(clients.lock(me), device);
    audit.changedByClient(me.practiceId(), me.id(), "device ended", "");
  }

  /** The same by the practice. */
  @Changes
  public void end(Me me, UUID clientId, UUID device) {
    end(clients.lock(me, clientId), device);
    audit.changed(me, clientId, "device ended", "");
  }

  private void end(Client client, UUID device) {
    Instant now = clock.instant();
    devices.of(client.getId(), now.minus(LASTS)).stream()
        .filter(d -> d.getId().equals(device))
        .findFirst()
        .orElseThrow(NotFound::new)
        .end(now);
  }

  private Optional<ClientMe> behind(String token) {
    Instant oldest = clock.instant().minus(LASTS);
    return devices.clientOf(Secrets.hash(token), oldest).map(clients::byId).map(ClientMe::of);
  }
}
