package org.biokinet.app.client;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Phones;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.measure.Goal;
import org.jspecify.annotations.Nullable;
import org.springframework.validation.Errors;

/**
 * What is typed about a client, right or wrong. What one field must be is said beside it; {@link
 * #check} knows the day and the practice. The front desk is asked for the group {@link Reach} only.
 *
 * @param birthDate as an ISO date, like {@code consent}
 * @param goal1 the Patient-Specific Functional Scale takes three to five; two or three are asked
 *     for
 * @param positions codes
 * @param equipment codes
 * @param team ids of colleagues
 * @param anyway "yes" where somebody has said that this is no duplicate
 */
public record ClientForm(
    @NotEmpty(groups = Reach.class, message = "A name is needed.")
        @Size(groups = Reach.class, max = 120, message = MOST)
        String name,
    String birthDate,
    @Size(groups = Reach.class, max = 40, message = MOST) String phone,
    @Size(groups = Reach.class, max = 254, message = MOST)
        @Email(
            groups = Reach.class,
            regexp = "|.+\\..+",
            message = "A mail address such as ines@example.org, or nothing.")
        String email,
    String zone,
    @Pattern(groups = Reach.class, regexp = "en", message = "The pages exist in English.")
        String language,
    @Size(max = 160, message = MOST) String work,
    @Pattern(
            regexp = "|(\\d|1\\d|2[0-3])([.,]\\d)?|24([.,]0)?",
            message = "Hours from 0 to 24, such as 7.5.")
        String deskHours,
    @Pattern(regexp = "|\\d|1\\d|20", message = "A whole number from 0 to 20.") String screens,
    String shifts,
    String hand,
    @Pattern(regexp = "|[1-9]\\d?|1[01]\\d|120", message = "A whole number from 1 to 120.")
        String minutes,
    @Pattern(regexp = "|[1-9]|1[0-2]", message = "A whole number from 1 to 12.") String times,
    String consent,
    @Valid GoalForm goal1,
    @Valid GoalForm goal2,
    @Valid GoalForm goal3,
    Set<String> positions,
    Set<String> equipment,
    String practitioner,
    Set<String> team,
    String anyway) {

  /** Who somebody is and how to reach them. */
  public interface Reach {}

  private static final String MOST = "At most {max} characters.";
  private static final int OLDEST = 120;

  /**
   * A goal as it is typed; all empty where none is.
   *
   * @param rated 0 to 10, like {@code wanted}
   */
  public record GoalForm(
      @Size(max = 120, message = MOST) String activity, String rated, String wanted) {

    private static final GoalForm NONE = new GoalForm("", "", "");

    public GoalForm {
      activity = text(activity);
      rated = text(rated);
      wanted = text(wanted);
    }

    /** Where only one text is sent for it, which no page does. */
    public static GoalForm valueOf(String sent) {
      return new GoalForm(sent, "", "");
    }

    /** A field of it and what is wrong there. */
    private record Problem(String field, String message) {}

    private Optional<Problem> problem() {
      if (equals(NONE)) return Optional.empty();
      if (activity.isEmpty()) {
        return Optional.of(new Problem("activity", "Say what the client wants to do again."));
      }
      OptionalInt now = number(rated);
      OptionalInt then = number(wanted);
      if (now.isEmpty() || then.isEmpty() || now.getAsInt() > 10 || then.getAsInt() > 10) {
        return Optional.of(
            new Problem("rated", "Two whole numbers from 0 to 10: now, and wanted."));
      }
      return then.getAsInt() < now.getAsInt()
          ? Optional.of(
              new Problem("wanted", "10 is as before: what is wanted is not below what is."))
          : Optional.empty();
    }
  }

  public ClientForm {
    name = text(name);
    birthDate = text(birthDate);
    phone = text(phone);
    email = text(email);
    zone = text(zone);
    language = text(language);
    work = text(work);
    deskHours = text(deskHours);
    screens = text(screens);
    shifts = text(shifts);
    hand = text(hand);
    minutes = text(minutes);
    times = text(times);
    consent = text(consent);
    practitioner = text(practitioner);
    anyway = text(anyway);
    positions = set(positions);
    equipment = set(equipment);
    team = set(team);
    goal1 = Objects.requireNonNullElse(goal1, GoalForm.NONE);
    goal2 = Objects.requireNonNullElse(goal2, GoalForm.NONE);
    goal3 = Objects.requireNonNullElse(goal3, GoalForm.NONE);
  }

  private static String text(@Nullable String sent) {
    return Objects.requireNonNullElse(sent, "").strip();
  }

  private static Set<String> set(@Nullable Set<String> sent) {
    return Set.copyOf(Objects.requireNonNullElse(sent, Set.of()));
  }

  public static ClientForm blank(ZoneId zone, UUID practitioner) {
    Circumstances usual = Circumstances.of("");
    return of(Contact.of("", zone), usual, List.of(), practitioner, Set.of());
  }

  public static ClientForm of(Client client, List<Goal> goals, Set<UUID> team) {
    return of(client.contact(), client.circumstances(), goals, client.practitionerId(), team);
  }

  private static ClientForm of(
      Contact c, Circumstances at, List<Goal> goals, UUID practitioner, Set<UUID> team) {
    return new ClientForm(
        c.name(),
        c.birthDate().map(LocalDate::toString).orElse(""),
        c.phone(),
        c.email(),
        c.zone().getId(),
        c.language().getLanguage(),
        at.work(),
        at.deskHours().map(h -> h.stripTrailingZeros().toPlainString()).orElse(""),
        typed(at.screens()),
        at.shifts().map(Coded::code).orElse(""),
        at.hand().map(Coded::code).orElse(""),
        typed(at.minutes()),
        typed(at.timesPerDay()),
        at.consent().map(LocalDate::toString).orElse(""),
        typed(goals, 0),
        typed(goals, 1),
        typed(goals, 2),
        codes(at.means().positions()),
        codes(at.means().equipment()),
        practitioner.toString(),
        team.stream().map(UUID::toString).collect(Collectors.toSet()),
        "");
  }

  private static GoalForm typed(List<Goal> goals, int i) {
    if (i >= goals.size()) return GoalForm.NONE;
    Goal g = goals.get(i);
    return new GoalForm(g.activity(), Integer.toString(g.rated()), Integer.toString(g.wanted()));
  }

  private static String typed(OptionalInt value) {
    return value.isPresent() ? Integer.toString(value.getAsInt()) : "";
  }

  private static Set<String> codes(Set<? extends Coded> of) {
    return of.stream().map(Coded::code).collect(Collectors.toSet());
  }

  /** What is wrong with who and how to reach that only this day can tell. */
  public void checkReach(LocalDate today, Errors errors) {
    if (!phone.isEmpty() && !Phones.readable(phone)) {
      errors.rejectValue("phone", "phone", "Digits and spaces, such as +351 555 0177.");
    }
    if (!birthDate.isEmpty() && day(birthDate).filter(past(today)).isEmpty()) {
      errors.rejectValue("birthDate", "day", "A date in the past, such as 17 May 1985.");
    }
    if (place().isEmpty()) {
      errors.rejectValue("zone", "zone", "A time zone such as Europe/Lisbon.");
    }
  }

  /** What is wrong with anything that only this day and practice can tell. */
  public void check(LocalDate today, Set<UUID> colleagues, Errors errors) {
    checkReach(today, errors);
    checkPractitioner(colleagues, errors);
    if (!consent.isEmpty() && day(consent).filter(past(today)).isEmpty()) {
      errors.rejectValue("consent", "day", "The day on which the client agreed, today or before.");
    }
    if (read(Position.class, positions).isEmpty()) {
      errors.rejectValue("positions", "none", "At least one: everybody is in some position.");
    }
    for (int i = 0; i < goals().size(); i++) {
      String at = "goal%d.".formatted(i + 1);
      goals()
          .get(i)
          .problem()
          .ifPresent(p -> errors.rejectValue(at + p.field(), "goal", p.message()));
    }
  }

  public void checkPractitioner(Set<UUID> colleagues, Errors errors) {
    if (practitionerId().filter(colleagues::contains).isEmpty()) {
      errors.rejectValue("practitioner", "practitioner", "Choose whose client it is.");
    }
  }

  private static OptionalInt number(String typed) {
    return typed.matches("\\d{1,3}")
        ? OptionalInt.of(Integer.parseInt(typed))
        : OptionalInt.empty();
  }

  private static Optional<LocalDate> day(String typed) {
    try {
      return typed.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(typed));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private Optional<ZoneId> place() {
    try {
      return Optional.of(ZoneId.of(zone));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  /** A day in somebody's life. */
  private static Predicate<LocalDate> past(LocalDate today) {
    return day -> !day.isAfter(today) && !day.isBefore(today.minusYears(OLDEST));
  }

  /** Only of a form without errors in {@link Reach}. */
  public Contact contact() {
    return new Contact(
        name, day(birthDate), phone, email, place().orElseThrow(), Locale.forLanguageTag(language));
  }

  /** Only of a form without errors. */
  public Circumstances circumstances() {
    return new Circumstances(
        work,
        deskHours.isEmpty()
            ? Optional.empty()
            : Optional.of(new BigDecimal(deskHours.replace(',', '.'))),
        number(screens),
        Coded.find(Circumstances.Shifts.class, shifts),
        Coded.find(Circumstances.Hand.class, hand),
        new Means(read(Position.class, positions), read(Equipment.class, equipment)),
        number(minutes),
        number(times),
        day(consent));
  }

  public List<GoalForm> goals() {
    return List.of(goal1, goal2, goal3);
  }

  /** Only of a form without errors. */
  public List<Goal> wanted() {
    return goals().stream()
        .filter(g -> !g.activity().isEmpty())
        .map(g -> new Goal(g.activity(), Integer.parseInt(g.rated()), Integer.parseInt(g.wanted())))
        .toList();
  }

  public Optional<UUID> practitionerId() {
    return id(practitioner);
  }

  /** Those of the team who are colleagues. */
  public Set<UUID> careTeam(Set<UUID> colleagues) {
    Set<UUID> ids = new LinkedHashSet<>();
    team.forEach(t -> id(t).filter(colleagues::contains).ifPresent(ids::add));
    return ids;
  }

  private static Optional<UUID> id(String sent) {
    try {
      return Optional.of(UUID.fromString(sent));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static <T extends Enum<T> & Coded> Set<T> read(Class<T> type, Set<String> codes) {
    return Circumstances.read(type, String.join(" ", codes));
  }
}
