package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;

/** What is lost to somebody else is tried again, in a transaction of its own; nothing else is. */
class RetryTest extends AppTest {

  @Autowired Told told;

  private int tries(RuntimeException... failures) {
    told.toFail(List.of(failures));
    assertThat(told.change()).isTrue();
    return told.tries();
  }

  @Test
  void aDeadlockIsTriedAgain() {
    RuntimeException deadlock = new CannotAcquireLockException("deadlock");
    assertThat(tries(deadlock, deadlock)).isEqualTo(3);
    assertThat(tries(new DuplicateKeyException("somebody was faster"))).isEqualTo(2);
    assertThatThrownBy(() -> tries(deadlock, deadlock, deadlock, deadlock))
        .isInstanceOf(CannotAcquireLockException.class);
  }

  @Test
  void anythingElseIsNot() {
    assertThatThrownBy(() -> tries(new IllegalStateException("a fault")))
        .isInstanceOf(IllegalStateException.class);
    assertThat(told.tries()).isEqualTo(1);
  }
}
