package org.biokinet.app.handout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.Item;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.timeline.Timeline;

/**
 * A version as it is printed. Its words are those of the player: the same entries, filled in for
 * the same sides.
 *
 * @param clock of one usual session
 * @param days numbers of the grid
 */
public record Sheet(ProgramVersion version, String clock, List<Printed> items, List<Integer> days) {

  /** Two weeks (our choice). */
  private static final int DAYS = 14;

  /**
   * One item.
   *
   * @param dose in plain words
   * @param common what holds whatever side is treated, sentence by sentence
   * @param sides one for each treated side, or one without a side
   */
  public record Printed(
      int number,
      String name,
      String position,
      String dose,
      List<String> common,
      List<OnSide> sides,
      List<Picture> pictures) {}

  /**
   * What is said of one side.
   *
   * @param side empty for an exercise without sides
   */
  public record OnSide(Optional<Side> side, String move, List<String> words) {}

  /** A still figure. */
  public record Picture(Optional<Side> side, String svg) {}

  /**
   * @param waiting places of the items that may not be done now: they are not printed
   */
  public static Sheet of(VersionService.Replay replay, Set<Integer> waiting, Locale language) {
    List<Printed> items = new ArrayList<>();
    List<Item> all = replay.program().items();
    for (int place = 0; place < all.size(); place++) {
      if (waiting.contains(place)) continue;
      items.add(printed(items.size() + 1, all.get(place), replay, language));
    }
    return new Sheet(
        replay.version(),
        Timeline.clock(Timeline.compile(replay.program().without(waiting)).seconds()),
        items,
        IntStream.rangeClosed(1, DAYS).boxed().toList());
  }

  /** The first review that is still to come, as the course has it since the version was shared. */
  public static LocalDate review(VersionService.Replay replay, LocalDate shared, LocalDate today) {
    int weeks = replay.draft().flatMap(Draft::course).orElse(Course.USUAL).everyWeeks();
    LocalDate review = shared;
    do {
      review = review.plusDays((long) weeks * Forecast.DAYS_A_WEEK);
    } while (review.isBefore(today));
    return review;
  }

  private static Printed printed(
      int number, Item item, VersionService.Replay replay, Locale language) {
    Exercise e = item.exercise();
    ExerciseWords entry = replay.catalogue().words(e, language);
    Optional<Direction> first = e.doseContext().directions().stream().findFirst();
    List<Optional<Side>> treated =
        e.sided()
            ? List.of(Side.values()).stream()
                .filter(s -> item.dose().on(s).isPresent())
                .map(Optional::of)
                .toList()
            : List.of(Optional.empty());
    List<ExerciseWords> words = treated.stream().map(s -> entry.on(e, s, first, language)).toList();
    List<List<String>> texts = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      SideDose dose = item.dose().on(treated.get(i).orElse(Side.LEFT)).orElseThrow();
      texts.add(sentences(words.get(i), dose, language));
    }
    List<String> common =
        texts.get(0).stream().filter(t -> texts.stream().allMatch(x -> x.contains(t))).toList();
    List<OnSide> sides = new ArrayList<>();
    List<Picture> pictures = new ArrayList<>();
    for (int i = 0; i < treated.size(); i++) {
      List<String> own = texts.get(i).stream().filter(t -> !common.contains(t)).toList();
      sides.add(new OnSide(treated.get(i), words.get(i).move(), own));
      Optional<Side> side = treated.get(i);
      String label = side.map(s -> entry.name() + ", " + s.label()).orElse(entry.name());
      Figure.of(e, side.orElse(Side.RIGHT))
          .map(f -> f.still(f.bestView(), label))
          .ifPresent(svg -> pictures.add(new Picture(side, described(svg, label))));
    }
    return new Printed(
        number,
        entry.name(),
        item.position().label(),
        new DoseWords(e.doseContext(), language).of(item.dose()),
        common,
        sides,
        pictures);
  }

  /** How it is done, where it is felt and where not, in the order in which the player says it. */
  private static List<String> sentences(ExerciseWords w, SideDose dose, Locale language) {
    String contract = dose.work() instanceof Work.ContractRelax ? w.contract() : "";
    return Stream.of(w.how(), contract, w.feel(), w.not())
        .flatMap(t -> ExerciseWords.sentences(t, language).stream())
        .toList();
  }

  /** A PDF that is read aloud takes the words for a picture from this attribute. */
  private static String described(String svg, String label) {
    String safe = label.replace("&", "&amp;").replace("\"", "&quot;").replace("<", "&lt;");
    return svg.replaceFirst("<svg ", "<svg alt=\"" + Matcher.quoteReplacement(safe) + "\" ");
  }
}
