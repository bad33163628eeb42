package org.biokinet.app.client;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.platform.Addresses;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.springframework.util.MultiValueMap;

/**
 * What is typed about a client, right or wrong.
 *
 * @param typed by field name; goals are activity-1, rated-1, wanted-1 and so on
 * @param positions codes
 * @param equipment codes
 * @param team ids of colleagues
 */
public record ClientForm(
    Map<String, String> typed, Set<String> positions, Set<String> equipment, Set<String> team) {

  /** The Patient-Specific Functional Scale takes three to five; two or three are asked for here. */
  static final int GOALS = 3;

  private static final int OLDEST = 120;
  private static final int LONGEST_NAME = 120;
  private static final int LONGEST_PHONE = 40;
  private static final int LONGEST_EMAIL = 254;
  private static final int LONGEST_WORK = 160;
  private static final int MOST_DESK_HOURS = 24;
  private static final int MOST_SCREENS = 20;
  private static final int MOST_MINUTES = 120;
  private static final int MOST_TIMES = 12;

  public static ClientForm blank(ZoneId zone, UUID practitioner) {
    Map<String, String> typed = new LinkedHashMap<>();
    typed.put("zone", zone.getId());
    typed.put("language", Locale.ENGLISH.getLanguage());
    typed.put("practitioner", practitioner.toString());
    Means usual = Circumstances.of("").means();
    return new ClientForm(typed, codes(usual.positions()), codes(usual.equipment()), Set.of());
  }

  public static ClientForm of(Client client, List<Goal> goals, Set<UUID> team) {
    Map<String, String> typed = new LinkedHashMap<>();
    Contact c = client.contact();
    typed.put("name", c.name());
    typed.put("birthDate", c.birthDate().map(LocalDate::toString).orElse(""));
    typed.put("phone", c.phone());
    typed.put("email", c.email());
    typed.put("zone", c.zone().getId());
    typed.put("language", c.language().getLanguage());
    Circumstances at = client.circumstances();
    typed.put("work", at.work());
    typed.put(
        "deskHours", at.deskHours().map(h -> h.stripTrailingZeros().toPlainString()).orElse(""));
    typed.put("screens", text(at.screens()));
    typed.put("shifts", at.shifts().map(Coded::code).orElse(""));
    typed.put("hand", at.hand().map(Coded::code).orElse(""));
    typed.put("minutes", text(at.minutes()));
    typed.put("times", text(at.timesPerDay()));
    typed.put("consent", at.consent().map(LocalDate::toString).orElse(""));
    typed.put("practitioner", client.practitionerId().toString());
    for (int i = 0; i < goals.size(); i++) {
      typed.put("activity-" + (i + 1), goals.get(i).activity());
      typed.put("rated-" + (i + 1), Integer.toString(goals.get(i).rated()));
      typed.put("wanted-" + (i + 1), Integer.toString(goals.get(i).wanted()));
    }
    Set<String> ids = new LinkedHashSet<>();
    team.forEach(id -> ids.add(id.toString()));
    return new ClientForm(typed, codes(at.means().positions()), codes(at.means().equipment()), ids);
  }

  public static ClientForm read(MultiValueMap<String, String> sent) {
    Map<String, String> typed = new LinkedHashMap<>();
    sent.forEach(
        (name, values) ->
            typed.put(name, values.isEmpty() ? "" : Objects.toString(values.get(0), "").strip()));
    return new ClientForm(
        typed,
        Set.copyOf(sent.getOrDefault("positions", List.of())),
        Set.copyOf(sent.getOrDefault("equipment", List.of())),
        Set.copyOf(sent.getOrDefault("team", List.of())));
  }

  private static String text(OptionalInt value) {
    return value.isPresent() ? Integer.toString(value.getAsInt()) : "";
  }

  private static Set<String> codes(Set<? extends Coded> of) {
    Set<String> codes = new LinkedHashSet<>();
    of.forEach(c -> codes.add(c.code()));
    return codes;
  }

  /** As typed; empty where nothing is. */
  public String get(String field) {
    return typed.getOrDefault(field, "");
  }

  /** What is wrong with who and how to reach, by field. */
  public Map<String, String> contactProblems(LocalDate today) {
    Map<String, String> problems = new LinkedHashMap<>();
    if (get("name").isEmpty()) problems.put("name", "A name is needed.");
    longest(problems, "name", LONGEST_NAME);
    longest(problems, "phone", LONGEST_PHONE);
    longest(problems, "email", LONGEST_EMAIL);
    if (!get("phone").isEmpty() && !get("phone").matches("[-+0-9 ()/.]{3,}")) {
      problems.put("phone", "Digits and spaces, such as +351 555 0177.");
    }
    if (!get("email").isEmpty() && !Addresses.mail(get("email"))) {
      problems.put("email", "A mail address such as ines@example.org, or nothing.");
    }
    if (!get("birthDate").isEmpty()) {
      if (day("birthDate").filter(d -> past(d, today)).isEmpty()) {
        problems.put("birthDate", "A date in the past, such as 17 May 1985.");
      }
    }
    if (zone().isEmpty()) problems.put("zone", "A time zone such as Europe/Lisbon.");
    if (!get("language").equals(Locale.ENGLISH.getLanguage())) {
      problems.put("language", "The pages exist in English.");
    }
    return problems;
  }

  /** What is wrong with anything, by field. */
  public Map<String, String> problems(LocalDate today, Set<UUID> colleagues) {
    Map<String, String> problems = contactProblems(today);
    longest(problems, "work", LONGEST_WORK);
    if (!get("deskHours").isEmpty() && deskHours().isEmpty()) {
      problems.put("deskHours", "Hours from 0 to 24, such as 7.5.");
    }
    whole(problems, "screens", 0, MOST_SCREENS);
    whole(problems, "minutes", 1, MOST_MINUTES);
    whole(problems, "times", 1, MOST_TIMES);
    if (!get("consent").isEmpty() && day("consent").filter(d -> past(d, today)).isEmpty()) {
      problems.put("consent", "The day on which the client agreed, today or before.");
    }
    if (read(Position.class, positions).isEmpty()) {
      problems.put("positions", "At least one: everybody is in some position.");
    }
    if (practitioner().filter(colleagues::contains).isEmpty()) {
      problems.put("practitioner", "Choose whose client it is.");
    }
    for (int i = 1; i <= GOALS; i++) goalProblem(problems, i);
    return problems;
  }

  private void goalProblem(Map<String, String> problems, int i) {
    boolean any = !(get("activity-" + i) + get("rated-" + i) + get("wanted-" + i)).isEmpty();
    if (!any) return;
    String field = "goal-" + i;
    OptionalInt rated = number("rated-" + i, 0, 10);
    OptionalInt wanted = number("wanted-" + i, 0, 10);
    if (get("activity-" + i).isEmpty()) {
      problems.put(field, "Say what the client wants to do again.");
    } else if (get("activity-" + i).length() > LONGEST_NAME) {
      problems.put(field, "At most 120 characters.");
    } else if (rated.isEmpty() || wanted.isEmpty()) {
      problems.put(field, "Two whole numbers from 0 to 10: now, and wanted.");
    } else if (wanted.getAsInt() < rated.getAsInt()) {
      problems.put(field, "10 is as before: what is wanted is not below what is.");
    }
  }

  private void longest(Map<String, String> problems, String field, int most) {
    if (get(field).length() > most) problems.put(field, "At most %d characters.".formatted(most));
  }

  private void whole(Map<String, String> problems, String field, int least, int most) {
    if (!get(field).isEmpty() && number(field, least, most).isEmpty()) {
      problems.put(field, "A whole number from %d to %d.".formatted(least, most));
    }
  }

  private OptionalInt number(String field, int least, int most) {
    if (!get(field).matches("\\d{1,3}")) return OptionalInt.empty();
    int value = Integer.parseInt(get(field));
    return value >= least && value <= most ? OptionalInt.of(value) : OptionalInt.empty();
  }

  private Optional<BigDecimal> deskHours() {
    if (!get("deskHours").matches("\\d{1,2}([.,]\\d)?")) return Optional.empty();
    return Optional.of(new BigDecimal(get("deskHours").replace(',', '.')))
        .filter(h -> h.compareTo(BigDecimal.valueOf(MOST_DESK_HOURS)) <= 0);
  }

  private Optional<LocalDate> day(String field) {
    try {
      return get(field).isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(get(field)));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private Optional<ZoneId> zone() {
    try {
      return Optional.of(ZoneId.of(get("zone")));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  /** A day in somebody's life. */
  private static boolean past(LocalDate day, LocalDate today) {
    return !day.isAfter(today) && !day.isBefore(today.minusYears(OLDEST));
  }

  /** Only of a form without contact problems. */
  public Contact contact() {
    return new Contact(
        get("name"),
        day("birthDate"),
        get("phone"),
        get("email"),
        zone().orElseThrow(),
        Locale.forLanguageTag(get("language")));
  }

  /** Only of a form without problems. */
  public Circumstances circumstances() {
    return new Circumstances(
        get("work"),
        deskHours(),
        number("screens", 0, MOST_SCREENS),
        Coded.find(Circumstances.Shifts.class, get("shifts")),
        Coded.find(Circumstances.Hand.class, get("hand")),
        new Means(read(Position.class, positions), read(Equipment.class, equipment)),
        number("minutes", 1, MOST_MINUTES),
        number("times", 1, MOST_TIMES),
        day("consent"));
  }

  public List<Goal> goals() {
    List<Goal> goals = new ArrayList<>();
    for (int i = 1; i <= GOALS; i++) {
      if (get("activity-" + i).isEmpty()) continue;
      goals.add(
          new Goal(
              get("activity-" + i),
              number("rated-" + i, 0, 10).orElseThrow(),
              number("wanted-" + i, 0, 10).orElseThrow()));
    }
    return goals;
  }

  public Optional<UUID> practitioner() {
    return id(get("practitioner"));
  }

  /** Those of the team who are colleagues. */
  public Set<UUID> team(Set<UUID> colleagues) {
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
