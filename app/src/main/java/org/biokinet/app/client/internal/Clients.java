package org.biokinet.app.client.internal;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

/** Clients, reached only through their practice. */
public interface Clients extends JpaRepository<ClientRow, UUID> {

  Optional<ClientRow> findByIdAndPracticeId(UUID id, UUID practiceId);

  List<ClientRow> findByPracticeIdOrderByName(UUID practiceId);

  @Query(
      """
      select c from ClientRow c where c.practiceId = :practice and c.mergedInto is null
      and locate(:part, c.name) > 0 order by c.name, c.id
      """)
  Page<ClientRow> named(UUID practice, String part, Pageable page);

  List<ClientRow> findByMergedIntoOrderByCreatedAt(UUID id);

  /** Held until the transaction ends: whoever changes a client's program waits in line here. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select c from ClientRow c where c.id = :id and c.practiceId = :practiceId")
  Optional<ClientRow> lock(UUID id, UUID practiceId);
}
