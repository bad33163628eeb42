package org.biokinet.app.people.internal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** All practitioners; the mail address names one across practices. */
public interface Practitioners extends JpaRepository<PractitionerRow, UUID> {
  Optional<PractitionerRow> findByEmail(String email);

  Optional<PractitionerRow> findByIdAndPracticeId(UUID id, UUID practiceId);

  List<PractitionerRow> findByPracticeIdOrderByName(UUID practiceId);
}
