package org.biokinet.app.review.internal;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

/** Reviews that were made. */
public interface Reviews extends JpaRepository<ReviewRow, UUID> {

  List<ReviewRow> findByClientIdOrderByMadeAtDesc(UUID clientId);

  /** The newest since an episode began. */
  Optional<ReviewRow> findFirstByClientIdAndMadeAtGreaterThanEqualOrderByMadeAtDesc(
      UUID clientId, Instant begun);

  /** Of whom the newest of all allows that it is eased by itself. */
  @Query(
      """
      select r.clientId from ReviewRow r where r.terms.automatic
      and not exists (select 1 from ReviewRow n
                      where n.clientId = r.clientId and n.madeAt > r.madeAt)
      """)
  List<UUID> automatic();

  Optional<ReviewRow> findByIdAndClientId(UUID id, UUID clientId);
}
