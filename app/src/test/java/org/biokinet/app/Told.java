package org.biokinet.app;

import java.util.ArrayDeque;
import java.util.Deque;
import org.biokinet.app.support.Changes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** A change that fails as it is told to. */
@Component
class Told {
  final Deque<RuntimeException> failures = new ArrayDeque<>();
  int tries;

  /** Whether it was made in a transaction. */
  @Changes
  public boolean change() {
    tries++;
    if (!failures.isEmpty()) throw failures.pop();
    return TransactionSynchronizationManager.isActualTransactionActive();
  }
}
