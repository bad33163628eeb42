package org.biokinet.app;

import java.util.function.BooleanSupplier;
import org.biokinet.app.platform.Changes;
import org.springframework.stereotype.Component;

/** A change that does whatever it is given to do. */
@Component
class Change {

  @Changes
  public boolean make(BooleanSupplier work) {
    return work.getAsBoolean();
  }
}
