package org.biokinet.core.planning;

import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;

/** Which exercises belong together in a program, and which do not. */
final class Together {

  private final Map<String, String> families = new HashMap<>();

  /** Reads the families off the links of a catalogue. */
  Together(Catalogue catalogue) {
    for (Exercise e : catalogue.all()) {
      Stream.of(e.easier(), e.harder())
          .flatMap(Optional::stream)
          .flatMap(id -> catalogue.find(id).stream())
          .filter(other -> does(other) == does(e))
          .forEach(other -> join(e.id(), other.id()));
    }
  }

  private void join(String a, String b) {
    String from = family(a);
    String to = family(b);
    if (!from.equals(to)) families.put(from, to);
  }

  private String family(String id) {
    String at = id;
    while (families.containsKey(at)) at = families.get(at);
    return at;
  }

  /**
   * Whether two are of one family, of which a program has one: easier and harder forms of each
   * other that do the same to something that both are for, or the same but for the grip or the
   * angle. A movement and the stretch that it leads to are not; the one goes before the other.
   */
  boolean family(Exercise a, Exercise b) {
    if (a.id().equals(b.id())) return true;
    if (does(a) != does(b)) return false;
    boolean linked = family(a.id()).equals(family(b.id()));
    return (linked && !Collections.disjoint(a.targets(), b.targets()))
        || linkedAtOnce(a, b)
        || linkedAtOnce(b, a)
        || butForTheGrip(a, b);
  }

  /**
   * Whether it is the harder form of something that does the same to something that both are for.
   * Such a one is proposed only where it is worth more.
   */
  static boolean harderForm(Catalogue catalogue, Exercise e) {
    return e.easier()
        .flatMap(catalogue::find)
        .filter(x -> does(x) == does(e) && !Collections.disjoint(x.targets(), e.targets()))
        .isPresent();
  }

  private static boolean linkedAtOnce(Exercise a, Exercise b) {
    return a.easier().filter(b.id()::equals).isPresent()
        || a.harder().filter(b.id()::equals).isPresent();
  }

  private static Intent does(Exercise e) {
    return e.intentFor(e.targets().get(0));
  }

  private static boolean butForTheGrip(Exercise a, Exercise b) {
    return a.group() == b.group()
        && a.doseContext().mode() == b.doseContext().mode()
        && a.doseContext().sides() == b.doseContext().sides()
        && a.relation().equals(b.relation())
        && a.motion().equals(b.motion())
        && a.targets().get(0) == b.targets().get(0);
  }

  /** A stretch of the neck wants a movement before it. */
  static boolean stretchesTheNeck(Exercise e) {
    return e.group() == Group.NECK_STRETCH && e.doseContext().mode() == Mode.HOLD;
  }

  /** An active movement of the neck in one straight plane. */
  static boolean movesTheNeckStraight(Exercise e) {
    return e.group() == Group.NECK_MOBILITY
        && e.doseContext().mode() == Mode.MOVE
        && e.turn().isEmpty()
        && e.targets().stream().mapToInt(Together::plane).filter(p -> p > 0).distinct().count()
            == 1;
  }

  /** The plane of a motion of the neck; 0 for anything else. */
  private static int plane(Tissue t) {
    return switch (t) {
      case C_FLEXION, C_EXTENSION, C_RETRACTION -> 1;
      case C_LATERAL -> 2;
      case C_ROTATION -> 3;
      default -> 0;
    };
  }

  /** Moves the neck in more than one plane at once. */
  static boolean circlesTheNeck(Exercise e) {
    return e.group() == Group.NECK_MOBILITY && !movesTheNeckStraight(e);
  }

  static boolean strengthens(Exercise e) {
    return does(e) == Intent.STRENGTHEN;
  }
}
