package org.biokinet.app.program.internal;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.program.ProgramKind;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface ProgramVersions extends JpaRepository<ProgramVersionRow, UUID> {

  /** A version, and whether it was withdrawn. */
  record Found(ProgramVersionRow version, @Nullable WithdrawalRow withdrawal) {}

  /** The newest of each program. */
  @Query(
      """
      select new org.biokinet.app.program.internal.ProgramVersions$Found(v, w)
      from ProgramVersionRow v left join WithdrawalRow w on w.versionId = v.id
      where v.clientId = :client and v.number =
      (select max(n.number) from ProgramVersionRow n
      where n.clientId = v.clientId and n.program = v.program)
      """)
  List<Found> newest(UUID client);

  /** Every version from a moment on, and whether it was withdrawn; the oldest first. */
  @Query(
      """
      select new org.biokinet.app.program.internal.ProgramVersions$Found(v, w)
      from ProgramVersionRow v left join WithdrawalRow w on w.versionId = v.id
      where v.clientId = :client and v.sharedAt >= :begun
      order by v.sharedAt
      """)
  List<Found> since(UUID client, Instant begun);

  /** Every version that was withdrawn. */
  @Query(
      """
      select new org.biokinet.app.program.internal.ProgramVersions$Found(v, w)
      from WithdrawalRow w join ProgramVersionRow v on v.id = w.versionId
      where w.clientId = :client
      """)
  List<Found> withdrawn(UUID client);

  Optional<ProgramVersionRow>
      findFirstByClientIdAndProgramAndSharedAtLessThanEqualOrderByNumberDesc(
          UUID clientId, ProgramKind program, Instant at);

  Optional<ProgramVersionRow> findByClientIdAndProgramAndNumber(
      UUID clientId, ProgramKind program, int number);

  List<ProgramVersionRow> findByClientIdAndNumberIn(UUID clientId, Collection<Integer> numbers);

  List<ProgramVersionRow> findByClientIdOrderBySharedAt(UUID clientId);
}
