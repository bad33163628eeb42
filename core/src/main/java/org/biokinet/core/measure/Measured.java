package org.biokinet.core.measure;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.anatomy.Side;
import org.jspecify.annotations.Nullable;

/** One thing that was measured, as it is kept. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = Measured.Pain.class, name = "PAIN"),
  @JsonSubTypes.Type(value = Measured.Range.class, name = "RANGE"),
  @JsonSubTypes.Type(value = Measured.BodyMap.class, name = "MAP"),
  @JsonSubTypes.Type(value = Measured.Activity.class, name = "ACTIVITY"),
  @JsonSubTypes.Type(value = Measured.Endurance.class, name = "ENDURANCE"),
  @JsonSubTypes.Type(value = Measured.Form.class, name = "FORM"),
  @JsonSubTypes.Type(value = Measured.Global.class, name = "GLOBAL"),
  @JsonSubTypes.Type(value = Measured.Examined.class, name = "EXAMINATION"),
  @JsonSubTypes.Type(value = Measured.SidePhoto.class, name = "POSTURE")
})
public sealed interface Measured {

  /** What it is of: with kind and side it says which earlier value a new one replaces. */
  default String part() {
    return "";
  }

  default Optional<Side> sideMeasured() {
    return Optional.empty();
  }

  /** What kind of measure it is. */
  enum Kind {
    PAIN,
    RANGE,
    MAP,
    ACTIVITY,
    ENDURANCE,
    FORM,
    GLOBAL,
    EXAMINATION,
    POSTURE
  }

  Kind kind();

  /**
   * NPRS now, and best and worst of the last 24 hours.
   *
   * @param best null where it was not asked, like {@code worst}
   */
  record Pain(int now, @Nullable Integer best, @Nullable Integer worst) implements Measured {
    @Override
    public Kind kind() {
      return Kind.PAIN;
    }
  }

  /** How readings came about. */
  enum Source {
    TYPED("typed"),
    INCLINOMETER("inclinometer");

    private final String label;

    Source(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * @param side where the motion goes, or the arm's own; null where it has no sides
   */
  record Range(Motion motion, @Nullable Side side, Readings readings, Source source)
      implements Measured {
    @Override
    public Kind kind() {
      return Kind.RANGE;
    }

    @Override
    public String part() {
      return motion.code();
    }

    @Override
    public Optional<Side> sideMeasured() {
      return Optional.ofNullable(side);
    }
  }

  record BodyMap(PainMap map) implements Measured {
    @Override
    public Kind kind() {
      return Kind.MAP;
    }
  }

  /** One activity of the client's own, 0 unable – 10 as before. */
  record Activity(String activity, int rated) implements Measured {
    @Override
    public Kind kind() {
      return Kind.ACTIVITY;
    }

    @Override
    public String part() {
      return activity.length() > 60 ? activity.substring(0, 60) : activity;
    }
  }

  /** Of the neck flexors. */
  record Endurance(int seconds) implements Measured {
    @Override
    public Kind kind() {
      return Kind.ENDURANCE;
    }
  }

  /**
   * Item scores from a form that the practice is licensed to use.
   *
   * @param items null where one was not answered
   * @param armSymptoms for the Neck Disability Index, whose error is larger with them
   */
  record Form(Questionnaire questionnaire, List<@Nullable Integer> items, boolean armSymptoms)
      implements Measured {
    @Override
    public Kind kind() {
      return Kind.FORM;
    }

    @Override
    public String part() {
      return questionnaire.name();
    }
  }

  /** Global rating of change. */
  record Global(int value) implements Measured {
    @Override
    public Kind kind() {
      return Kind.GLOBAL;
    }
  }

  /**
   * What was examined by hand.
   *
   * @param answers by key, as {@link Examination} names them
   */
  record Examined(Map<String, String> answers) implements Measured {
    @Override
    public Kind kind() {
      return Kind.EXAMINATION;
    }
  }

  record SidePhoto(UUID photograph, Posture.Marks marks) implements Measured {
    @Override
    public Kind kind() {
      return Kind.POSTURE;
    }

    @Override
    public String part() {
      return photograph.toString();
    }
  }
}
