package org.biokinet.app.writing.internal;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.writing.Writing;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

public interface Writings extends JpaRepository<WritingRow, UUID> {

  /** What is signed, and my drafts, the newest first. */
  @Query(
      """
      select w from WritingRow w where w.clientId = :client
      and (w.signedAt is not null or w.madeBy = :me) order by w.madeAt desc, w.id
      """)
  Page<WritingRow> seen(UUID client, UUID me, Pageable page);

  Optional<WritingRow> findByIdAndClientId(UUID id, UUID clientId);

  /** The draft of one day and sort that somebody has begun. */
  Optional<WritingRow>
      findFirstByClientIdAndMadeByAndKindAndDayAndSignedAtIsNullAndAmendsIsNullOrderByMadeAtDesc(
          UUID clientId, UUID madeBy, Writing.Kind kind, LocalDate day);

  Optional<WritingRow> findFirstByAmendsAndSignedAtIsNullAndMadeBy(UUID amends, UUID madeBy);

  List<WritingRow> findByAmendsAndSignedAtIsNotNullOrderBySignedAt(UUID amends);

  List<WritingRow> findByClientIdAndSignedAtGreaterThanEqualAndSignedAtLessThan(
      UUID clientId, Instant from, Instant until);

  /** Held until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select w from WritingRow w where w.id = :id and w.clientId = :client")
  Optional<WritingRow> lock(UUID id, UUID client);
}
