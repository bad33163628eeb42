package org.biokinet.app.worklist.internal;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Who is looked at later. */
public interface PutOffs extends JpaRepository<PutOffRow, UUID> {}
