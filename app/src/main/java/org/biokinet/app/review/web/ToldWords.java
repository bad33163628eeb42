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
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Tighter;

/**
 * What a client said of single items, for the practitioner; what is no longer there is not named.
 */
final class ToldWords {

  private ToldWords() {}

  /** A line for each thing that was told. */
  static List<String> of(Session s, VersionService.Replay replay) {
    List<String> lines = new ArrayList<>();
    places("Made easier:", s.eased(), replay).ifPresent(lines::add);
    s.checkIn()
        .ifPresent(
            said -> {
              places("Pain rose in", said.provoked(), replay).ifPresent(lines::add);
              places("Too strong in", said.tooStrong(), replay).ifPresent(lines::add);
              skipped(said.skipped(), replay).ifPresent(lines::add);
              tighter(said.tighter(), replay).ifPresent(lines::add);
            });
    s.settled()
        .map(t -> t.settled() ? "Settled within the hour." : "Had not settled when told.")
        .ifPresent(lines::add);
    return lines;
  }

  private static Optional<String> places(
      String what, Collection<ItemSide> places, VersionService.Replay replay) {
    String named =
        places.stream()
            .filter(p -> known(p.item(), replay))
            .sorted(Comparator.comparing(ItemSide::text))
            .map(p -> name(p.item(), replay) + p.side().map(x -> " " + x.letter()).orElse(""))
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

  private static String words(SkipReason why) {
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
