package org.biokinet.app.client;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ClientEvents extends JpaRepository<ClientEvent, UUID> {

  /** The newest of each kind. */
  @Query(
      """
      select e from ClientEvent e where e.clientId = :client and e.at =
        (select max(f.at) from ClientEvent f where f.clientId = :client and f.kind = e.kind)
      """)
  List<ClientEvent> newest(UUID client);
}
