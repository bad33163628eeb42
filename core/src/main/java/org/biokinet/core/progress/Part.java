package org.biokinet.core.progress;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;

/**
 * An item on one side, the same from version to version: of several with one exercise the first is
 * the first of each version.
 *
 * @param nth of the items with this exercise, from 1
 * @param side empty where the exercise has no sides
 */
public record Part(String exercise, int nth, Optional<Side> side) {

  private static final Pattern TEXT =
      Pattern.compile("([a-z0-9-]+)(?:#([2-9]|[1-9]\\d))?(?: ([LR]))?");

  public Part {
    if (nth < 1) throw new IllegalArgumentException("counted from 1: " + nth);
  }

  /** Of the item at a place of a program. */
  static Part of(Program program, int place, Optional<Side> side) {
    String exercise = program.items().get(place).exercise().id();
    int nth = 0;
    for (int i = 0; i <= place; i++) {
      if (program.items().get(i).exercise().id().equals(exercise)) nth++;
    }
    return new Part(exercise, nth, side);
  }

  /** Its place in a program; empty where that has it not. */
  public Optional<Integer> place(Program program) {
    int left = nth;
    for (int i = 0; i < program.items().size(); i++) {
      Item item = program.items().get(i);
      if (item.exercise().id().equals(exercise) && --left == 0) return Optional.of(i);
    }
    return Optional.empty();
  }

  /** What is prescribed for it in a program; empty where that has it not. */
  Optional<SideDose> dose(Program program) {
    return place(program).flatMap(p -> program.items().get(p).dose().on(dosed()));
  }

  /** The side whose dose it has; one stands for both where there are no sides. */
  Side dosed() {
    return side.orElse(Side.LEFT);
  }

  /** The form in which it is written down: {@code upper-trap-stretch L}, {@code chin-tuck#2}. */
  public String text() {
    return exercise + (nth == 1 ? "" : "#" + nth) + side.map(s -> " " + s.letter()).orElse("");
  }

  /**
   * The reverse of {@link #text}.
   *
   * @throws IllegalArgumentException for any other form
   */
  public static Part of(String text) {
    Matcher m = TEXT.matcher(text);
    if (!m.matches()) {
      throw new IllegalArgumentException("an item is such as \"chin-tuck L\", not " + text);
    }
    Optional<Side> side =
        Optional.ofNullable(m.group(3)).map(l -> l.equals("L") ? Side.LEFT : Side.RIGHT);
    return new Part(m.group(1), m.group(2) == null ? 1 : Integer.parseInt(m.group(2)), side);
  }
}
