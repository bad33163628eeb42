package org.biokinet.app.program.internal;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface ProgramVersions extends JpaRepository<ProgramVersionRow, UUID> {

  Optional<ProgramVersionRow> findFirstByClientIdOrderByNumberDesc(UUID clientId);

  Optional<ProgramVersionRow> findByClientIdAndNumber(UUID clientId, int number);

  List<ProgramVersionRow> findByClientIdAndNumberIn(UUID clientId, Collection<Integer> numbers);

  List<ProgramVersionRow> findByClientIdOrderByNumber(UUID clientId);
}
