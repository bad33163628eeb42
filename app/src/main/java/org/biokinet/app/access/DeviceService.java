package org.biokinet.app.access;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
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
        where d.cookieHash = :hash and d.madeAt > :oldest and l.revokedAt is null
        """)
    Optional<UUID> clientOf(String hash, Instant oldest);
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
   * The cookie of a new device of this client; the PIN was right.
   *
   * @throws NotFound when the link has ended meanwhile
   */
  @Changes
  String letIn(UUID clientId, UUID linkId) {
    Client client = clients.lock(clients.byId(clientId));
    ClientLink link = links.findByIdAndRevokedAtIsNull(linkId).orElseThrow(NotFound::new);
    link.opened(clock.instant());
    String cookie = Secrets.token();
    devices.save(new ClientDevice(link.getId(), Secrets.hash(cookie), clock.instant()));
    publisher.publishEvent(new LinkChanged(clientId));
    audit.changedByClient(client.practiceId(), client.getId(), "link opened", "");
    return cookie;
  }

  /** The client behind a device cookie; empty when the device or its link has ended. */
  @Transactional(readOnly = true)
  public Optional<ClientMe> clientOf(String cookie) {
    Instant oldest = clock.instant().minus(LASTS);
    return devices.clientOf(Secrets.hash(cookie), oldest).map(clients::byId).map(ClientMe::of);
  }
}
