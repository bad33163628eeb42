package org.biokinet.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;

/**
 * What is felt where.
 *
 * @param marks at most one for each area and side
 */
public record PainMap(List<Mark> marks) {

  /** How it feels. */
  public enum Feeling implements Coded {
    ACHE("ache"),
    PULL("pull"),
    BURN("burn"),
    TINGLE("tingle"),
    NUMB("numb");

    private final String code;

    Feeling(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }

    /** Whether it is a sign of a nerve, and of nothing that should be stretched. */
    boolean ofANerve() {
      return this == TINGLE || this == NUMB;
    }
  }

  /**
   * @param intensity 0–10, never 0: what is not felt is not marked
   */
  public record Mark(BodyArea area, Side side, Feeling feeling, int intensity) {
    public Mark {
      if (intensity < 1 || intensity > 10) throw new IllegalArgumentException("1 to 10");
    }

    /** "right top of the shoulder, ache 4". */
    public String words() {
      return "%s, %s %d".formatted(area.on(side), feeling.code(), intensity);
    }

    /**
     * Whether it is a sign of a nerve, and of nothing that should be stretched; burning in forearm
     * or hand is one too.
     */
    public boolean ofANerve() {
      boolean arm =
          area.region() == BodyArea.Region.FOREARM || area.region() == BodyArea.Region.HAND;
      return feeling.ofANerve() || (feeling == Feeling.BURN && arm);
    }

    private boolean at(BodyArea a, Side s) {
      return area == a && side == s;
    }
  }

  /**
   * The regions of the tissues that lie where something is felt. Empty where nothing is, and where
   * an area lies over no tissue that is known: then it may be any.
   */
  public Set<Tissue.Region> regions() {
    if (marks.stream().anyMatch(m -> m.area().aims().isEmpty())) return Set.of();
    return marks.stream()
        .flatMap(m -> m.area().aims().stream())
        .map(aim -> aim.tissue().region())
        .collect(Collectors.toUnmodifiableSet());
  }

  /** What is marked on one side. */
  public PainMap on(Side side) {
    return new PainMap(marks.stream().filter(m -> m.side() == side).toList());
  }

  /** Whether anything is felt there; a mark over no tissue that is known may be anywhere. */
  public boolean hurts(Tissue.Region region) {
    return !marks.isEmpty() && (regions().isEmpty() || regions().contains(region));
  }

  /** What a line says: a mark, or what is wrong with it. */
  public sealed interface Reading {
    record Ok(Mark mark) implements Reading {}

    record Fault(String why) implements Reading {}
  }

  /**
   * Reads a mark as it is said: {@code r top of shoulder ache 4}. Of the area as many words as tell
   * it from the others; without a feeling it is an ache.
   */
  public static Reading parse(String line) {
    Optional<Side> side = Optional.empty();
    Optional<Feeling> feeling = Optional.empty();
    int intensity = 0;
    List<String> area = new ArrayList<>();
    for (String word : line.strip().toLowerCase(Locale.ROOT).split("[\\s,]+", -1)) {
      Optional<Feeling> felt =
          word.length() < 2
              ? Optional.empty()
              : Arrays.stream(Feeling.values()).filter(f -> f.code().startsWith(word)).findFirst();
      if (word.matches("\\d{1,2}")) intensity = Integer.parseInt(word);
      else if (word.equals("l") || word.equals("left")) side = Optional.of(Side.LEFT);
      else if (word.equals("r") || word.equals("right")) side = Optional.of(Side.RIGHT);
      else if (felt.isPresent()) feeling = felt;
      else area.add(word);
    }
    if (side.isEmpty()) return new Reading.Fault("Begin with the client's side: l or r.");
    if (intensity < 1 || intensity > 10) return new Reading.Fault("How strong, 1 to 10?");
    List<BodyArea> fits = BodyArea.called(area);
    if (fits.isEmpty())
      return new Reading.Fault("No area is called “" + String.join(" ", area) + "”.");
    if (fits.size() > 1) {
      return new Reading.Fault(
          "Which one: "
              + String.join(", ", fits.stream().limit(5).map(BodyArea::label).toList())
              + "?");
    }
    return new Reading.Ok(
        new Mark(fits.get(0), side.get(), feeling.orElse(Feeling.ACHE), intensity));
  }

  public static final PainMap EMPTY = new PainMap(List.of());

  public PainMap {
    marks = List.copyOf(marks);
  }

  /** What is marked where none of these has a mark. */
  public List<Mark> notOn(List<PainMap> earlier) {
    return marks.stream()
        .filter(m -> earlier.stream().allMatch(e -> e.at(m.area(), m.side()).isEmpty()))
        .toList();
  }

  public Optional<Mark> at(BodyArea area, Side side) {
    return marks.stream().filter(m -> m.at(area, side)).findFirst();
  }

  /** With this mark in the place of what was marked there. */
  public PainMap with(Mark mark) {
    List<Mark> all = new ArrayList<>(without(mark.area(), mark.side()).marks);
    all.add(mark);
    return new PainMap(all);
  }

  public PainMap without(BodyArea area, Side side) {
    return new PainMap(marks.stream().filter(m -> !m.at(area, side)).toList());
  }

  /**
   * What on it asks for the signs of an emergency, in words; empty when nothing does: chest,
   * throat, ribs, belly or groin, and tingling or numbness in both hands.
   */
  public List<String> asksForSigns() {
    List<String> asks =
        new ArrayList<>(
            marks.stream().filter(m -> m.area().asksForSigns()).map(Mark::words).toList());
    Set<Side> hands = EnumSet.noneOf(Side.class);
    marks.stream()
        .filter(m -> m.area().region() == BodyArea.Region.HAND && m.feeling().ofANerve())
        .forEach(m -> hands.add(m.side()));
    if (hands.size() == 2) asks.add("tingling or numbness in both hands");
    return List.copyOf(asks);
  }

  /** The strongest first. */
  public List<Mark> strongest() {
    return marks.stream().sorted(Comparator.comparingInt(Mark::intensity).reversed()).toList();
  }

  /**
   * What became of each region and side, in words, the largest change first: "right back of the
   * neck 6 → 4", "left hand new: tingle 3", "right jaw gone". Only what changed.
   */
  public List<String> changesSince(PainMap before) {
    record Change(int by, String words) {}
    List<Change> lines = new ArrayList<>();
    for (BodyArea.Region region : BodyArea.Region.values()) {
      for (Side side : Side.values()) {
        Optional<Mark> was = before.worst(region, side);
        Optional<Mark> is = worst(region, side);
        String place = side.label() + " " + region.label();
        int by = is.map(Mark::intensity).orElse(0) - was.map(Mark::intensity).orElse(0);
        if (was.isEmpty() && is.isPresent()) {
          Mark m = is.get();
          lines.add(
              new Change(by, "%s new: %s %d".formatted(place, m.feeling().code(), m.intensity())));
        } else if (was.isPresent() && is.isEmpty()) {
          lines.add(new Change(by, place + " gone"));
        } else if (by != 0) {
          lines.add(
              new Change(
                  by,
                  "%s %d → %d"
                      .formatted(
                          place, was.orElseThrow().intensity(), is.orElseThrow().intensity())));
        }
      }
    }
    return lines.stream()
        .sorted(Comparator.comparingInt((Change l) -> Math.abs(l.by())).reversed())
        .map(Change::words)
        .toList();
  }

  /** The strongest mark of a region. */
  public Optional<Mark> worst(BodyArea.Region region, Side side) {
    return marks.stream()
        .filter(m -> m.area().region() == region && m.side() == side)
        .max(Comparator.comparingInt(Mark::intensity));
  }
}
