package org.biokinet.app.account;

import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.support.Changes;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who tried to sign in, when and from where; what was typed is never kept. */
@Service
class SignInHistory {

  interface Rows extends JpaRepository<SignInRow, UUID> {
    List<SignInRow> findByPractitionerIdOrderByAtDesc(UUID practitionerId, Limit limit);
  }

  private final Rows rows;
  private final Clock clock;

  SignInHistory(Rows rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  @Changes
  public void tried(UUID practitionerId, SignInRow.Outcome outcome) {
    rows.save(
        new SignInRow(practitionerId, clock.instant(), outcome, Sender.address(), Sender.device()));
  }

  @Transactional(readOnly = true)
  public List<SignInRow> newest(UUID practitionerId, int most) {
    return rows.findByPractitionerIdOrderByAtDesc(practitionerId, Limit.of(most));
  }
}
