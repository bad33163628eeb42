package org.biokinet.app.library.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.draw.Figure;

/**
 * The pictures of an exercise as its page shows them: one for each side, or one.
 *
 * @param view the one that is shown, of all from which it can be looked at
 */
public record Drawn(List<Picture> pictures, View view, List<View> views) {

  /**
   * @param side empty where nothing has a side
   * @param still for those who want nothing to move
   * @param lengthens in words: "upper trapezius +14 %"
   */
  public record Picture(Optional<Side> side, String still, String moving, List<String> lengthens) {}

  /** Empty for an exercise that was never drawn. */
  static Optional<Drawn> of(Exercise e, String name, Optional<View> wanted) {
    Optional<Figure> any = Figure.of(e, Side.RIGHT);
    if (any.isEmpty()) return Optional.empty();
    List<View> views = any.get().views();
    View view = wanted.filter(views::contains).orElse(views.get(0));
    List<Picture> pictures = new ArrayList<>();
    for (Side side : e.sided() ? Side.values() : new Side[] {Side.RIGHT}) {
      Figure figure = Figure.of(e, side).orElseThrow();
      Optional<Side> shown = e.sided() ? Optional.of(side) : Optional.empty();
      String title =
          name
              + shown
                  .map(s -> s == Side.LEFT ? ", treating the left" : ", treating the right")
                  .orElse("");
      pictures.add(
          new Picture(
              shown,
              figure.still(view, title),
              figure.moving(view, title),
              figure.lengthened().stream().map(Drawn::words).toList()));
    }
    return Optional.of(new Drawn(pictures, view, views));
  }

  static String words(Figure.Lengthened l) {
    return String.format(Locale.ENGLISH, "%s %+.0f %%", l.tissue().label(), l.percent())
        .replace('-', '−');
  }
}
