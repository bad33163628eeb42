package org.biokinet.core.session;

import java.util.Arrays;
import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Side;

/**
 * One item of a program on one side.
 *
 * @param item its place, from 0
 * @param side empty where both sides work at once
 */
public record ItemSide(int item, Optional<Side> side) {

  /** What {@link #text} looks like. */
  public static final String FORM = "(\\d{1,3})([LR]?)";

  private static final Pattern PATTERN = Pattern.compile(FORM);

  public ItemSide {
    if (item < 0) throw new IllegalArgumentException("a place counts from 0: " + item);
  }

  /** The form in which it is sent and kept: {@code 3L}, or {@code 3} for both sides at once. */
  public String text() {
    return item + side.map(Side::letter).orElse("");
  }

  /** All of these, in their form. */
  public static Set<ItemSide> all(Collection<String> texts) {
    return texts.stream().map(ItemSide::of).collect(Collectors.toUnmodifiableSet());
  }

  /**
   * The reverse of {@link #text}.
   *
   * @throws IllegalArgumentException for any other form
   */
  public static ItemSide of(String text) {
    Matcher m = PATTERN.matcher(text);
    if (!m.matches()) throw new IllegalArgumentException("an item is such as 3L, not " + text);
    return new ItemSide(
        Integer.parseInt(m.group(1)),
        Arrays.stream(Side.values()).filter(s -> s.letter().equals(m.group(2))).findFirst());
  }
}
