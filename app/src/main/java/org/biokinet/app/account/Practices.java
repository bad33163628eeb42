package org.biokinet.app.account;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** All practices. */
public interface Practices extends JpaRepository<Practice, UUID> {}
