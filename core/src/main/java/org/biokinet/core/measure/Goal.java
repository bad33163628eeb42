package org.biokinet.core.measure;

import java.util.List;
import java.util.Optional;

/**
 * What a client wants to do again.
 *
 * @param activity in the client's words
 * @param rated how well it went when the goal was set, 0 unable – 10 as before
 * @param wanted how well it should go
 */
public record Goal(String activity, int rated, int wanted) {

  /** How well it goes by the newest word. */
  public int now(List<Visit> newestFirst) {
    return newestFirst.stream()
        .map(v -> v.activity(activity))
        .flatMap(Optional::stream)
        .findFirst()
        .orElse(rated);
  }

  /** Whether it goes as well as was wanted. */
  public boolean met(List<Visit> newestFirst) {
    return now(newestFirst) >= wanted;
  }
}
