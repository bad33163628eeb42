package org.biokinet.app.practice.internal;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** All practices. */
public interface Practices extends JpaRepository<PracticeRow, UUID> {

  /** Also holds it until the transaction ends. */
  @Modifying
  @Query("update PracticeRow p set p.changes = p.changes + 1 where p.id = :id")
  void change(UUID id);

  @Query("select p.changes from PracticeRow p where p.id = :id")
  int changes(UUID id);
}
