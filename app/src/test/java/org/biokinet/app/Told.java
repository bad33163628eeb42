package org.biokinet.app;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.biokinet.app.platform.Changes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** A change that fails as it is told to. */
@Component
class Told {
  private final Deque<RuntimeException> failures = new ArrayDeque<>();
  private int tries;

  public void toFail(List<RuntimeException> with) {
    tries = 0;
    failures.clear();
    failures.addAll(with);
  }

  public int tries() {
    return tries;
  }

  /** Whether it was made in a transaction. */
  @Changes
  public boolean change() {
    tries++;
    if (!failures.isEmpty()) throw failures.pop();
    return TransactionSynchronizationManager.isActualTransactionActive();
  }
}
