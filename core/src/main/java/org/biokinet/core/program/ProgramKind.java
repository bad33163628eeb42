package org.biokinet.core.program;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Exercise;

/**
 * Which of a client's programs: the main one, the short one beside it that is done at the desk, or
 * what is done instead of both while a flare lasts. Each has versions of its own; what the
 * screening allows, it allows to all that is done on a day together.
 */
public enum ProgramKind implements Coded {
  MAIN("main", "main program", 10, 60),

  /** One to three minutes, on a chair or standing, nothing in the hand (our choice). */
  DESK("desk", "desk program", 2, 3),

  /**
   * Set ahead, begun by the client, done instead of the others: breathing, rest, and movements in
   * half range, gently. Common practice, no source; its minutes are our choice.
   */
  FLARE("flare", "flare plan", 5, 15);

  /** A wall is nothing that anybody holds. */
  private static final Set<Equipment> AT_THE_DESK = EnumSet.of(Equipment.CHAIR, Equipment.WALL);

  private final String code;
  private final String label;
  private final int usualMinutes;
  private final int mostMinutes;

  ProgramKind(String code, String label, int usualMinutes, int mostMinutes) {
    this.code = code;
    this.label = label;
    this.usualMinutes = usualMinutes;
    this.mostMinutes = mostMinutes;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** The label as a heading. */
  public String title() {
    return Character.toUpperCase(label.charAt(0)) + label.substring(1);
  }

  /** What is done on the same days; empty for what is done instead. */
  public Optional<ProgramKind> beside() {
    return switch (this) {
      case MAIN -> Optional.of(DESK);
      case DESK -> Optional.of(MAIN);
      case FLARE -> Optional.empty();
    };
  }

  /** Whether its items wait where both hold the same and the screening limits the day. */
  public boolean givesWay() {
    return this == DESK;
  }

  /** Whether it is there for what was measured, week by week; a flare plan is there to calm. */
  public boolean servesFindings() {
    return this != FLARE;
  }

  /** How long its sessions can be chosen to be; a break is short enough. */
  public List<SessionLength> lengths() {
    return this == MAIN ? List.of(SessionLength.values()) : List.of(SessionLength.USUAL);
  }

  /** Minutes of a session where nobody has said (our choice). */
  public int usualMinutes() {
    return usualMinutes;
  }

  /** The most that are planned (our choice). */
  public int mostMinutes() {
    return mostMinutes;
  }

  /** Whether anything of it may be done so. */
  public boolean knows(Position position) {
    return this != DESK || !position.onFloor();
  }

  /** What a client has and can do where this program is done; empty where that is nothing. */
  public Optional<Means> within(Means means) {
    if (this != DESK) return Optional.of(means);
    Set<Position> positions = EnumSet.copyOf(means.positions());
    positions.removeIf(p -> !knows(p));
    Set<Equipment> equipment = EnumSet.noneOf(Equipment.class);
    AT_THE_DESK.stream().filter(means::has).forEach(equipment::add);
    return positions.isEmpty() ? Optional.empty() : Optional.of(new Means(positions, equipment));
  }

  /** Why an exercise has no place in it, whoever the client is; empty where it has. */
  public Optional<String> against(Exercise e, Position position) {
    if (this == MAIN) return Optional.empty();
    if (this == FLARE) {
      return e.isRest() || e.isEasyMovement()
          ? Optional.empty()
          : Optional.of("not in a flare: only breathing, rest and movements in half range");
    }
    if (!knows(position)) return Optional.of("not at the desk: " + position.label());
    return e.equipment().stream()
        .filter(thing -> !AT_THE_DESK.contains(thing))
        .findFirst()
        .map(thing -> "not at the desk: needs " + thing.label());
  }

  /**
   * The position in which an exercise is put into it: the one that its practitioner is in anyway,
   * else the usual one before others. Empty where none has a place in it.
   *
   * @param before that of the item before it
   */
  public Optional<Position> position(Exercise e, Optional<Position> before) {
    return before
        .filter(e.positions()::contains)
        .filter(p -> against(e, p).isEmpty())
        .or(() -> e.positions().stream().filter(p -> against(e, p).isEmpty()).findFirst());
  }

  /** Whether a session of so many seconds is one of it. A main one is as long as it is. */
  public boolean fits(int seconds) {
    return this == MAIN || seconds <= 60 * mostMinutes;
  }
}
