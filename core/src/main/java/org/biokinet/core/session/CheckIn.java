package org.biokinet.core.session;

import java.util.Optional;
import org.biokinet.core.dose.TenPoint;

/**
 * What a client says after a session. What was not told is empty, never 0.
 *
 * @param highestPain during the session, 0–10 (NPRS)
 * @param stretchFelt the strongest stretch, 0–10
 */
public record CheckIn(Optional<Integer> highestPain, Optional<Integer> stretchFelt, String note) {

  public CheckIn {
    if (!told(highestPain) || !told(stretchFelt)) {
      throw new IllegalArgumentException("highestPain and stretchFelt are 0 to 10");
    }
  }

  /** On the scale, or not told. */
  public static boolean told(Optional<Integer> answer) {
    return answer.map(TenPoint::valid).orElse(true);
  }
}
