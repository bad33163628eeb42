package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What is lost to somebody else is tried again, in a transaction of its own; nothing else is. */
class RetryTest extends AppTest {

  @Autowired Change change;

  /** Work that fails as often as it is told to; then it says whether it is in a transaction. */
  private static BooleanSupplier failing(RuntimeException... with) {
    BooleanSupplier work = mock();
    when(work.getAsBoolean())
        .thenThrow(with)
        .thenAnswer(call -> TransactionSynchronizationManager.isActualTransactionActive());
    return work;
  }

  @Test
  void aDeadlockIsTriedAgain() {
    RuntimeException deadlock = new CannotAcquireLockException("deadlock");
    BooleanSupplier twice = failing(deadlock, deadlock);
    assertThat(change.make(twice)).isTrue();
    verify(twice, times(3)).getAsBoolean();
    BooleanSupplier overtaken = failing(new DuplicateKeyException("somebody was faster"));
    assertThat(change.make(overtaken)).isTrue();
    verify(overtaken, times(2)).getAsBoolean();
    assertThatThrownBy(() -> change.make(failing(deadlock, deadlock, deadlock, deadlock)))
        .isInstanceOf(CannotAcquireLockException.class);
  }

  @Test
  void anythingElseIsNot() {
    BooleanSupplier faulty = failing(new IllegalStateException("a fault"));
    assertThatThrownBy(() -> change.make(faulty)).isInstanceOf(IllegalStateException.class);
    verify(faulty).getAsBoolean();
  }
}
