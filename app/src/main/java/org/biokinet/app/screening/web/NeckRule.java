package org.biokinet.app.screening.web;

import java.io.Serializable;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.screening.CSpineRule;
import org.jspecify.annotations.Nullable;

/**
 * The Canadian C-Spine Rule as it is filled in: all of it or nothing. Where the birth date is known
 * nobody is asked about age.
 *
 * @param answers yes, no or empty
 * @param age in years; null where it is not known
 */
record NeckRule(EnumMap<Question, String> answers, @Nullable Integer age) implements Serializable {

  /** The questions in the order of the rule. */
  enum Question implements Coded {
    ALERT("alert", "Alert and stable"),
    AGED("aged", "65 or over"),
    DANGEROUS(
        "dangerous",
        "A dangerous mechanism: a fall from 1 m or five stairs, a load on top of the head, a fast,"
            + " rolling or ejecting car crash, a motorised recreational vehicle, a bicycle"),
    TINGLING("tingling", "Tingling in arms or legs"),
    LOW_RISK(
        "low-risk",
        "One of: a simple rear-end crash, sitting when seen, walking at any time since, pain that"
            + " came later, no tenderness in the midline"),
    TURNS("turns", "Only if all of this allows it: turns 45° left and right without help");

    private final String code;
    private final String label;

    Question(String code, String label) {
      this.code = code;
      this.label = label;
    }

    @Override
    public String code() {
      return code;
    }

    public String label() {
      return label;
    }
  }

  static final NeckRule BLANK = new NeckRule(new EnumMap<>(Question.class), null);

  /**
   * @param sent yes or no by code of the question; anything else is no answer
   */
  static NeckRule of(Map<String, String> sent, Optional<Integer> age) {
    EnumMap<Question, String> answers = new EnumMap<>(Question.class);
    for (Question q : Question.values()) {
      String answer = sent.getOrDefault(q.code(), "");
      if (answer.equals("yes") || answer.equals("no")) answers.put(q, answer);
    }
    return new NeckRule(answers, age.orElse(null));
  }

  public boolean is(Question q, String answer) {
    return answer.equals(answers.get(q));
  }

  /** Whether nobody has to be asked this. */
  public boolean known(Question q) {
    return q == Question.AGED && age != null;
  }

  private boolean yes(Question q) {
    return is(q, "yes");
  }

  /** Turning may stay open; the rule itself says when it is wanted. */
  Optional<String> problem() {
    if (answers.isEmpty()) return Optional.empty();
    for (Question q : Question.values()) {
      boolean mayStayOpen = q == Question.TURNS || known(q);
      if (!mayStayOpen && !answers.containsKey(q)) {
        return Optional.of("Answer the whole rule, or nothing of it.");
      }
    }
    return Optional.empty();
  }

  Optional<CSpineRule> rule() {
    if (answers.isEmpty()) return Optional.empty();
    return Optional.of(
        new CSpineRule(
            yes(Question.ALERT) && (age == null || age >= CSpineRule.LEAST_AGE),
            age == null ? yes(Question.AGED) : age >= CSpineRule.AGED,
            yes(Question.DANGEROUS),
            yes(Question.TINGLING),
            yes(Question.LOW_RISK),
            Optional.ofNullable(answers.get(Question.TURNS)).map("yes"::equals)));
  }
}
