package org.biokinet.app.library.web;

import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.Precaution;

/**
 * What the list is narrowed to, as it stands in the address; empty where a choice is open, and so
 * is a code that does not exist.
 *
 * @param equipment a code, or {@value #NOTHING}
 * @param show {@value #OWN} or {@value #RETIRED}; else all that are offered
 */
record Filter(
    String q,
    String group,
    String target,
    String position,
    String equipment,
    String without,
    String show) {

  static final String NOTHING = "none";
  static final String OWN = "own";
  static final String RETIRED = "retired";

  public boolean narrow() {
    return !(group + target + position + equipment + without + show).isEmpty();
  }

  boolean allows(Exercise e, Catalogue catalogue) {
    Optional<Group> inGroup = Coded.find(Group.class, group);
    Optional<Tissue> forTarget = Coded.find(Tissue.class, target);
    Optional<Position> inPosition = Coded.find(Position.class, position);
    Optional<Equipment> using = Coded.find(Equipment.class, equipment);
    Optional<Precaution> notLoading = Coded.find(Precaution.class, without);
    return inGroup.map(g -> e.group() == g).orElse(true)
        && forTarget.map(t -> e.targets().contains(t)).orElse(true)
        && inPosition.map(p -> e.positions().contains(p)).orElse(true)
        && using.map(x -> e.equipment().contains(x)).orElse(true)
        && !(equipment.equals(NOTHING) && !e.equipment().isEmpty())
        && notLoading.map(p -> !e.precautions().contains(p)).orElse(true)
        && (!show.equals(OWN) || catalogue.revision(e) > 0)
        && catalogue.isRetired(e) == show.equals(RETIRED);
  }
}
