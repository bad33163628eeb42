package org.biokinet.core.session;

import java.util.Arrays;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;

/**
 * One item of a program on one side.
 *
 * @param item its place, from 0
 * @param side empty where both sides work at once
 */
public record ItemSide(int item, Optional<Side> side) {

  private static final Pattern FORM = Pattern.compile("(\\d{1,3})([LR]?)");

  public ItemSide {
    if (item < 0) throw new IllegalArgumentException("a place counts from 0: " + item);
  }

  /** The form in which it is sent and kept: {@code 3L}, or {@code 3} for both sides at once. */
  public String text() {
    return item + side.map(Side::letter).orElse("");
  }

  /**
   * The reverse of {@link #text}.
   *
   * @throws IllegalArgumentException for any other form
   */
  public static ItemSide of(String text) {
    Matcher m = FORM.matcher(text);
    if (!m.matches()) throw new IllegalArgumentException("an item is such as 3L, not " + text);
    return new ItemSide(
        Integer.parseInt(m.group(1)),
        Arrays.stream(Side.values()).filter(s -> s.letter().equals(m.group(2))).findFirst());
  }
}
