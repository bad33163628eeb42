package org.biokinet.app.program.internal;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.program.ProgramKind;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface ProgramVersions extends JpaRepository<ProgramVersionRow, UUID> {

  /** The newest of each program. */
  @Query(
      """
      select v from ProgramVersionRow v where v.clientId = :client and v.number =
      (select max(n.number) from ProgramVersionRow n
      where n.clientId = v.clientId and n.program = v.program)
      """)
  List<ProgramVersionRow> newest(UUID client);

  Optional<ProgramVersionRow>
      findFirstByClientIdAndProgramAndSharedAtLessThanEqualOrderByNumberDesc(
          UUID clientId, ProgramKind program, Instant at);

  Optional<ProgramVersionRow> findByClientIdAndProgramAndNumber(
      UUID clientId, ProgramKind program, int number);

  List<ProgramVersionRow> findByClientIdAndNumberIn(UUID clientId, Collection<Integer> numbers);

  List<ProgramVersionRow> findByClientIdOrderBySharedAt(UUID clientId);
}
