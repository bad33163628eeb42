package org.biokinet.core.figure.draw;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.figure.body.Base;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Movements;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.TissuePaths;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.body.Views;

/** An exercise as it is drawn for one treated side. */
public final class Figure {

  /** A round of a stretch or of a movement, in seconds of its own; our choice. */
  public static final int ROUND = 6;

  /**
   * By how much the end lengthens a tissue of a side.
   *
   * @param percent of its length standing at rest; a geometric estimate, not a clinical one
   */
  public record Lengthened(Tissue tissue, Side side, double percent) {}

  private final Exercise exercise;
  private final Movement movement;
  private final Side treated;
  private final boolean upperBody;

  private Figure(Exercise exercise, Movement movement, Side treated) {
    this.exercise = exercise;
    this.movement = movement;
    this.treated = treated;
    this.upperBody = Views.upperBody(movement);
  }

  /** Empty where there is no picture, or none that is sure to be right. */
  public static Optional<Figure> of(Exercise exercise, Side treated) {
    return Movements.shipped()
        .of(exercise, treated)
        .map(movement -> new Figure(exercise, movement, treated));
  }

  /** Where in the round its end is, in seconds: there a stretch is held. */
  public double held() {
    return reached().get(movement.poses().size() - 1);
  }

  /** Where in the round each of its poses is reached, in seconds, in the order of the movement. */
  public List<Double> reached() {
    int poses = movement.poses().size();
    return IntStream.range(0, poses).mapToObj(i -> (double) ROUND * i / poses).toList();
  }

  public View bestView() {
    return Views.best(movement, treated);
  }

  /** Those from which it can be looked at, the best one first. */
  public List<View> views() {
    Stream<View> all =
        movement.rest().base() == Base.SUPINE
            ? Stream.of(View.ABOVE, View.SIDE)
            : Stream.of(View.FRONT, View.SIDE, View.BACK, View.THREE_QUARTER);
    return Stream.concat(Stream.of(bestView()), all).distinct().toList();
  }

  public String still(View view, String title) {
    return still(movement.poses().size() - 1, view, title);
  }

  /** One of its poses. */
  public String still(int at, View view, String title) {
    return Drawing.still(
        movement.poses().get(at),
        movement,
        treated,
        exercise.sided(),
        view,
        marked(),
        upperBody,
        words(view, title));
  }

  public String moving(View view, String title) {
    return Drawing.moving(
        movement, treated, exercise.sided(), view, marked(), upperBody, words(view, title), ROUND);
  }

  private Drawing.Words words(View view, String title) {
    String side = exercise.sided() ? treated.label() + " " : "";
    String mark = marked().map(t -> " Marked: " + side + t.label() + ".").orElse("");
    return new Drawing.Words(title, "Seen from: " + view.label() + "." + mark);
  }

  /** What a stretch is for; a movement lengthens and shortens in turn. */
  private Optional<Tissue> marked() {
    Tissue first = exercise.targets().get(0);
    return Optional.of(first).filter(TissuePaths.shipped()::has);
  }

  /** The muscles among the targets, as they are at the end. */
  public List<Lengthened> lengthened() {
    Skeleton end = Skeleton.of(movement.end());
    TissuePaths paths = TissuePaths.shipped();
    return exercise.targets().stream()
        .filter(paths::has)
        .map(t -> new Lengthened(t, treated, 100 * paths.lengthening(end, t, treated)))
        .toList();
  }

  /** What becomes of each muscle of either side in a pose, the most lengthened first. */
  public List<Lengthened> lengthened(int at) {
    Skeleton body = Skeleton.of(movement.poses().get(at));
    TissuePaths paths = TissuePaths.shipped();
    return Arrays.stream(Tissue.values())
        .filter(paths::has)
        .flatMap(
            t ->
                Arrays.stream(Side.values())
                    .map(s -> new Lengthened(t, s, 100 * paths.lengthening(body, t, s))))
        .sorted(Comparator.comparingDouble(Lengthened::percent).reversed())
        .toList();
  }
}
