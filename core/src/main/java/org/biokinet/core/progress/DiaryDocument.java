package org.biokinet.core.progress;

import com.fasterxml.jackson.databind.JsonNode;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.document.Fields;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.ScreeningDocument;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;

/**
 * The open format in which a diary is written down; its JSON Schema is in docs/formats. Programs in
 * it are those of {@link ProgramDocument}.
 */
public final class DiaryDocument {

  public static final String FORMAT = "biokinet-diary";
  public static final int VERSION = 1;

  /** What reading gave. */
  public sealed interface Reading {
    record Ok(Diary diary) implements Reading {}

    /** Every fault, in the order in which it was looked for. */
    record Bad(List<String> faults) implements Reading {
      public Bad {
        faults = List.copyOf(faults);
      }
    }
  }

  private static final Set<String> KEYS =
      Set.of(
          "format",
          "version",
          "now",
          "zone",
          "policy",
          "pace",
          "thresholds",
          "keptUp",
          "screening",
          "breathSeconds",
          "positions",
          "equipment",
          "painful",
          "versions",
          "sessions",
          "mornings",
          "refused",
          "signs",
          "pauses",
          "flares",
          "decided",
          "asymmetric",
          "measures",
          "before",
          "beside");
  private static final Set<String> VERSION_KEYS = Set.of("number", "sharedAt", "program");
  private static final Set<String> SESSION_KEYS =
      Set.of(
          "of",
          "version",
          "startedAt",
          "day",
          "ended",
          "left",
          "parts",
          "seconds",
          "planned",
          "painBefore",
          "highestPain",
          "stretchFelt",
          "provoked",
          "tooStrong",
          "settled");
  private static final Set<String> PART_KEYS =
      Set.of("part", "seconds", "of", "stretch", "reps", "ofReps");
  private static final Set<String> MORNING_KEYS = Set.of("at", "day", "pain", "woken");
  private static final Set<String> REFUSED_KEYS = Set.of("at", "pain");
  private static final Set<String> SIGN_KEYS = Set.of("at", "kind", "examined");
  private static final Set<String> PAUSE_KEYS = Set.of("from", "until", "kind", "ended");
  private static final Set<String> FLARE_KEYS = Set.of("begun", "days", "ended", "before");
  private static final Set<String> DECIDED_KEYS = Set.of("at", "part", "outcome", "atTarget");
  private static final Set<String> MEASURE_KEYS =
      Set.of("goalsMet", "ndiBetter", "ndi", "beyondError");

  private static final int MOST_NDI = 50;

  /** More is no number of a version, of a session's seconds, or of repetitions; our choice. */
  private static final int MOST = 99_999;

  private final Catalogue catalogue;
  private final Fields fields = new Fields();
  private final List<String> faults = fields.faults();

  private DiaryDocument(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** Reads a document and reports all that is wrong with it at once. */
  public static Reading read(String text, Catalogue catalogue) {
    return new DiaryDocument(catalogue).read(text);
  }

  private Reading read(String text) {
    Optional<JsonNode> read = fields.root(text, "diary", FORMAT, VERSION);
    if (read.isEmpty()) return new Reading.Bad(faults);
    JsonNode root = read.get();
    fields.known("", root, KEYS);
    Instant now = fields.moment("", root, "now");
    ZoneId zone =
        fields.parsed("", root, "zone", "a zone such as Europe/Lisbon", ZoneOffset.UTC, ZoneId::of);
    Policy policy = fields.coded("", root, "policy", Policy.class, Policy.COMFORT_FIRST);
    Pace pace = fields.coded("", root, "pace", Pace.class, Pace.USUAL);
    Thresholds thresholds = thresholds(root.path("thresholds"));
    List<Diary.Version> versions = versions(root, now);
    Optional<Allowed> allowed = allowed(root, policy, versions);
    List<Session> sessions = new ArrayList<>();
    fields.each(
        root,
        "sessions",
        "session",
        (w, n) -> session(w, n, zone, versions).ifPresent(sessions::add));
    List<Diary.MorningTold> mornings = new ArrayList<>();
    fields.each(root, "mornings", "morning", (w, n) -> mornings.add(morning(w, n, zone)));
    List<Diary.Refused> refused = new ArrayList<>();
    fields.each(root, "refused", "refused", (w, n) -> refused.add(refused(w, n)));
    List<Diary.Sign> signs = new ArrayList<>();
    fields.each(root, "signs", "sign", (w, n) -> sign(w, n).ifPresent(signs::add));
    List<Pause> pauses = new ArrayList<>();
    fields.each(root, "pauses", "pause", (w, n) -> pauses.add(pause(w, n)));
    List<Flare> flares = new ArrayList<>();
    fields.each(root, "flares", "flare", (w, n) -> flares.add(flare(w, n)));
    List<Diary.Decided> decided = new ArrayList<>();
    fields.each(root, "decided", "decision", (w, n) -> decided(w, n).ifPresent(decided::add));
    Set<Part> asymmetric = new HashSet<>();
    fields.each(
        root,
        "asymmetric",
        "asymmetric",
        (w, n) -> part(w, n.isTextual() ? n.asText() : "").ifPresent(asymmetric::add));
    Set<Tissue.Region> painful =
        names(root, "painful", Tissue.Region.class, Set.of(Tissue.Region.values()));
    Diary.Measures measures = measures(root.path("measures"));
    Optional<Instant> keptUp = fields.momentOrNone("", root, "keptUp");
    List<Item> before = items("before", root);
    List<Item> beside = items("beside", root);
    if (!faults.isEmpty()) return new Reading.Bad(faults);
    return new Reading.Ok(
        new Diary(
            now,
            zone,
            policy,
            pace,
            thresholds,
            allowed,
            painful,
            versions,
            sessions,
            mornings,
            refused,
            signs,
            pauses,
            flares,
            decided,
            asymmetric,
            measures,
            keptUp,
            before,
            beside));
  }

  /** By their codes; the usual ones where nothing is said. */
  private Thresholds thresholds(JsonNode node) {
    if (node.isMissingNode()) return Thresholds.USUAL;
    Set<String> codes =
        Stream.of(Threshold.values()).map(Threshold::code).collect(Collectors.toSet());
    if (!fields.object("thresholds: ", node, codes)) return Thresholds.USUAL;
    Map<Threshold, Integer> own = new EnumMap<>(Threshold.class);
    for (Threshold t : Threshold.values()) {
      if (!node.has(t.code())) continue;
      int value =
          fields.whole(
              "thresholds: ", node, t.code(), t.least(), t.most(), Integer.valueOf(t.usual()));
      if (t.allows(value)) own.put(t, value);
    }
    return new Thresholds(own);
  }

  // ---- what was shared, and what may be ----------------------------------------------------

  private List<Diary.Version> versions(JsonNode root, Instant now) {
    List<Diary.Version> versions = new ArrayList<>();
    fields.each(
        root,
        "versions",
        "version",
        (where, node) -> {
          if (!fields.object(where, node, VERSION_KEYS)) return;
          Instant at = fields.moment(where, node, "sharedAt");
          if (at.isAfter(now)) faults.add(where + "sharedAt: not after now");
          int least = versions.isEmpty() ? 1 : versions.get(versions.size() - 1).number() + 1;
          int number = fields.whole(where, node, "number", least, MOST, least);
          program(where, node.path("program"))
              .ifPresent(program -> versions.add(new Diary.Version(number, at, program)));
        });
    if (root.path("versions").isEmpty()) faults.add("versions: a list of at least one");
    for (int i = 1; i < versions.size(); i++) {
      if (!versions.get(i).sharedAt().isAfter(versions.get(i - 1).sharedAt())) {
        faults.add("version %d: sharedAt: after that of the version before".formatted(i + 1));
      }
    }
    return versions;
  }

  private Optional<Program> program(String where, JsonNode node) {
    ProgramDocument.Reading read = ProgramDocument.read(node.toString(), catalogue);
    if (read instanceof ProgramDocument.Reading.Ok ok) return Optional.of(ok.program());
    ((ProgramDocument.Reading.Bad) read).faults().forEach(f -> faults.add(where + f));
    return Optional.empty();
  }

  /** Those of a program; none where it is left out. */
  private List<Item> items(String key, JsonNode root) {
    return root.has(key)
        ? program(key + ": ", root.path(key)).map(Program::items).orElse(List.of())
        : List.of();
  }

  /** Empty where nobody has been screened. */
  private Optional<Allowed> allowed(JsonNode root, Policy policy, List<Diary.Version> versions) {
    if (!root.has("screening")) return Optional.empty();
    Optional<Assessment> assessment = ScreeningDocument.read(fields, root.path("screening"));
    Set<Position> positions = fields.codes(root, "positions", Position.class);
    Set<Equipment> equipment = fields.codes(root, "equipment", Equipment.class);
    Means means =
        new Means(positions.isEmpty() ? EnumSet.allOf(Position.class) : positions, equipment);
    List<String> against = assessment.map(policy::against).orElse(List.of());
    if (!against.isEmpty()) {
      faults.add("policy: %s is refused: %s".formatted(policy.code(), String.join("; ", against)));
    }
    if (versions.isEmpty()) return Optional.empty();
    double usual = versions.get(versions.size() - 1).program().breathSeconds();
    double breath = root.path("breathSeconds").asDouble(usual);
    if (breath < Program.SHORTEST_BREATH || breath > Program.LONGEST_BREATH) {
      faults.add("breathSeconds: a number from 2 to 20, not " + root.path("breathSeconds"));
    }
    return assessment.map(a -> new Allowed(a.under(policy), means, breath));
  }

  // ---- sessions ----------------------------------------------------------------------------

  private Optional<Session> session(
      String where, JsonNode node, ZoneId zone, List<Diary.Version> versions) {
    if (!fields.object(where, node, SESSION_KEYS)) return Optional.empty();
    int before = faults.size();
    ProgramKind kind = fields.coded(where, node, "of", ProgramKind.class, ProgramKind.MAIN);
    int last = versions.isEmpty() ? 1 : versions.get(versions.size() - 1).number();
    int version = fields.whole(where, node, "version", 1, MOST, last);
    Optional<Program> program =
        kind == ProgramKind.MAIN
            ? versions.stream()
                .filter(v -> v.number() == version)
                .map(Diary.Version::program)
                .findFirst()
            : Optional.empty();
    boolean inParts = node.has("parts");
    if (kind == ProgramKind.MAIN && program.isEmpty() && !inParts && !versions.isEmpty()) {
      faults.add("%sversion: one of those above, not %d".formatted(where, version));
    }
    Instant at = fields.moment(where, node, "startedAt");
    LocalDate day = dayOr(where, node, LocalDate.ofInstant(at, zone));
    Ended ended = name(where, node, "ended", Ended.class, Ended.FINISHED);
    Set<Integer> left = new HashSet<>();
    for (JsonNode place : node.path("left")) left.add(place.asInt(-1));
    Optional<Integer> pain = tenth(where, node, "painBefore");
    Optional<Integer> highest = tenth(where, node, "highestPain");
    Optional<Integer> felt = tenth(where, node, "stretchFelt");
    Set<ItemSide> provoked = parts(where, node, "provoked");
    Set<ItemSide> tooStrong = parts(where, node, "tooStrong");
    Optional<Session.Settled> settled =
        node.has("settled")
            ? Optional.of(
                new Session.Settled(
                    fields.flag(where, node, "settled"), at.plus(Duration.ofHours(1))))
            : Optional.empty();
    List<Performance.Part> parts = new ArrayList<>();
    if (node.has("left") && inParts) faults.add(where + "left: not beside parts");
    fields.each(node, "parts", where + "part", (w, n) -> part(w, n).ifPresent(parts::add));
    if (faults.size() > before || (kind == ProgramKind.MAIN && versions.isEmpty())) {
      return Optional.empty();
    }
    program.ifPresent(
        p ->
            Stream.of(
                    left.stream(),
                    parts.stream().map(Performance.Part::item),
                    provoked.stream().map(ItemSide::item),
                    tooStrong.stream().map(ItemSide::item))
                .flatMap(s -> s)
                .filter(place -> place < 0 || place >= p.items().size())
                .distinct()
                .forEach(
                    place ->
                        faults.add(
                            "%sthere is no item %d; they count from 0".formatted(where, place))));
    if (faults.size() > before) return Optional.empty();
    boolean said = highest.isPresent() || felt.isPresent() || node.has("tooStrong");
    int seconds;
    if (inParts || program.isEmpty()) {
      seconds = fields.whole(where, node, "seconds", 0, MOST, 0);
    } else {
      Timeline timeline = timeline(program.get(), left);
      seconds = timeline.seconds();
      parts.addAll(Performance.inFull(timeline).parts());
    }
    return Optional.of(
        Session.plain(
            kind,
            version,
            at,
            day,
            pain,
            ended,
            seconds,
            fields.whole(where, node, "planned", 0, MOST, seconds),
            parts,
            said
                ? Optional.of(
                    new CheckIn(highest, felt, Map.of(), provoked, tooStrong, Map.of(), ""))
                : Optional.empty(),
            settled));
  }

  /** What was done of an item on a side; all that was planned where nothing else is said. */
  private Optional<Performance.Part> part(String where, JsonNode node) {
    if (!fields.object(where, node, PART_KEYS)) return Optional.empty();
    int before = faults.size();
    ItemSide of =
        fields.parsed(
            where,
            node,
            "part",
            "an item such as 0L or 3",
            new ItemSide(0, Optional.empty()),
            ItemSide::of);
    int seconds = fields.whole(where, node, "seconds", 0, MOST, null);
    int reps = fields.whole(where, node, "reps", 0, MOST, null);
    int planned = fields.whole(where, node, "of", seconds, MOST, seconds);
    int stretch = fields.whole(where, node, "stretch", 0, seconds, 0);
    int plannedReps = fields.whole(where, node, "ofReps", reps, MOST, reps);
    if (faults.size() > before) return Optional.empty();
    return Optional.of(
        new Performance.Part(of.item(), of.side(), seconds, planned, stretch, reps, plannedReps));
  }

  private LocalDate dayOr(String where, JsonNode node, LocalDate otherwise) {
    return node.has("day") ? fields.day(where, node, "day") : otherwise;
  }

  private static Timeline timeline(Program program, Set<Integer> left) {
    return Timeline.compile(program.session(Side.LEFT, SessionLength.USUAL).without(left));
  }

  private Optional<Integer> tenth(String where, JsonNode node, String key) {
    return node.has(key)
        ? Optional.of(fields.whole(where, node, key, TenPoint.LEAST, TenPoint.MOST, null))
        : Optional.empty();
  }

  private Set<ItemSide> parts(String where, JsonNode node, String key) {
    Set<ItemSide> parts = new HashSet<>();
    JsonNode list = node.path(key);
    if (!list.isMissingNode() && !list.isArray()) faults.add(where + key + ": a list");
    for (JsonNode one : list) {
      try {
        parts.add(ItemSide.of(one.asText()));
      } catch (IllegalArgumentException e) {
        faults.add("%s%s: an item such as 0L or 3, not %s".formatted(where, key, one));
      }
    }
    return parts;
  }

  // ---- what else was told ------------------------------------------------------------------

  private Diary.MorningTold morning(String where, JsonNode node, ZoneId zone) {
    fields.object(where, node, MORNING_KEYS);
    Instant at = fields.moment(where, node, "at");
    Optional<Boolean> woken =
        node.has("woken") ? Optional.of(fields.flag(where, node, "woken")) : Optional.empty();
    return new Diary.MorningTold(
        at,
        new Morning(
            dayOr(where, node, LocalDate.ofInstant(at, zone)), tenth(where, node, "pain"), woken));
  }

  private Diary.Refused refused(String where, JsonNode node) {
    fields.object(where, node, REFUSED_KEYS);
    return new Diary.Refused(
        fields.moment(where, node, "at"),
        fields.whole(where, node, "pain", TenPoint.LEAST, TenPoint.MOST, null));
  }

  private Optional<Diary.Sign> sign(String where, JsonNode node) {
    if (!fields.object(where, node, SIGN_KEYS)) return Optional.empty();
    return Optional.of(
        new Diary.Sign(
            fields.moment(where, node, "at"),
            name(where, node, "kind", Diary.Sign.Kind.class, null),
            fields.flag(where, node, "examined")));
  }

  private Pause pause(String where, JsonNode node) {
    fields.object(where, node, PAUSE_KEYS);
    LocalDate from = fields.day(where, node, "from");
    LocalDate until = fields.day(where, node, "until");
    if (until.isBefore(from)) faults.add(where + "until: not before from");
    Optional<LocalDate> ended =
        node.has("ended") ? Optional.of(fields.day(where, node, "ended")) : Optional.empty();
    return new Pause(
        name(where, node, "kind", Pause.Kind.class, Pause.Kind.HOLIDAY), from, until, false, ended);
  }

  private Flare flare(String where, JsonNode node) {
    fields.object(where, node, FLARE_KEYS);
    return new Flare(
        fields.moment(where, node, "begun"),
        fields.whole(where, node, "days", 1, 14, 2),
        fields.momentOrNone(where, node, "ended"),
        fields.momentOrNone(where, node, "before"));
  }

  private Optional<Diary.Decided> decided(String where, JsonNode node) {
    if (!fields.object(where, node, DECIDED_KEYS)) return Optional.empty();
    Instant at = fields.moment(where, node, "at");
    Outcome outcome = name(where, node, "outcome", Outcome.class, null);
    boolean atTarget = fields.flag(where, node, "atTarget");
    return part(where + "part: ", node.path("part").asText())
        .map(p -> new Diary.Decided(at, p, outcome, atTarget));
  }

  private Optional<Part> part(String where, String text) {
    try {
      return Optional.of(Part.of(text));
    } catch (IllegalArgumentException e) {
      faults.add(where + e.getMessage());
      return Optional.empty();
    }
  }

  private Diary.Measures measures(JsonNode node) {
    if (node.isMissingNode()) return Diary.Measures.NONE;
    String where = "measures: ";
    fields.object(where, node, MEASURE_KEYS);
    return new Diary.Measures(
        fields.flag(where, node, "goalsMet"),
        fields.flag(where, node, "ndiBetter"),
        node.has("ndi")
            ? OptionalInt.of(fields.whole(where, node, "ndi", 0, MOST_NDI, null))
            : OptionalInt.empty(),
        fields.flag(where, node, "beyondError"));
  }

  // ---- names -------------------------------------------------------------------------------

  /** How a value that has no code of its own is written: "go-on". */
  static String code(Enum<?> value) {
    return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private <T extends Enum<T>> T name(
      String where, JsonNode node, String key, Class<T> type, @Nullable T usual) {
    if (!node.has(key) && usual != null) return usual;
    String codes =
        Stream.of(type.getEnumConstants())
            .map(DiaryDocument::code)
            .collect(Collectors.joining(", "));
    return fields.parsed(
        where, node, key, codes, type.getEnumConstants()[0], text -> value(type, text));
  }

  private static <T extends Enum<T>> T value(Class<T> type, String code) {
    return Stream.of(type.getEnumConstants())
        .filter(v -> code(v).equals(code))
        .findFirst()
        .orElseThrow(IllegalArgumentException::new);
  }

  private <T extends Enum<T>> Set<T> names(JsonNode root, String key, Class<T> type, Set<T> all) {
    Set<T> found = EnumSet.noneOf(type);
    String codes = all.stream().map(DiaryDocument::code).sorted().collect(Collectors.joining(", "));
    JsonNode list = root.path(key);
    if (!list.isMissingNode() && !list.isArray()) faults.add(key + ": a list");
    for (JsonNode one : list) {
      Optional<T> value = all.stream().filter(v -> code(v).equals(one.asText())).findFirst();
      if (value.isEmpty()) faults.add("%s: %s, not %s".formatted(key, codes, one));
      value.ifPresent(found::add);
    }
    return found;
  }
}
