package org.biokinet.core.session;

import java.time.LocalDate;
import java.util.Optional;
import org.biokinet.core.dose.TenPoint;

/**
 * What was told about a morning. Who puts the question off has told nothing, and is not asked again
 * on that day.
 *
 * @param day in the client's zone
 * @param pain 0–10; empty where it was not told
 * @param woken whether pain woke in the night before; empty where it was not told
 */
public record Morning(LocalDate day, Optional<Integer> pain, Optional<Boolean> woken) {

  public Morning {
    if (!pain.map(TenPoint::valid).orElse(true)) {
      throw new IllegalArgumentException("pain is 0 to 10");
    }
  }
}
