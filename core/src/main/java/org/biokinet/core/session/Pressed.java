package org.biokinet.core.session;

import java.util.Collection;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a client pressed in the player, other than what lets it run and rest.
 *
 * @param part what was being done then
 * @param second of the session, as its timeline counts them
 */
public record Pressed(What what, ItemSide part, int second) {

  /** What it was: back to do it again, on without it, or on because it was too strong. */
  public enum What {
    BACK,
    SKIP,
    TOO_STRONG
  }

  /** What {@link #text} looks like. */
  public static final String FORM = "(BACK|SKIP|TOO_STRONG) (" + ItemSide.FORM + ") (\\d{1,5})";

  private static final Pattern PATTERN = Pattern.compile(FORM);

  public Pressed {
    if (second < 0) throw new IllegalArgumentException("a second counts from 0: " + second);
  }

  /** The form in which it is sent and kept: {@code BACK 3L 134}. */
  public String text() {
    return what + " " + part.text() + " " + second;
  }

  /** All of these, in their order. */
  public static List<Pressed> all(Collection<String> texts) {
    return texts.stream().map(Pressed::of).toList();
  }

  /**
   * The reverse of {@link #text}.
   *
   * @throws IllegalArgumentException for any other form
   */
  public static Pressed of(String text) {
    Matcher m = PATTERN.matcher(text);
    if (!m.matches()) throw new IllegalArgumentException("such as BACK 3L 134, not " + text);
    return new Pressed(
        What.valueOf(m.group(1)), ItemSide.of(m.group(2)), Integer.parseInt(m.group(5)));
  }
}
