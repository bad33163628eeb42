package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.program.Item;

/**
 * The order of a session: common practice, no source. Breathing and posture, then active mobility
 * with straight planes before circles, stretches with the gentle ones before overpressure,
 * contract–relax, strength and posture holds, release, the quiet finish, and a fold with the head
 * down last of all, because after it there is only slow rising.
 */
public final class SessionOrder {

  /** The stages of a session, in order. */
  public enum Stage {
    OPENING("breathing and posture"),
    STRAIGHT("mobility in straight planes"),
    CIRCLES("circles"),
    GENTLE("gentle stretches"),
    OVERPRESSURE("stretches with overpressure"),
    CONTRACT_RELAX("contract–relax"),
    STRENGTH("strength and posture holds"),
    RELEASE("release"),
    CLOSING("the quiet finish"),
    FOLD("a fold with the head down");

    private final String label;

    Stage(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * Something about the order that is usually done otherwise.
   *
   * @param item place of the item it is about
   */
  public record Remark(int item, String text, About about) {}

  /** Something follows a fold, a stage comes late, or a position is gone back to. */
  public enum About {
    FOLD,
    STAGE,
    POSITION
  }

  private SessionOrder() {}

  public static Stage stage(Exercise e, Optional<Dose> dose) {
    if (foldsForward(e)) return Stage.FOLD;
    if (e.closes()) return Stage.CLOSING;
    return switch (e.group()) {
      case BREATH, POSTURE, EYES -> Stage.OPENING;
      case RELEASE -> Stage.RELEASE;
      case NECK_STRENGTH, SHOULDER_STRENGTH, SCAPULAR_STRENGTH -> Stage.STRENGTH;
      default -> {
        Mode mode = e.doseContext().mode();
        if (mode == Mode.CIRCLE) yield Stage.CIRCLES;
        if (mode != Mode.HOLD) yield Stage.STRAIGHT;
        if (dose.filter(SessionOrder::contractsRelaxes).isPresent()) yield Stage.CONTRACT_RELAX;
        yield e.precautions().contains(Precaution.OVERPRESSURE) ? Stage.OVERPRESSURE : Stage.GENTLE;
      }
    };
  }

  /** With the head down, and then to be risen from; from all fours or lying nobody stands up. */
  private static boolean foldsForward(Exercise e) {
    Position from = e.usualPosition();
    return e.precautions().contains(Precaution.HEAD_DOWN)
        && from != Position.ALL_FOURS
        && !from.lying();
  }

  private static boolean contractsRelaxes(Dose dose) {
    if (dose instanceof Dose.Alike alike) {
      return alike.both().work() instanceof Work.ContractRelax;
    }
    if (dose instanceof Dose.OneSide one) return one.dose().work() instanceof Work.ContractRelax;
    Dose.LeftAndRight sided = (Dose.LeftAndRight) dose;
    return sided.left().work() instanceof Work.ContractRelax
        || sided.right().work() instanceof Work.ContractRelax;
  }

  private static Stage stage(Item item) {
    return stage(item.exercise(), Optional.of(item.dose()));
  }

  /**
   * The usual order: by stage, and within a stage position by position, beginning where the stage
   * before ended. Items that are alike in both keep their order.
   *
   * @return places of the items, first to last
   */
  public static List<Integer> usual(List<Item> items) {
    List<Integer> order = new ArrayList<>();
    for (Stage stage : Stage.values()) {
      List<Integer> here = new ArrayList<>();
      for (int i = 0; i < items.size(); i++) if (stage(items.get(i)) == stage) here.add(i);
      List<Position> positions = new ArrayList<>();
      if (!order.isEmpty()) positions.add(items.get(order.get(order.size() - 1)).position());
      for (int i : here) {
        if (!positions.contains(items.get(i).position())) positions.add(items.get(i).position());
      }
      here.sort(Comparator.comparingInt(i -> positions.indexOf(items.get(i).position())));
      order.addAll(here);
    }
    return order;
  }

  /** Why this order is not the usual one; empty when it is. */
  public static List<Remark> explain(List<Item> items) {
    List<Remark> remarks = new ArrayList<>();
    for (int i = 1; i < items.size(); i++) {
      Stage before = stage(items.get(i - 1));
      Stage here = stage(items.get(i));
      if (before == Stage.FOLD && here != Stage.FOLD) {
        remarks.add(
            new Remark(
                i,
                "item %d comes after a fold: after it only rise slowly".formatted(i + 1),
                About.FOLD));
      } else if (before.compareTo(here) > 0) {
        remarks.add(
            new Remark(
                i,
                "item %d (%s) usually comes before %s"
                    .formatted(i + 1, here.label(), before.label()),
                About.STAGE));
      } else if (before == here && returns(items, i, here)) {
        remarks.add(
            new Remark(
                i,
                "item %d goes back to an earlier position: %s"
                    .formatted(i + 1, items.get(i).position().label()),
                About.POSITION));
      }
    }
    return remarks;
  }

  /** Whether this stage was in the position before, left it, and now comes back. */
  private static boolean returns(List<Item> items, int i, Stage stage) {
    Position position = items.get(i).position();
    if (items.get(i - 1).position() == position) return false;
    for (int j = i - 2; j >= 0 && stage(items.get(j)) == stage; j--) {
      if (items.get(j).position() == position) return true;
    }
    return false;
  }
}
