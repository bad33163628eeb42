package org.biokinet.app.client;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

/** Clients, reached only through their practice. */
interface Clients extends JpaRepository<Client, UUID> {

  Optional<Client> findByIdAndPracticeId(UUID id, UUID practiceId);

  List<Client> findByPracticeIdOrderByName(UUID practiceId);

  List<Client> findByMergedIntoOrderByCreatedAt(UUID id);

  /** Held until the transaction ends: whoever changes a client's program waits in line here. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select c from Client c where c.id = :id and c.practiceId = :practiceId")
  Optional<Client> lock(UUID id, UUID practiceId);
}
