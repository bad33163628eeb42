package org.biokinet.app.platform;

import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** A table row whose key the application makes itself. */
@MappedSuperclass
public abstract class Row implements Persistable<UUID> {

  @Id private UUID id = UUID.randomUUID();

  @Transient private boolean fresh = true;

  @Override
  public UUID getId() {
    return id;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  @PostLoad
  @PostPersist
  void stored() {
    fresh = false;
  }
}
