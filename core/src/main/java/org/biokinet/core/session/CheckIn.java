package org.biokinet.core.session;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.dose.TenPoint;

/**
 * What a client says after a session. What was not told is empty, never 0.
 *
 * @param highestPain during the session, 0–10 (NPRS)
 * @param stretchFelt the strongest stretch, 0–10
 * @param tighter which side felt tighter, by the place of the item; only what was told
 * @param provoked where pain rose by {@link Asking#ROSE_BY} or more, as far as it was told
 * @param tooStrong where the stretch was felt above its ceiling, as far as it was told
 * @param skipped why an item was left out, by its place; only what was told
 */
public record CheckIn(
    Optional<Integer> highestPain,
    Optional<Integer> stretchFelt,
    Map<Integer, Tighter> tighter,
    Set<ItemSide> provoked,
    Set<ItemSide> tooStrong,
    Map<Integer, SkipReason> skipped,
    String note) {

  public CheckIn {
    tighter = Map.copyOf(tighter);
    provoked = Set.copyOf(provoked);
    tooStrong = Set.copyOf(tooStrong);
    skipped = Map.copyOf(skipped);
    if (!told(highestPain) || !told(stretchFelt)) {
      throw new IllegalArgumentException("highestPain and stretchFelt are 0 to 10");
    }
  }

  /** On the scale, or not told. */
  public static boolean told(Optional<Integer> answer) {
    return answer.map(TenPoint::valid).orElse(true);
  }
}
