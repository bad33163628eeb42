package org.biokinet.app.review.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.springframework.data.domain.Persistable;

/** What a review was decided on; apart from it, since a list of reviews does without. */
@Entity
@Immutable
@Table(name = "review_diary")
public class DiaryRow implements Persistable<UUID> {
  @Id private UUID reviewId;

  @Column(columnDefinition = "longtext")
  private String diary;

  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected DiaryRow() {}

  public DiaryRow(UUID reviewId, String diary) {
    this.reviewId = reviewId;
    this.diary = diary;
    this.fresh = true;
  }

  @Override
  public UUID getId() {
    return reviewId;
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

  /** As a document. */
  public String diary() {
    return diary;
  }
}
