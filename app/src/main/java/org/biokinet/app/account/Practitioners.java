package org.biokinet.app.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** All practitioners; the mail address names one across practices. */
public interface Practitioners extends JpaRepository<Practitioner, UUID> {
  Optional<Practitioner> findByEmail(String email);

  Optional<Practitioner> findByIdAndPracticeId(UUID id, UUID practiceId);

  List<Practitioner> findByPracticeIdOrderByName(UUID practiceId);
}
