package org.biokinet.app.review.internal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Reviews that were made. */
public interface Reviews extends JpaRepository<ReviewRow, UUID> {

  List<ReviewRow> findByClientIdOrderByMadeAtDesc(UUID clientId);

  /** The newest since an episode began. */
  Optional<ReviewRow> findFirstByClientIdAndMadeAtGreaterThanEqualOrderByMadeAtDesc(
      UUID clientId, Instant begun);

  Optional<ReviewRow> findByIdAndClientId(UUID id, UUID clientId);
}
