package org.biokinet.core.exercise;

import java.text.BreakIterator;
import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;

/**
 * The words of one exercise in one language. They know no left or right: {@code {way}} is where the
 * main movement goes, {@code {turn}} where the head turns, {@code {side}} the treated side, {@code
 * {other}} the untreated one, {@code {direction}} the direction of a circle and {@code {start}} the
 * side it goes to first from the front, seen from above. {@link #on} fills all of them in as
 * absolute sides, so that one text is right on either side, printed as well as spoken.
 *
 * <p>Everything but name and movement is empty in entries that were kept before it was written.
 *
 * @param also other names, for finding it
 * @param move the movement, first and shortest: "Tilt {way}"
 * @param how how to do it, one sentence a cue
 * @param contract what is pressed and where to, in contract–relax; empty for other exercises
 * @param feel where it is felt
 * @param not where it is not felt, and what it does not bring
 * @param faults the commonest ones
 * @param out the way out of it
 * @param why for the practitioner: why and for whom
 */
public record ExerciseWords(
    String name,
    List<String> also,
    String move,
    String setup,
    String how,
    String contract,
    String feel,
    String not,
    List<Fault> faults,
    String out,
    String why) {

  /** What goes wrong and its mend, both without capital and full stop. */
  public record Fault(String what, String mend) {

    public String printed(Locale locale) {
      return capital(what, locale) + ": " + mend + ".";
    }

    public String spoken(Locale locale) {
      return new MessageFormat(bundle(locale).getString("fault"), locale)
          .format(new Object[] {what, mend});
    }
  }

  private static final Pattern PLACEHOLDER = Pattern.compile("\\{([a-z]+)}");

  public ExerciseWords {
    also = List.copyOf(also);
    faults = List.copyOf(faults);
  }

  /**
   * The same words for one treated side, and for one direction where it circles.
   *
   * @throws CatalogueException when a placeholder has no meaning for this exercise
   */
  public ExerciseWords on(
      Exercise exercise, Optional<Side> treated, Optional<Direction> direction, Locale locale) {
    UnaryOperator<String> fill = t -> fill(t, exercise, treated, direction, locale);
    return new ExerciseWords(
        capital(fill.apply(name), locale),
        also,
        capital(fill.apply(move), locale),
        capital(fill.apply(setup), locale),
        capital(fill.apply(how), locale),
        capital(fill.apply(contract), locale),
        capital(fill.apply(feel), locale),
        capital(fill.apply(not), locale),
        faults.stream().map(f -> new Fault(fill.apply(f.what), fill.apply(f.mend))).toList(),
        capital(fill.apply(out), locale),
        why);
  }

  /** The placeholders that mean something in the words of this exercise, with their braces. */
  public static List<String> placeholders(Exercise exercise) {
    List<String> known = new ArrayList<>();
    if (exercise.sided()) known.addAll(List.of("{side}", "{other}"));
    if (exercise.relation().isPresent()) known.add("{way}");
    if (exercise.turn().isPresent()) known.add("{turn}");
    if (!exercise.doseContext().directions().isEmpty()) known.add("{direction}");
    if (exercise.doseContext().directions().contains(Direction.CLOCKWISE)) known.add("{start}");
    return known;
  }

  /**
   * Those of the faults that were seen in a client.
   *
   * @param entry the same as the entry says them, without a side: so they are remembered
   * @param what goes wrong, in the words of the entry; what the entry no longer has is left out
   */
  public List<Fault> seen(ExerciseWords entry, Set<String> what) {
    return IntStream.range(0, faults.size())
        .filter(n -> what.contains(entry.faults().get(n).what()))
        .mapToObj(faults::get)
        .toList();
  }

  /** Every sentence that is said to a client, in the order of the work. */
  public List<String> cues(Locale locale) {
    return Stream.concat(
            Stream.of(move, setup, how, feel, not),
            Stream.concat(faults.stream().map(f -> f.spoken(locale)), Stream.of(out)))
        .flatMap(t -> sentences(t, locale).stream())
        .toList();
  }

  /** One sentence is one cue. */
  public static List<String> sentences(String text, Locale locale) {
    BreakIterator breaks = BreakIterator.getSentenceInstance(locale);
    breaks.setText(text);
    List<String> sentences = new ArrayList<>();
    int from = breaks.first();
    for (int to = breaks.next(); to != BreakIterator.DONE; from = to, to = breaks.next()) {
      String sentence = text.substring(from, to).strip();
      if (!sentence.isEmpty()) sentences.add(sentence);
    }
    return sentences;
  }

  private static String fill(
      String template,
      Exercise exercise,
      Optional<Side> treated,
      Optional<Direction> direction,
      Locale locale) {
    if (template.indexOf('{') < 0) return template;
    ResourceBundle words = bundle(locale);
    Matcher m = PLACEHOLDER.matcher(template);
    return m.replaceAll(
        hit -> {
          Optional<String> word =
              switch (hit.group(1)) {
                case "way" -> treated.flatMap(exercise::movesToward).map(s -> word(words, s));
                case "turn" -> treated.flatMap(exercise::headTurnsToward).map(s -> word(words, s));
                case "side" -> treated.map(s -> word(words, s));
                case "other" -> treated.map(s -> word(words, s.opposite()));
                case "direction" -> direction.map(d -> words.getString(d.code()));
                case "start" ->
                    direction
                        .map(d -> "start." + d.code())
                        .filter(words::containsKey)
                        .map(words::getString);
                default -> Optional.empty();
              };
          boolean opens = template.substring(0, hit.start()).strip().endsWith(".");
          return word.map(w -> opens ? capital(w, locale) : w)
              .orElseThrow(
                  () ->
                      new CatalogueException(
                          "%s: {%s} has no meaning in '%s'"
                              .formatted(exercise.id(), hit.group(1), template)));
        });
  }

  /** A direction, as it is said: "backward". */
  public static String way(Direction direction, Locale locale) {
    return bundle(locale).getString(direction.code());
  }

  private static ResourceBundle bundle(Locale locale) {
    return ResourceBundle.getBundle("org.biokinet.core.exercise.sides", locale);
  }

  /** A template may begin with a side. */
  private static String capital(String text, Locale locale) {
    return text.isEmpty() ? text : text.substring(0, 1).toUpperCase(locale) + text.substring(1);
  }

  private static String word(ResourceBundle words, Side side) {
    return words.getString(side == Side.LEFT ? "left" : "right");
  }
}
