package org.biokinet.app.account;

import jakarta.persistence.LockModeType;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

/** All practices. */
public interface Practices extends JpaRepository<Practice, UUID> {

  /** Held until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select p from Practice p where p.id = :id")
  Practice lock(UUID id);
}
