package org.biokinet.app.people.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Absences extends JpaRepository<AbsenceRow, UUID> {

  /** Those that are not over on a day and were not ended, the first to begin first. */
  List<AbsenceRow>
      findByPracticeIdAndEndedAtIsNullAndLastDayGreaterThanEqualOrderByFromDayAscMadeAtAsc(
          UUID practiceId, LocalDate day);

  Optional<AbsenceRow> findByIdAndPracticeIdAndEndedAtIsNull(UUID id, UUID practiceId);
}
