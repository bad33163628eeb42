package org.biokinet.app.appointment.internal;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface Appointments extends JpaRepository<AppointmentRow, UUID> {

  /** Those that begin in a time, the first first. */
  @Query(
      """
      select a from AppointmentRow a where a.practiceId = :practice
      and a.fromAt >= :from and a.fromAt < :until order by a.fromAt, a.title, a.id
      """)
  List<AppointmentRow> between(UUID practice, Instant from, Instant until);

  @Modifying
  @Query("delete from AppointmentRow a where a.practiceId = :practice")
  void clear(UUID practice);

  interface Files extends JpaRepository<CalendarFileRow, UUID> {}
}
