package org.biokinet.core.session;

import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What was made easier while it was done.
 *
 * @param instead the exercise that was done in its place; empty for a smaller dose
 */
public record Eased(ItemSide part, Optional<String> instead) {

  /** What {@link #text} looks like. */
  public static final String FORM = ItemSide.FORM + "(=[a-z0-9-]{1,80})?";

  /** The form in which it is sent and kept: {@code 3L}, or {@code 3L=chin-nod}. */
  public String text() {
    return part.text() + instead.map(code -> "=" + code).orElse("");
  }

  /** All of these, in their form. */
  public static Set<Eased> all(Collection<String> texts) {
    return texts.stream().map(Eased::of).collect(Collectors.toUnmodifiableSet());
  }

  /**
   * The reverse of {@link #text}.
   *
   * @throws IllegalArgumentException for any other form
   */
  public static Eased of(String text) {
    if (!text.matches(FORM)) throw new IllegalArgumentException("not made easier: " + text);
    int at = text.indexOf('=');
    return at < 0
        ? new Eased(ItemSide.of(text), Optional.empty())
        : new Eased(ItemSide.of(text.substring(0, at)), Optional.of(text.substring(at + 1)));
  }
}
