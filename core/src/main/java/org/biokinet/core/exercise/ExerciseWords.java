package org.biokinet.core.exercise;

import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;

/**
 * The words of one exercise in one language. Templates know no left or right: {@code {way}} is
 * where the main movement goes, {@code {turn}} where the head turns, {@code {side}} the treated
 * side, {@code {other}} the untreated one, {@code {direction}} the direction of a circle. All are
 * filled in as absolute sides, so that one text is right on either side.
 *
 * @param move the movement, first and shortest: "Tilt {way}"
 * @param how how to do it; empty where it is not written yet
 * @param feel where it is felt; empty where it is not written yet
 */
public record ExerciseWords(String name, String move, String how, String feel) {

  private static final Pattern PLACEHOLDER = Pattern.compile("\\{([a-z]+)}");

  /** A template with every placeholder filled for the treated side. */
  public static String fill(
      String template,
      Exercise exercise,
      Optional<Side> treated,
      Optional<Direction> direction,
      Locale locale) {
    if (template.isEmpty()) return template;
    if (template.indexOf('{') < 0) return template;
    ResourceBundle words = ResourceBundle.getBundle("org.biokinet.core.exercise.sides", locale);
    Matcher m = PLACEHOLDER.matcher(template);
    String filled =
        m.replaceAll(
            hit -> {
              Optional<String> word =
                  switch (hit.group(1)) {
                    case "way" -> treated.flatMap(exercise::movesToward).map(s -> word(words, s));
                    case "turn" ->
                        treated.flatMap(exercise::headTurnsToward).map(s -> word(words, s));
                    case "side" -> treated.map(s -> word(words, s));
                    case "other" -> treated.map(s -> word(words, s.opposite()));
                    case "direction" -> direction.map(d -> words.getString(d.code()));
                    default -> Optional.empty();
                  };
              return word.orElseThrow(
                  () ->
                      new CatalogueException(
                          "%s: {%s} has no meaning in '%s'"
                              .formatted(exercise.id(), hit.group(1), template)));
            });
    // A template may begin with a side.
    return filled.substring(0, 1).toUpperCase(locale) + filled.substring(1);
  }

  private static String word(ResourceBundle words, Side side) {
    return words.getString(side == Side.LEFT ? "left" : "right");
  }
}
