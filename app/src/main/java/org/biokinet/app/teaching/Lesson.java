package org.biokinet.app.teaching;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Item;

/** A version step by step, in the words of the player: an item on a side, at the client's pace. */
public record Lesson(VersionService.Replay replay, List<Step> steps) {

  /**
   * One step.
   *
   * @param item its place in the program
   * @param side empty for an exercise without sides
   * @param dose of the item in plain words, both sides
   * @param hold seconds of one hold, or 0 where nothing is held by the clock
   * @param words how it is done, where it is felt and where not
   * @param faults of the exercise's own list, on this side
   * @param entry the same as the entry says them
   * @param svg a moving figure, or empty
   */
  public record Step(
      int item,
      String exercise,
      String name,
      Optional<Side> side,
      String move,
      String dose,
      int hold,
      List<String> words,
      List<String> faults,
      List<String> entry,
      String svg) {}

  /**
   * @param waiting places of the items that may not be done now
   */
  static Lesson of(VersionService.Replay replay, Set<Integer> waiting, Locale language) {
    List<Step> steps = new ArrayList<>();
    List<Item> items = replay.program().items();
    for (int place = 0; place < items.size(); place++) {
      if (waiting.contains(place)) continue;
      Item item = items.get(place);
      List<Optional<Side>> sides =
          item.exercise().sided()
              ? Stream.of(Side.values())
                  .filter(s -> item.dose().on(s).isPresent())
                  .map(Optional::of)
                  .toList()
              : List.of(Optional.empty());
      for (Optional<Side> side : sides) steps.add(step(place, item, side, replay, language));
    }
    return new Lesson(replay, steps);
  }

  private static Step step(
      int place, Item item, Optional<Side> side, VersionService.Replay replay, Locale language) {
    Exercise e = item.exercise();
    Optional<Direction> first = e.doseContext().directions().stream().findFirst();
    ExerciseWords entry = replay.catalogue().words(e, language);
    ExerciseWords words = entry.on(e, side, first, language);
    SideDose dose = item.dose().on(side.orElse(Side.LEFT)).orElseThrow();
    String contract = dose.work() instanceof Work.ContractRelax ? words.contract() : "";
    return new Step(
        place,
        e.id(),
        entry.name(),
        side,
        words.move(),
        new DoseWords(e.doseContext(), language).of(item.dose()),
        dose.work() instanceof Work.Holds h
            ? h.hold().toSeconds(replay.program().breathSeconds())
            : 0,
        Stream.of(words.how(), contract, words.feel(), words.not())
            .flatMap(t -> ExerciseWords.sentences(t, language).stream())
            .toList(),
        words.faults().stream().map(f -> f.printed(language)).toList(),
        entry.faults().stream().map(ExerciseWords.Fault::what).toList(),
        Figure.of(e, side.orElse(Side.RIGHT))
            .map(f -> f.moving(f.bestView(), entry.name()))
            .orElse(""));
  }

  /** "Upper trapezius stretch, left". */
  String title(int step) {
    Step s = steps.get(step);
    return s.side().map(x -> s.name() + ", " + x.label()).orElse(s.name());
  }
}
