package org.biokinet.app.program;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ProgramVersions extends JpaRepository<ProgramVersion, UUID> {

  Optional<ProgramVersion> findFirstByClientIdOrderByNumberDesc(UUID clientId);

  Optional<ProgramVersion> findByClientIdAndNumber(UUID clientId, int number);

  List<ProgramVersion> findByClientIdOrderByNumber(UUID clientId);
}
