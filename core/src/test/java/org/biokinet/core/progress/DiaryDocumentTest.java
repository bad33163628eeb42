package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.biokinet.core.progress.DiaryBuilder.GOOD;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.screening.Screening;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Pressed;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;
import org.junit.jupiter.api.Test;

/** That a diary outlives being written down; its people are invented. */
class DiaryDocumentTest {

  private static final Path SCHEMA = Path.of("../docs/formats/biokinet-diary.schema.json");

  private static Diary read(String text) {
    DiaryDocument.Reading read = DiaryDocument.read(text, DiaryBuilder.CATALOGUE);
    assertThat(read).isInstanceOf(DiaryDocument.Reading.Ok.class);
    return ((DiaryDocument.Reading.Ok) read).diary();
  }

  /** Arms and a bad night that were examined; a right knee that hurts. */
  private static Allowed examined() {
    Screening told =
        new Screening(
            Set.of(),
            Set.of(),
            8,
            true,
            Irritability.Settles.WITHIN_AN_HOUR,
            true,
            OptionalInt.of(4),
            Map.of(Condition.KNEE, Optional.of(Side.RIGHT)),
            "",
            "",
            "",
            false,
            false);
    Clearance clearance = new Clearance(Instant.EPOCH, "D", "both arms", "nothing new", "");
    return new Allowed(
        Assessment.of(told, Optional.of(clearance)),
        new Means(EnumSet.of(Position.CHAIR, Position.STAND), Set.of(Equipment.WALL)),
        4.5);
  }

  /** Everything that a diary can hold, much of it as no device would send it. */
  private static Diary full() {
    Diary d =
        new DiaryBuilder("upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "")
            .good(1, 4)
            .share(5, "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x8s", "")
            .good(5, 9)
            .session(6, GOOD, ProgramKind.DESK, Ended.STOPPED, Set.of())
            .session(
                9, GOOD.tooStrong("0L").provoked("1"), ProgramKind.MAIN, Ended.EARLY, Set.of(1))
            .woken(7)
            .refused(8, 7)
            .sign(3, Diary.Sign.Kind.HEADACHE, false)
            .pause(2, 3)
            .flare(2, Optional.of(4), Optional.of(0))
            .decided(5, "chin-tuck", Outcome.GO_ON, false)
            .asymmetric("upper-trap-stretch L")
            .painful(Tissue.Region.NECK)
            .threshold(Threshold.PAIN_AT_REST, 6)
            .keptUp(4)
            .measures(new Diary.Measures(true, true, OptionalInt.of(4), true))
            .pace(Pace.CAREFUL)
            .on(10);
    List<Session> sessions = new ArrayList<>(d.sessions());
    sessions.add(half(d.sessions().get(0)));
    List<Diary.MorningTold> mornings = new ArrayList<>(d.mornings());
    mornings.add(
        new Diary.MorningTold(
            d.now().minusSeconds(60),
            new Morning(d.today().minusDays(2), Optional.of(3), Optional.of(true))));
    List<Pause> pauses = new ArrayList<>(d.pauses());
    LocalDate ill = d.today().minusDays(4);
    pauses.add(new Pause(Pause.Kind.ILLNESS, ill, ill, true, Optional.of(ill.plusDays(1))));
    List<Item> desk = DiaryBuilder.program("neck-rotation", "3", "").items();
    return new Diary(
        d.now(),
        d.zone(),
        Policy.COMFORT_FIRST,
        d.pace(),
        d.thresholds(),
        Optional.of(examined()),
        d.painful(),
        numberedFrom(5, d.versions()),
        sessions.stream().map(DiaryDocumentTest::ofFifth).toList(),
        mornings,
        d.refused(),
        d.signs(),
        pauses,
        d.flares(),
        d.decided(),
        d.asymmetric(),
        d.measures(),
        d.keptUp(),
        desk,
        desk);
  }

  private static List<Diary.Version> numberedFrom(int first, List<Diary.Version> versions) {
    return versions.stream()
        .map(v -> new Diary.Version(first + v.number() - 1, v.sharedAt(), v.program()))
        .toList();
  }

  private static Session ofFifth(Session s) {
    return with(s, s.version() + 4, s.startedAt(), s.parts(), s.checkIn(), s.pressed());
  }

  /** Of a version that is not there any more; half of it, and nothing told but a tap. */
  private static Session half(Session s) {
    List<Performance.Part> parts =
        s.parts().stream()
            .map(
                p ->
                    new Performance.Part(
                        p.item(), p.side(), p.seconds() / 2, p.plannedSeconds(), 0, 0, 2))
            .toList();
    Pressed tap = new Pressed(Pressed.What.TOO_STRONG, new ItemSide(0, Optional.of(Side.LEFT)), 10);
    return with(s, -3, s.startedAt().plusSeconds(7200), parts, Optional.empty(), List.of(tap));
  }

  private static Session with(
      Session s,
      int version,
      Instant at,
      List<Performance.Part> parts,
      Optional<CheckIn> checkIn,
      List<Pressed> pressed) {
    return new Session(
        s.program(),
        version,
        s.lead(),
        s.length(),
        at,
        s.day(),
        s.painBefore(),
        s.ended(),
        s.secondsDone() / 3,
        s.secondsPlanned(),
        s.whileClosed(),
        s.putRight(),
        s.told(),
        parts,
        checkIn,
        s.settled(),
        Set.<Eased>of(),
        pressed);
  }

  @Test
  void allOfItIsReadAgain() {
    Diary diary = full();
    Diary again = read(DiaryWriter.write(diary));
    assertThat(DiaryWriter.write(again)).isEqualTo(DiaryWriter.write(diary));
    assertThat(Review.of(again)).isEqualTo(Review.of(diary));
    assertThat(Overview.of(again, 28)).isEqualTo(Overview.of(diary, 28));
    assertThat(again)
        .usingRecursiveComparison()
        .ignoringFields("sessions", "allowed", "pauses")
        .isEqualTo(diary);
    assertThat(again.sessions())
        .extracting(Session::startedAt, Session::version, Session::secondsDone, Session::parts)
        .isEqualTo(
            diary.sessions().stream()
                .map(s -> tuple(s.startedAt(), s.version(), s.secondsDone(), s.parts()))
                .toList());
    assertThat(again.pauses())
        .extracting(Pause::last)
        .isEqualTo(diary.pauses().stream().map(Pause::last).toList());
    assertThat(again.allowed().orElseThrow().means()).isEqualTo(examined().means());
    assertThat(again.allowed().orElseThrow().breathSeconds()).isEqualTo(4.5);
  }

  /** What limits is the same, and what was examined does not close anything again. */
  @Test
  void theScreeningLimitsAsBefore() {
    Assessment before = examined().assessment();
    Assessment again = read(DiaryWriter.write(full())).allowed().orElseThrow().assessment();
    assertThat(before.inForce()).containsKeys(Condition.NERVE_ROOT, Condition.KNEE);
    assertThat(again.inForce()).isEqualTo(before.inForce());
    assertThat(again.result()).isEqualTo(Assessment.Result.PRECAUTIONS);
    assertThat(again.irritability()).isEqualTo(before.irritability());
    assertThat(again.againstStrongPull()).isEqualTo(before.againstStrongPull());
  }

  @Test
  void whatIsWrittenFitsTheSchema() throws Exception {
    ObjectMapper json = new ObjectMapper();
    assertThat(
            JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(SCHEMA))
                .validate(json.readTree(DiaryWriter.write(full()))))
        .isEmpty();
  }

  @Test
  void whatWasDoneIsSaidInOneWay() {
    String written = DiaryWriter.write(full());
    String both = written.replaceFirst("\"parts\":", "\"left\":[0],\"parts\":");
    String tooMuch = written.replaceFirst("\"part\":\"0L\"", "\"part\":\"7L\"");
    String backwards = written.replaceFirst("\"number\":6", "\"number\":5");
    assertThat(faults(both)).containsExactly("session 1: left: not beside parts");
    assertThat(faults(tooMuch)).containsExactly("session 1: there is no item 7; they count from 0");
    assertThat(faults(backwards))
        .containsExactly("version 2: number: a whole number from 6 to 99999, not 5");
  }

  private static List<String> faults(String text) {
    DiaryDocument.Reading read = DiaryDocument.read(text, DiaryBuilder.CATALOGUE);
    assertThat(read).isInstanceOf(DiaryDocument.Reading.Bad.class);
    return ((DiaryDocument.Reading.Bad) read).faults();
  }
}
