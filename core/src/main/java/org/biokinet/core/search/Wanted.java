package org.biokinet.core.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;

/**
 * What somebody is looking for, as read from a line such as "pec stretch without a wall, can't
 * kneel": words that fit, and what must not be needed.
 *
 * @param words what is left of the line
 * @param in one of these positions is asked for; empty when none is
 * @param positions that the client cannot take
 * @param equipment that is not there
 * @param precautions that must not be set off
 */
public record Wanted(
    String words,
    Set<Position> in,
    Set<Position> positions,
    Set<Equipment> equipment,
    Set<Precaution> precautions) {

  private static final Set<String> NOT =
      Set.of(
          "without",
          "no",
          "not",
          "can't",
          "cannot",
          "cant",
          "avoid",
          "avoiding",
          "except",
          "never",
          "unable",
          "minus");
  private static final Set<String> FILLERS =
      Set.of(
          "a", "an", "the", "any", "on", "onto", "to", "do", "get", "use", "using", "with", "be",
          "go", "have", "having", "put", "need", "needing", "his", "her", "their");
  private static final Set<String> MORE = Set.of("or", "and", "nor");
  private static final int LONGEST_TERM = 5;

  public Wanted {
    in = Set.copyOf(in);
    positions = Set.copyOf(positions);
    equipment = Set.copyOf(equipment);
    precautions = Set.copyOf(precautions);
  }

  /** Whether the exercise is as asked for and needs nothing of what is ruled out. */
  public boolean allows(Exercise e) {
    return (in.isEmpty() || e.positions().stream().anyMatch(in::contains))
        && !positions.containsAll(e.positions())
        && e.equipment().stream().noneMatch(equipment::contains)
        && e.precautions().stream().noneMatch(precautions::contains);
  }

  /** What was ruled out, in words, so that a reader can check how the line was understood. */
  public List<String> ruledOut() {
    return Stream.of(
            positions.stream().map(Position::label),
            equipment.stream().map(Equipment::label),
            precautions.stream().map(Precaution::label))
        .flatMap(s -> s)
        .sorted()
        .toList();
  }

  /** What can be ruled out or asked for, and how it is called. */
  static final class Vocabulary {

    private final Map<String, Set<Object>> things = new HashMap<>();
    private final Map<String, Set<Position>> postures;

    Vocabulary(Terms terms) {
      postures = terms.postures();
      for (Position p : Position.values()) learn(terms.of(p), p);
      for (Equipment e : Equipment.values()) learn(terms.of(e), e);
      for (Precaution p : Precaution.values()) learn(terms.of(p), p);
    }

    private void learn(List<String> names, Object thing) {
      for (String name : names) {
        things.computeIfAbsent(name.replace('-', ' '), n -> new HashSet<>()).add(thing);
      }
    }

    Wanted read(String line) {
      return new Reading(this).read(line);
    }
  }

  private static final class Reading {

    private final Vocabulary vocabulary;
    private final Set<Position> in = EnumSet.noneOf(Position.class);
    private final Set<Position> positions = EnumSet.noneOf(Position.class);
    private final Set<Equipment> equipment = EnumSet.noneOf(Equipment.class);
    private final Set<Precaution> precautions = EnumSet.noneOf(Precaution.class);
    private final List<String> kept = new ArrayList<>();

    Reading(Vocabulary vocabulary) {
      this.vocabulary = vocabulary;
    }

    Wanted read(String line) {
      List<String> tokens =
          Arrays.stream(
                  line.toLowerCase(Locale.ROOT).replace('’', '\'').split("[^\\p{L}\\p{N}']+", -1))
              .filter(t -> !t.isEmpty())
              .toList();
      int i = 0;
      while (i < tokens.size()) {
        int after = NOT.contains(tokens.get(i)) ? ruledOut(tokens, i + 1) : i;
        if (after > i) {
          i = after;
        } else {
          Set<Position> asked = vocabulary.postures.getOrDefault(tokens.get(i), Set.of());
          in.addAll(asked);
          if (asked.isEmpty() && !NOT.contains(tokens.get(i))) kept.add(tokens.get(i));
          i++;
        }
      }
      return new Wanted(String.join(" ", kept), in, positions, equipment, precautions);
    }

    /** The place after everything that is ruled out from here on; 0 where nothing is. */
    private int ruledOut(List<String> tokens, int from) {
      int at = from;
      while (at < tokens.size() && FILLERS.contains(tokens.get(at))) at++;
      for (int length = LONGEST_TERM; length > 0; length--) {
        if (at + length > tokens.size()) continue;
        Set<Object> found =
            vocabulary.things.get(String.join(" ", tokens.subList(at, at + length)));
        if (found == null) continue;
        for (Object thing : found) {
          if (thing instanceof Position p) positions.add(p);
          if (thing instanceof Equipment e) equipment.add(e);
          if (thing instanceof Precaution p) precautions.add(p);
        }
        int end = at + length;
        if (end < tokens.size() && MORE.contains(tokens.get(end))) {
          return Math.max(end, ruledOut(tokens, end + 1));
        }
        return end;
      }
      return 0;
    }
  }
}
