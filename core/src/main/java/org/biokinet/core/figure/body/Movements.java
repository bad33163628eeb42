package org.biokinet.core.figure.body;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Resources;
import org.biokinet.core.exercise.Stanza;

/** The movements of the shipped exercises, written for the right treated side. */
public final class Movements {

  private static final Movements SHIPPED = new Movements();

  private final Catalogue shipped = Catalogue.load();
  private final Map<String, Movement> right = new LinkedHashMap<>();
  private final Map<String, Movement> left = new LinkedHashMap<>();

  private Movements() {
    Stanza.readAll(Resources.text(Movements.class, "poses.txt"))
        .values()
        .forEach(
            s -> {
              Movement movement = Movement.read(s);
              right.put(s.id(), movement);
              left.put(s.id(), movement.mirrored());
            });
  }

  public static Movements shipped() {
    return SHIPPED;
  }

  /**
   * Empty for an exercise that was never drawn, and for one in which a practice has changed what
   * moves where: a wrong picture is worse than none. A copy is drawn as what it was copied from,
   * and what a practice has posed itself as it is posed.
   */
  public Optional<Movement> of(Exercise exercise, Side treated) {
    if (exercise.posed().isPresent()) {
      return posed(exercise.usualPosition(), exercise.posed().get())
          .map(own -> treated == Side.LEFT ? own.mirrored() : own);
    }
    return shipped
        .find(exercise.drawnAs().orElse(exercise.id()))
        .filter(drawn -> movesAlike(drawn, exercise))
        .flatMap(e -> Optional.ofNullable((treated == Side.LEFT ? left : right).get(e.id())))
        .flatMap(m -> inItsPosition(m, exercise));
  }

  private static Optional<Movement> posed(Position position, String text) {
    try {
      return Optional.of(Movement.posed(position, text));
    } catch (CatalogueException e) {
      return Optional.empty();
    }
  }

  /** Seen without legs, sitting and standing look the same. */
  private static Optional<Movement> inItsPosition(Movement m, Exercise exercise) {
    if (exercise.positions().contains(m.rest().base().position())) return Optional.of(m);
    if (!Views.upperBody(m)) return Optional.empty();
    return Stream.of(Base.CHAIR, Base.STAND)
        .filter(b -> exercise.positions().contains(b.position()))
        .findFirst()
        .map(m::on);
  }

  private static boolean movesAlike(Exercise a, Exercise b) {
    return a.sided() == b.sided()
        && a.relation().equals(b.relation())
        && a.motion().equals(b.motion())
        && a.turn().equals(b.turn())
        && a.doseContext().mode() == b.doseContext().mode();
  }
}
