package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import jakarta.servlet.http.Cookie;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.review.KeptDecision;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.writing.Writing;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Posture;
import org.biokinet.core.measure.Questionnaire;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Order;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.CSpineRule;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.SelfCheck;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Tighter;
import org.biokinet.core.session.Told;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * What is stored or handed out as JSON is a contract: the files in {@code golden} were written once
 * and are read for ever. A change of what is written adds a file ({@code answers-2.json}) and keeps
 * the old one; nobody edits a file here.
 */
class GoldenTest extends AppTest {

  /**
   * What is written today.
   *
   * @param type as which it is read and written
   */
  private record Golden<T>(String name, Class<T> type, T today) {}

  @Autowired JdbcTemplate jdbc;

  private static final Posture.Marks MARKS =
      new Posture.Marks(
          Side.LEFT,
          point(583, 40),
          point(583, 1160),
          point(277, 286),
          point(452.5, 455),
          point(351, 690));

  private static final Weeks WEEKS =
      new Weeks(
          Optional.of(LocalDate.parse("2026-12-03")),
          Optional.of(LocalDate.parse("2027-01-07")),
          List.of(new Weeks.Hold(LocalDate.parse("2026-12-10"), Optional.of(Side.LEFT))));

  private static final Course COURSE =
      new Course(2, List.of(new Course.Phase("settle", LocalDate.parse("2026-11-26"))));

  private static Posture.Point point(double x, double y) {
    return new Posture.Point(x, y);
  }

  private static List<Golden<?>> all() {
    return List.of(
        answers(),
        new Golden<>(
            "writing-section",
            Writing.Section.class,
            new Writing.Section("Measured", "Pain now: from 6 to 3 (3 better, important)")),
        new Golden<>(
            "neck-rule",
            CSpineRule.class,
            new CSpineRule(true, false, false, false, true, Optional.of(true))),
        new Golden<>(
            "draft",
            Draft.class,
            new Draft(
                "Before the night watch",
                Optional.of(Side.RIGHT),
                Optional.of("Slowly, and never into pain."),
                List.of(
                    new DraftItem(
                        "v1-1",
                        "upper-trap-stretch",
                        "2x15s/side @3",
                        Optional.of(Position.STAND),
                        Optional.of(Order.ALTERNATE),
                        Optional.of(Side.LEFT),
                        Optional.of(Item.Priority.HIGH),
                        Optional.of(DraftItem.Mark.SUGGESTED),
                        Optional.of("L 2x20s R 2x30s"),
                        Optional.of(WEEKS)),
                    DraftItem.of("v1-2", "chin-tuck", "3x10s")),
                Optional.of(COURSE),
                Optional.of(2),
                Optional.of(4.5))),
        edit(
            "add",
            new DraftEdit.Add(
                "a", "chin-tuck", "3x10s", Optional.of(1), Optional.of(Position.STAND))),
        edit("remove", new DraftEdit.Remove("a")),
        edit("move", new DraftEdit.Move("a", 2)),
        edit("dose", new DraftEdit.SetDose("a", "30s")),
        edit("position", new DraftEdit.SetPosition("a", Position.SUPINE)),
        edit("title", new DraftEdit.SetTitle("Before the night watch")),
        edit("note", new DraftEdit.SetNote(Optional.of("Slowly, and never into pain."))),
        edit("order", new DraftEdit.SetOrder("a", Optional.of(Order.ALTERNATE))),
        edit("item-lead", new DraftEdit.SetItemLead("a", Optional.of(Side.LEFT))),
        edit("lead", new DraftEdit.SetLead(Optional.of(Side.RIGHT))),
        edit("priority", new DraftEdit.SetPriority("a", Item.Priority.HIGH)),
        edit("arrange", new DraftEdit.Arrange(List.of("b", "a"))),
        edit(
            "suggest",
            new DraftEdit.Suggest(
                List.of(DraftItem.of("a", "chin-tuck", "3x10s").suggested(true)))),
        edit("keep", new DraftEdit.Keep("a", true)),
        edit(
            "replace",
            new DraftEdit.Replace(
                new Draft(
                    "Before the night watch",
                    Optional.of(Side.RIGHT),
                    Optional.empty(),
                    List.of(DraftItem.of("v1-1", "chin-tuck", "3x10s")),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty()))),
        edit("target", new DraftEdit.SetTarget("a", Optional.of("2x30s"))),
        edit("weeks", new DraftEdit.SetWeeks("a", WEEKS)),
        edit("course", new DraftEdit.SetCourse(COURSE)),
        edit("breath", new DraftEdit.SetBreath(4.5)),
        edit("days", new DraftEdit.SetDays(3)),
        edit("duplicate", new DraftEdit.Duplicate("a", "b")),
        edit("move-all", new DraftEdit.MoveAll(List.of("a", "b"), 3)),
        edit("remove-all", new DraftEdit.RemoveAll(List.of("a", "b"))),
        edit("insert", new DraftEdit.Insert(List.of(DraftItem.of("a", "chin-tuck", "3x10s")))),
        edit(
            "review",
            new DraftEdit.Review(
                Map.of("a", "3x15s"), List.of("b"), Optional.of("One step more: chin tuck."))),
        new Golden<>(
            "kept-decision",
            KeptDecision.class,
            new KeptDecision(
                "upper-trap-stretch L",
                "Upper trapezius stretch",
                "9, go on one rung: nothing of the above, and there is a step to take",
                Outcome.GO_ON,
                "2x20s @3",
                Optional.of("2x30s @3"),
                false,
                List.of("7 of 7 days green"),
                List.of(),
                List.of("a red day, or two not green"),
                List.of(),
                Choice.Kind.ALTER,
                Outcome.STAY,
                Optional.of("2x20s @3"),
                "away next week")),
        measured("pain", new Measured.Pain(4, null, 6)),
        measured(
            "range",
            new Measured.Range(
                Motion.NECK_ROTATION,
                Side.LEFT,
                new Readings(Readings.Protocol.STRICT, List.of(60.0, 61.5, 60.5)),
                Measured.Source.INCLINOMETER)),
        measured(
            "map",
            new Measured.BodyMap(
                PainMap.EMPTY.with(
                    new PainMap.Mark(
                        BodyArea.TOP_OF_SHOULDER, Side.RIGHT, PainMap.Feeling.ACHE, 4)))),
        measured("activity", new Measured.Activity("looking over the shoulder", 5)),
        measured("endurance", new Measured.Endurance(21)),
        measured(
            "form",
            new Measured.Form(
                Questionnaire.NDI, Arrays.asList(2, 2, null, 1, 1, 1, 1, 1, 1, 1), true)),
        measured("global", new Measured.Global(-2)),
        measured("examination", new Measured.Examined(Map.of("reflexes-left", "normal"))),
        measured(
            "posture",
            new Measured.SidePhoto(UUID.fromString("1573c915-863b-4ede-a6af-c64e27cb3dc7"), MARKS)),
        new Golden<>(
            "own-exercise",
            OwnExercise.class,
            new OwnExercise(
                "table-levator", Map.of("positions", "stand"), Map.of("name", "At the table"))),
        new Golden<>(
            "snapshot",
            Catalogue.Snapshot.class,
            Catalogue.load()
                .snapshot(List.of("upper-trap-stretch", "chin-tuck", "neck-rotation"))));
  }

  private static Golden<Answers> answers() {
    return new Golden<>(
        "answers",
        Answers.class,
        Answers.of(
            Set.of(),
            Set.of("surgery"),
            Set.of("jaw"),
            4,
            Irritability.Settles.WITHIN_10_MINUTES,
            true));
  }

  private static Golden<DraftEdit> edit(String name, DraftEdit edit) {
    return new Golden<>("draft-edit-" + name, DraftEdit.class, edit);
  }

  private static Golden<Measured> measured(String name, Measured measured) {
    return new Golden<>("measured-" + name, Measured.class, measured);
  }

  @Test
  void whatWasWrittenIsReadAndWrittenAsItWas() throws Exception {
    for (Golden<?> g : all()) check(g);
  }

  private <T> void check(Golden<T> g) throws IOException {
    String newest = newest(g.name());
    assertThat(json.readTree(json.writerFor(g.type()).writeValueAsString(g.today())))
        .as(g.name())
        .isEqualTo(json.readTree(newest));
    assertThat(json.readValue(newest, g.type())).as(g.name()).isEqualTo(g.today());
  }

  /** Every file, however old. */
  @Test
  void everyOldFileIsRead() throws Exception {
    Map<String, Golden<?>> byName = all().stream().collect(Collectors.toMap(Golden::name, g -> g));
    int read = 0;
    for (Resource file : files()) {
      String name = String.valueOf(file.getFilename()).replaceAll("(-\\d+)?\\.json$", "");
      Golden<?> golden = byName.get(name);
      if (golden == null) continue; // asked for in tests of their own below
      assertThat(json.readValue(text(file), golden.type())).as(file.getFilename()).isNotNull();
      read++;
    }
    assertThat(read).isGreaterThanOrEqualTo(byName.size());
  }

  /** Whatever can be stored has its file. */
  @Test
  void nothingIsStoredWithoutAFile() {
    Set<Class<?>> shown =
        all().stream().map(g -> (Class<?>) g.today().getClass()).collect(Collectors.toSet());
    assertThat(shown).contains(DraftEdit.class.getPermittedSubclasses());
    assertThat(shown).contains(Measured.class.getPermittedSubclasses());
  }

  /**
   * Names that stand in stored values are never taken away; what V011 moved has a file of its own.
   */
  @Test
  void namesStay() throws Exception {
    JsonNode names = json.readTree(newest("names"));
    List<Class<? extends Enum<?>>> stored =
        List.of(
            Side.class,
            Position.class,
            Order.class,
            Item.Priority.class,
            Motion.class,
            BodyArea.class,
            PainMap.Feeling.class,
            Questionnaire.class,
            Readings.Protocol.class,
            Measured.Source.class,
            Ended.class,
            SessionLength.class,
            ProgramKind.class,
            Told.class,
            Tighter.class,
            SkipReason.class,
            FollowUpUpload.Kind.class,
            SelfCheck.Joint.class,
            SelfCheck.Felt.class,
            Answered.Source.class,
            Attention.class);
    for (Class<? extends Enum<?>> type : stored) {
      Set<String> today =
          Stream.of(type.getEnumConstants()).map(Enum::name).collect(Collectors.toSet());
      Set<String> then = new TreeSet<>();
      names.path(key(type)).forEach(n -> then.add(n.asText()));
      assertThat(then).as(type.getSimpleName()).isNotEmpty();
      assertThat(today).as(type.getSimpleName()).containsAll(then);
    }
  }

  /** As the file calls it, wherever the type lives now. */
  private static String key(Class<?> type) {
    return type == Ended.class ? "SessionRow$Ended" : type.getName().replaceAll(".*[.]", "");
  }

  /**
   * A version of long ago: its document with the entries of its day gives the same session. Where
   * the seconds differ, the arithmetic has changed: then the rule set counts up, and the old one is
   * kept for the versions that have it.
   */
  @Test
  void aVersionIsReplayedAsItWas() throws Exception {
    Catalogue then = Catalogue.of(json.readValue(text(file("snapshot")), Catalogue.Snapshot.class));
    String document = text(file("program"));
    ProgramDocument.Reading read = ProgramDocument.read(document, then);
    assertThat(read).isInstanceOf(ProgramDocument.Reading.Ok.class);
    Program program = ((ProgramDocument.Reading.Ok) read).program();
    assertThat(json.readTree(ProgramDocument.write(program))).isEqualTo(json.readTree(document));
    assertThat(Timeline.compile(program).seconds()).as("rule set 1").isEqualTo(SECONDS);
  }

  private static final int SECONDS = 222;

  /** What a device has sent is known again, whatever this software has learnt since. */
  @Test
  void whatADeviceSentIsTheSameAsEver() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    for (String kind : List.of("session", "check-in", "follow-up")) {
      mvc.perform(
              post("/me/" + kind + "s")
                  .param("client", client.getId().toString())
                  .cookie(device)
                  .with(csrf())
                  .contentType(MediaType.APPLICATION_JSON)
                  .content(text(file(kind + "-upload"))))
          .andExpect(status().isNoContent());
    }
    assertThat(hash("session_record", client)).isEqualTo(HASHES.get(0));
    assertThat(hash("check_in", client)).isEqualTo(HASHES.get(1));
    assertThat(hash("follow_up", client)).isEqualTo(HASHES.get(2));
  }

  private static final List<String> HASHES =
      List.of(
          "4aac64eb626316227e61d5c0e02157cd64a791a1ee638d17a572505cb0c4fac7",
          "81d3a03ce3d90ebd8946c9b63f10741a854fdd86b3c8e66aeee8416b14c0f936",
          "425898cf39b9db50ce79e81012f44c7e47c28b6410156e1790c6404abe8154c7");

  private String hash(String table, Client client) {
    return String.valueOf(
        jdbc.queryForObject(
            "select content_hash from %s where client_id = ?".formatted(table),
            String.class,
            client.getId().toString()));
  }

  private static Resource file(String name) {
    return new ClassPathResource("golden/" + name + ".json");
  }

  private static Resource[] files() throws IOException {
    return new PathMatchingResourcePatternResolver().getResources("classpath:golden/*.json");
  }

  private static String text(Resource file) throws IOException {
    return file.getContentAsString(StandardCharsets.UTF_8);
  }

  /** The file with the highest number. */
  private static String newest(String name) throws IOException {
    Resource newest = file(name);
    for (int n = 2; file(name + "-" + n).exists(); n++) newest = file(name + "-" + n);
    return text(newest);
  }
}
