package org.biokinet.app.screening;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Complete;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.RedFlag;
import org.biokinet.core.screening.Screening;
import org.jspecify.annotations.Nullable;

/**
 * The form as it stands: what was ticked, typed and left open. Nothing is preselected; a section
 * without a tick needs its "none of these".
 *
 * @param none the sections that were answered with "none of these"
 * @param provokedPain how much it hurts when it is stirred up; asked where a small thing does it
 * @param ended what earlier answers have left on and no longer holds
 * @param sides of conditions: L, R or empty
 */
@Complete
public record Answers(
    Set<String> signs,
    Set<String> flags,
    Set<String> conditions,
    Map<String, String> sides,
    Set<String> none,
    String worst,
    String arm,
    String settles,
    String provoked,
    String baseline,
    String medicines,
    String surgery,
    String consent,
    String provokedPain,
    Set<String> ended)
    implements Complete.Form {

  public Answers {
    // What was left open is not sent, and earlier versions of the form did not ask everything.
    signs = set(signs);
    flags = set(flags);
    conditions = set(conditions);
    sides = sided(sides);
    none = set(none);
    worst = text(worst);
    arm = text(arm);
    settles = text(settles);
    provoked = text(provoked);
    baseline = text(baseline);
    medicines = text(medicines);
    surgery = text(surgery);
    consent = text(consent);
    provokedPain = text(provokedPain);
    ended = set(ended);
  }

  /** Both sides is what is meant where none is said. */
  private static Map<String, String> sided(@Nullable Map<String, String> sent) {
    Map<String, String> sides = new LinkedHashMap<>();
    if (sent != null) sent.forEach((code, side) -> sides.put(code, text(side)));
    sides.values().removeIf(String::isEmpty);
    return Map.copyOf(sides);
  }

  static String text(@Nullable String sent) {
    return Objects.requireNonNullElse(sent, "").strip();
  }

  static Set<String> set(@Nullable Set<String> sent) {
    return Set.copyOf(Objects.requireNonNullElse(sent, Set.of()));
  }

  /** Of the form; it counts up when a question changes, so that old answers stay readable. */
  static final int VERSION = 2;

  public static final Answers BLANK =
      new Answers(
          Set.of(), Set.of(), Set.of(), Map.of(), Set.of(), "", "", "", "", "", "", "", "", "",
          Set.of());

  private static final int LONGEST = 500;
  private static final String UNKNOWN = "An answer is not known here; open the page again.";

  /** With the ticks of three sections and everything else answered, as one sentence would. */
  public static Answers of(
      Set<String> signs,
      Set<String> flags,
      Set<String> conditions,
      int worst,
      Irritability.Settles settles,
      boolean provoked) {
    return new Answers(
        signs,
        flags,
        conditions,
        Map.of(),
        denied(signs, flags, conditions),
        Integer.toString(worst),
        "no",
        settles.code(),
        provoked ? "yes" : "no",
        "",
        "",
        "",
        "",
        provoked ? Integer.toString(worst) : "",
        Set.of());
  }

  /** As the form would hold it. */
  static Answers of(Screening s) {
    Map<String, String> sides = new LinkedHashMap<>();
    s.conditions()
        .forEach((c, side) -> side.ifPresent(x -> sides.put(c.code(), x.left() ? "L" : "R")));
    return new Answers(
        codes(s.emergencies()),
        codes(s.redFlags()),
        codes(s.conditions().keySet()),
        sides,
        denied(s.emergencies(), s.redFlags(), s.conditions().keySet()),
        Integer.toString(s.worstPain()),
        yesOrNo(s.armSymptoms()),
        s.settles().code(),
        yesOrNo(s.easilyProvoked()),
        s.baseline(),
        s.medicines(),
        s.surgery(),
        s.consent() ? "yes" : "",
        s.provokedPain().isPresent() ? Integer.toString(s.provokedPain().getAsInt()) : "",
        Set.of());
  }

  /** The sections that were answered with nothing. */
  private static Set<String> denied(Set<?> signs, Set<?> flags, Set<?> conditions) {
    Set<String> denied = new LinkedHashSet<>();
    if (signs.isEmpty()) denied.add("signs");
    if (flags.isEmpty()) denied.add("flags");
    if (conditions.isEmpty()) denied.add("conditions");
    return denied;
  }

  private static String yesOrNo(boolean is) {
    return is ? "yes" : "no";
  }

  private static Set<String> codes(Set<? extends Coded> of) {
    return of.stream().map(Coded::code).collect(Collectors.toSet());
  }

  public Answers withBaseline(String known) {
    return new Answers(
        signs,
        flags,
        conditions,
        sides,
        none,
        worst,
        arm,
        settles,
        provoked,
        known,
        medicines,
        surgery,
        consent,
        provokedPain,
        ended);
  }

  /** What is still open or contradicts itself, by section; empty when it can be saved. */
  @Override
  public Map<String, String> problems() {
    Map<String, String> problems = new LinkedHashMap<>();
    longest(problems, "baseline", baseline);
    longest(problems, "medicines", medicines);
    longest(problems, "surgery", surgery);
    section(problems, "signs", signs);
    section(problems, "flags", flags);
    section(problems, "conditions", conditions);
    // What is dropped because nobody knows it would screen clear.
    unknown(problems, "signs", EmergencySign.class, signs);
    unknown(problems, "flags", RedFlag.class, flags);
    unknown(problems, "conditions", Condition.class, conditions);
    unknown(problems, "ended", Condition.class, ended);
    if (!sides.entrySet().stream().allMatch(s -> sided(s.getKey(), s.getValue()))) {
      problems.put("conditions", UNKNOWN);
    }
    if (!pain(worst)) problems.put("worst", "A whole number from 0 to 10.");
    if (Coded.find(Irritability.Settles.class, settles).isEmpty()) {
      problems.put("settles", "Choose one.");
    }
    if (neither(arm)) problems.put("arm", "Yes or no.");
    if (neither(provoked)) problems.put("provoked", "Yes or no.");
    if (provokedPain.isEmpty() ? provoked.equals("yes") : !pain(provokedPain)) {
      problems.put("provokedPain", "How much does it hurt then, 0 to 10?");
    }
    return problems;
  }

  static <T extends Enum<T> & Coded> void unknown(
      Map<String, String> problems, String section, Class<T> type, Set<String> codes) {
    if (known(type, codes).size() < codes.size()) {
      problems.put(section, UNKNOWN);
    }
  }

  private static boolean sided(String code, String side) {
    return Coded.find(Condition.class, code).filter(Condition::sided).isPresent()
        && (side.equals("L") || side.equals("R"));
  }

  private static void longest(Map<String, String> problems, String field, String typed) {
    if (typed.length() > LONGEST) problems.put(field, "At most %d characters.".formatted(LONGEST));
  }

  static boolean pain(String typed) {
    return typed.matches("\\d{1,2}") && TenPoint.valid(Integer.parseInt(typed));
  }

  private void section(Map<String, String> problems, String name, Set<String> ticked) {
    boolean denied = none.contains(name);
    if (ticked.isEmpty() && !denied) problems.put(name, "Tick what applies, or “none of these”.");
    if (!ticked.isEmpty() && denied) {
      problems.put(name, "“None of these” and a tick contradict each other.");
    }
  }

  private static boolean neither(String answer) {
    return !answer.equals("yes") && !answer.equals("no");
  }

  /**
   * @param minor known from the birth date
   */
  Screening screening(boolean minor) {
    Map<Condition, Optional<Side>> has = new EnumMap<>(Condition.class);
    for (Condition c : known(Condition.class, conditions)) {
      has.put(
          c,
          switch (sides.getOrDefault(c.code(), "")) {
            case "L" -> Optional.of(Side.LEFT);
            case "R" -> Optional.of(Side.RIGHT);
            default -> Optional.empty();
          });
    }
    return new Screening(
        known(EmergencySign.class, signs),
        known(RedFlag.class, flags),
        Integer.parseInt(worst),
        arm.equals("yes"),
        Coded.find(Irritability.Settles.class, settles).orElseThrow(),
        provoked.equals("yes"),
        whenProvoked(),
        has,
        baseline,
        medicines,
        surgery,
        minor,
        consent.equals("yes"));
  }

  /** The first version of the form took the worst of the day for it. */
  private OptionalInt whenProvoked() {
    return number(provokedPain.isEmpty() && provoked.equals("yes") ? worst : provokedPain);
  }

  static OptionalInt number(String typed) {
    return typed.isEmpty() ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(typed));
  }

  Set<Condition> endedConditions() {
    return known(Condition.class, ended);
  }

  static <T extends Enum<T> & Coded> Set<T> known(Class<T> type, Set<String> codes) {
    return Arrays.stream(Objects.requireNonNull(type.getEnumConstants()))
        .filter(c -> codes.contains(c.code()))
        .collect(Collectors.toCollection(() -> EnumSet.noneOf(type)));
  }
}
