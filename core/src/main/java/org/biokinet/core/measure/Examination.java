package org.biokinet.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;

/**
 * What a stretch program needs of an examination; all of it may be left out. It is a baseline to
 * compare with, and diagnoses nothing.
 *
 * @param answers as typed, by key (see {@link #key}); only what was answered, stripped
 */
public record Examination(Map<String, String> answers) {

  /** How something is answered. */
  public enum Answer {
    TEXT,
    DEGREES,
    PRESSURE,
    CHOICE
  }

  /** What can be examined. The tests of each level are standard anatomy, recalled from memory. */
  @SuppressWarnings("ImmutableEnumChecker") // lists are never written
  public enum Question implements Coded {
    C5("c5", "C5", "lift the arm out · biceps reflex · outer upper arm", true, Answer.TEXT),
    C6("c6", "C6", "wrist back · brachioradialis reflex · thumb", true, Answer.TEXT),
    C7("c7", "C7", "straighten the elbow · triceps reflex · middle finger", true, Answer.TEXT),
    C8("c8", "C8", "bend the fingers · little finger", true, Answer.TEXT),
    T1("t1", "T1", "spread the fingers · inner forearm", true, Answer.TEXT),
    NEURAL("neural", "Neural tension", "upper limb tension test", true, Answer.TEXT),
    FLEXION_ROTATION(
        "flexion-rotation",
        "Flexion–rotation test",
        "lying, neck fully bent, then turned: degrees",
        true,
        Answer.DEGREES),
    PASSIVE(
        "passive", "Passive turn", "against the active one", true, Answer.CHOICE, "alike", "more"),
    PINCH(
        "pinch",
        "Pinch at the end of a turn",
        "opening: away from it; closing: on the side turned to",
        true,
        Answer.CHOICE,
        "none",
        "opening",
        "closing"),
    PRESSURE("pressure", "Blood pressure", "such as 128/82", false, Answer.PRESSURE),
    DAY("day", "Over 24 hours", "when better, when worse", false, Answer.TEXT),
    SLEEP("sleep", "Sleep", "hours, woken by it, pillow", false, Answer.TEXT),
    MEDICINES("medicines", "Medicines", "what and how often", false, Answer.TEXT),
    FEARS("fears", "Fears", "what must not happen", false, Answer.TEXT),
    HOPES("hopes", "Hopes", "what would be a good end", false, Answer.TEXT);

    private final String code;
    private final String label;
    private final String hint;
    private final boolean sided;
    private final Answer answer;
    private final List<String> choices;

    Question(
        String code, String label, String hint, boolean sided, Answer answer, String... choices) {
      this.code = code;
      this.label = label;
      this.hint = hint;
      this.sided = sided;
      this.answer = answer;
      this.choices = List.copyOf(Arrays.asList(choices));
    }

    @Override
    public String code() {
      return code;
    }

    public String label() {
      return label;
    }

    public String hint() {
      return hint;
    }

    /** Whether each side is asked by itself. */
    public boolean sided() {
      return sided;
    }

    public boolean inDegrees() {
      return answer == Answer.DEGREES;
    }

    /** Characters at most. */
    public int longest() {
      return inDegrees() ? 2 : LONGEST;
    }

    public Answer answer() {
      return answer;
    }

    /** Empty where it is not chosen from a list. */
    public List<String> choices() {
      return choices;
    }

    boolean ofANerve() {
      return compareTo(NEURAL) <= 0;
    }
  }

  /**
   * Under this the test is positive, and so is a difference of sides of {@link #DIFFERENCE}: Hall
   * and Robinson, recalled from memory.
   */
  public static final int LIMITED_DEGREES = 32;

  public static final int DIFFERENCE = 10;

  /** Office values from which it counts as raised: common practice, no source named. */
  private static final int SYSTOLIC = 140;

  private static final int DIASTOLIC = 90;
  private static final int MOST_DEGREES = 70;
  private static final int LONGEST = 200;
  private static final Pattern BLOOD_PRESSURE = Pattern.compile("(\\d{2,3})\\s*/\\s*(\\d{2,3})");
  private static final Set<String> NORMAL = Set.of("normal", "n", "ok", "nad", "negative", "-");

  public static final Examination NOTHING = new Examination(Map.of());

  public Examination {
    Map<String, String> kept = new LinkedHashMap<>();
    answers.forEach(
        (key, value) -> {
          if (!value.isBlank()) kept.put(key, value.strip());
        });
    answers = Map.copyOf(kept);
  }

  /** As a field of a form is called. */
  public static String key(Question q, Optional<Side> side) {
    return q.code() + side.map(s -> "-" + s.name()).orElse("");
  }

  /** Every key that there is, in order. */
  public static List<String> keys() {
    List<String> keys = new ArrayList<>();
    for (Question q : Question.values()) sides(q).forEach(side -> keys.add(key(q, side)));
    return keys;
  }

  private static List<Optional<Side>> sides(Question q) {
    return q.sided()
        ? List.of(Optional.of(Side.LEFT), Optional.of(Side.RIGHT))
        : List.of(Optional.empty());
  }

  /** What is wrong with an answer, by key; empty when it can be kept. */
  public Map<String, String> faults() {
    Map<String, String> faults = new LinkedHashMap<>();
    for (Question q : Question.values()) {
      for (Optional<Side> side : sides(q)) {
        String given = answers.getOrDefault(key(q, side), "");
        if (!given.isEmpty()) fault(q, given).ifPresent(why -> faults.put(key(q, side), why));
      }
    }
    return faults;
  }

  private static Optional<String> fault(Question q, String given) {
    return switch (q.answer()) {
      case TEXT ->
          given.length() > LONGEST
              ? Optional.of("At most %d characters.".formatted(LONGEST))
              : Optional.empty();
      case DEGREES ->
          given.matches("\\d{1,2}") && Integer.parseInt(given) <= MOST_DEGREES
              ? Optional.empty()
              : Optional.of("Whole degrees, 0 to %d.".formatted(MOST_DEGREES));
      case PRESSURE ->
          BLOOD_PRESSURE.matcher(given).matches()
              ? Optional.empty()
              : Optional.of("Such as 128/82.");
      case CHOICE ->
          q.choices().contains(given)
              ? Optional.empty()
              : Optional.of("One of: %s.".formatted(String.join(", ", q.choices())));
    };
  }

  public Optional<String> on(Question q, Optional<Side> side) {
    return Optional.ofNullable(answers.get(key(q, side)));
  }

  /** Degrees of the flexion–rotation test toward this side. */
  public OptionalInt flexionRotation(Side toward) {
    return on(Question.FLEXION_ROTATION, Optional.of(toward))
        .map(v -> OptionalInt.of(Integer.parseInt(v)))
        .orElseGet(OptionalInt::empty);
  }

  /** Whether the upper neck turns too little toward this side. */
  public boolean limitedTurn(Side toward) {
    OptionalInt here = flexionRotation(toward);
    OptionalInt there = flexionRotation(toward.opposite());
    if (here.isEmpty()) return false;
    boolean less = there.isPresent() && there.getAsInt() - here.getAsInt() >= DIFFERENCE;
    return here.getAsInt() < LIMITED_DEGREES || less;
  }

  /** Whether a turn to this side ends with a pinch on that very side. */
  public boolean pinches(Side side) {
    return on(Question.PINCH, Optional.of(side)).filter("closing"::equals).isPresent();
  }

  /** Whether the blood pressure asks for the condition of that name. */
  public boolean raisedPressure() {
    Matcher m = BLOOD_PRESSURE.matcher(on(Question.PRESSURE, Optional.empty()).orElse(""));
    return m.matches()
        && (Integer.parseInt(m.group(1)) >= SYSTOLIC || Integer.parseInt(m.group(2)) >= DIASTOLIC);
  }

  /**
   * What a later decision needs, in words: nerves that are not normal, the flexion–rotation test, a
   * pinch, raised pressure, what is feared. Empty when nothing stands out.
   */
  public List<String> standsOut() {
    List<String> lines = new ArrayList<>();
    for (Question q : Question.values()) {
      for (Optional<Side> side : sides(q)) {
        on(q, side).filter(v -> standsOut(q, side, v)).ifPresent(v -> lines.add(line(q, side, v)));
      }
    }
    return lines;
  }

  private boolean standsOut(Question q, Optional<Side> side, String value) {
    return switch (q) {
      case FLEXION_ROTATION -> limitedTurn(side.orElseThrow());
      case PINCH -> !value.equals("none");
      case PASSIVE -> value.equals("more");
      case PRESSURE -> raisedPressure();
      case FEARS -> true;
      default -> q.ofANerve() && !NORMAL.contains(value.toLowerCase(Locale.ROOT));
    };
  }

  private static String line(Question q, Optional<Side> side, String value) {
    String where = side.map(s -> s == Side.LEFT ? " left" : " right").orElse("");
    String unit = q.answer() == Answer.DEGREES ? "°" : "";
    return "%s%s: %s%s".formatted(q.label(), where, value, unit);
  }
}
