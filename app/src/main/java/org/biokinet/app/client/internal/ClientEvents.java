package org.biokinet.app.client.internal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface ClientEvents extends JpaRepository<ClientEvent, UUID> {

  Optional<ClientEvent> findFirstByClientIdAndKindOrderByAtDesc(
      UUID clientId, ClientEvent.Kind kind);

  List<ClientEvent> findByClientIdAndAtGreaterThanEqualAndAtLessThan(
      UUID clientId, Instant from, Instant until);
}
