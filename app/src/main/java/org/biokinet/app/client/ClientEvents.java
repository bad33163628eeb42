package org.biokinet.app.client;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ClientEvents extends JpaRepository<ClientEvent, UUID> {

  /** The newest of each kind, for each of these clients. */
  @Query(
      """
      select e from ClientEvent e where e.clientId in :clients and e.at =
        (select max(f.at) from ClientEvent f where f.clientId = e.clientId and f.kind = e.kind)
      """)
  List<ClientEvent> newest(Collection<UUID> clients);

  /** The newest of each kind of one client, as it stood at a moment. */
  @Query(
      """
      select e from ClientEvent e where e.clientId = :client and e.at =
        (select max(f.at) from ClientEvent f
         where f.clientId = :client and f.kind = e.kind and f.at <= :at)
      """)
  List<ClientEvent> newest(UUID client, Instant at);
}
