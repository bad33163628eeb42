package org.biokinet.app.review.web;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.app.library.Library;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Pressed;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Tighter;

/**
 * What a client said of single items, for the practitioner; what is no longer there is not named.
 */
final class ToldWords {

  private ToldWords() {}

  /** A line for each thing that was told. */
  static List<String> of(Session s, VersionService.Replay replay, Catalogue today) {
    List<String> lines = new ArrayList<>();
    eased(s.eased(), replay, today).ifPresent(lines::add);
    places("Too strong in", s.tooStrong(), replay).ifPresent(lines::add);
    places("Went on before the end of", s.parts(Pressed.What.SKIP), replay).ifPresent(lines::add);
    places("Went back in", s.parts(Pressed.What.BACK), replay).ifPresent(lines::add);
    s.checkIn()
        .ifPresent(
            said -> {
              places("Pain rose in", said.provoked(), replay).ifPresent(lines::add);
              skipped(said.skipped(), replay).ifPresent(lines::add);
              tighter(said.tighter(), replay).ifPresent(lines::add);
            });
    s.settled()
        .map(t -> t.settled() ? "Settled within the hour." : "Had not settled when told.")
        .ifPresent(lines::add);
    return lines;
  }

  /** What was done in place of something is named as it is called today. */
  private static Optional<String> eased(
      Collection<Eased> eased, VersionService.Replay replay, Catalogue today) {
    String named =
        eased.stream()
            .filter(e -> known(e.part().item(), replay))
            .sorted(Comparator.comparing(Eased::text))
            .map(e -> name(e.part(), replay) + instead(e, today))
            .collect(Collectors.joining("; "));
    return Optional.of("Made easier: " + named + ".").filter(w -> !named.isEmpty());
  }

  private static String instead(Eased e, Catalogue today) {
    return e.instead()
        .map(code -> today.find(code).map(x -> name(x, today)).orElse(code))
        .map(name -> " (" + name + " in its place)")
        .orElse("");
  }

  private static String name(Exercise e, Catalogue today) {
    return today.words(e, Library.LANGUAGE).name();
  }

  private static String name(ItemSide p, VersionService.Replay replay) {
    return name(p.item(), replay) + p.side().map(x -> " " + x.letter()).orElse("");
  }

  private static Optional<String> places(
      String what, Collection<ItemSide> places, VersionService.Replay replay) {
    String named =
        places.stream()
            .filter(p -> known(p.item(), replay))
            .sorted(Comparator.comparing(ItemSide::text))
            .map(p -> name(p, replay))
            .collect(Collectors.joining("; "));
    return Optional.of(what + " " + named + ".").filter(w -> !named.isEmpty());
  }

  private static Optional<String> skipped(
      Map<Integer, SkipReason> skipped, VersionService.Replay replay) {
    return byItem("Left out: ", skipped, replay, (name, why) -> name + " (" + words(why) + ")");
  }

  private static Optional<String> tighter(
      Map<Integer, Tighter> tighter, VersionService.Replay replay) {
    return byItem("Tighter: ", tighter, replay, (name, side) -> words(side) + " in " + name);
  }

  /** What was said of an item, in words. */
  private interface Saying<E> {
    String of(String name, E said);
  }

  private static <E> Optional<String> byItem(
      String what, Map<Integer, E> said, VersionService.Replay replay, Saying<E> saying) {
    String all =
        said.entrySet().stream()
            .filter(e -> known(e.getKey(), replay))
            .sorted(Map.Entry.comparingByKey())
            .map(e -> saying.of(name(e.getKey(), replay), e.getValue()))
            .collect(Collectors.joining("; "));
    return Optional.of(what + all + ".").filter(w -> !all.isEmpty());
  }

  static String words(SkipReason why) {
    return switch (why) {
      case HURT -> "it hurt";
      case NO_TIME -> "no time";
      case NOT_HERE -> "not possible there";
      case UNSURE -> "not sure how";
      case OTHER -> "another reason";
    };
  }

  private static String words(Tighter side) {
    return switch (side) {
      case LEFT -> "left";
      case RIGHT -> "right";
      case SAME -> "neither";
    };
  }

  private static boolean known(int item, VersionService.Replay replay) {
    return item >= 0 && item < replay.program().items().size();
  }

  private static String name(int item, VersionService.Replay replay) {
    return replay.name(item, Library.LANGUAGE);
  }
}
