package org.biokinet.app.people;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.people.internal.SignInRow;
import org.biokinet.app.platform.Changes;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who tried to sign in, when and from where; what was typed is never kept. */
@Service
public class SignInHistory {

  /** What came of it. */
  public enum Outcome {
    IN("signed in"),
    WRONG("wrong password"),
    /** Not even looked at, after too many tries. */
    LOCKED("refused, too many tries");

    private final String label;

    Outcome(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /** A try to sign in. */
  public record Tried(Instant at, Outcome outcome, String address, String device) {}

  interface SignInRows extends JpaRepository<SignInRow, UUID> {
    List<SignInRow> findByPractitionerIdOrderByAtDesc(UUID practitionerId, Limit limit);
  }

  private final SignInRows rows;
  private final Clock clock;

  SignInHistory(SignInRows rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  @Changes
  public void tried(UUID practitionerId, Outcome outcome) {
    rows.save(
        new SignInRow(practitionerId, clock.instant(), outcome, Sender.address(), Sender.device()));
  }

  @Transactional(readOnly = true)
  public List<Tried> newest(UUID practitionerId, int most) {
    return rows.findByPractitionerIdOrderByAtDesc(practitionerId, Limit.of(most)).stream()
        .map(SignInRow::tried)
        .toList();
  }
}
