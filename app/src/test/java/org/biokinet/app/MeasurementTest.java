package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.sun.management.ThreadMXBean;
import jakarta.servlet.http.Cookie;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.measurement.PhotographService;
import org.biokinet.app.measurement.SamplePhoto;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.draw.SidePhotograph;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Posture;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** A measuring visit: saved as it goes, corrected without loss, read off honestly. */
class MeasurementTest extends AppTest {

  @Autowired MeasurementService measurements;
  @Autowired LibraryService library;

  private MeasurementService.Found found(Client client) {
    return measurements.found(client, library.of(client.practiceId()));
  }

  @Autowired PhotographService photographs;
  @Autowired JdbcTemplate jdbc;

  private ResultActions send(Me me, Client client, String what, String... nameAndValue)
      throws Exception {
    var request = as(me, post("/clients/" + client.getId() + "/measure/" + what));
    for (int i = 0; i < nameAndValue.length; i += 2) {
      request.param(nameAndValue[i], nameAndValue[i + 1]);
    }
    return mvc.perform(request);
  }

  private ResultActions range(Me me, Client client, String side, String readings) throws Exception {
    return send(
        me, client, "range", "motion", "neck-lateral-flexion", "side", side, "readings", readings);
  }

  private int rows(Client client) {
    return jdbc.queryForObject(
        "select count(*) from measurement where client_id = ?",
        Integer.class,
        client.getId().toString());
  }

  @Test
  void anAsymmetryBecomesAFindingWithTheTreatedSide() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    range(me, client, "LEFT", "30 32").andExpect(status().isOk());
    range(me, client, "RIGHT", "41 43")
        .andExpect(content().string(containsString("11° (26 %) less to the left")))
        .andExpect(
            content()
                .string(
                    containsString(
                        "tilting left 31° of 45, 11° less than right → lengthen right upper trapezius")));
    String code = found(client).findings().get(0).code();
    send(me, client, "finding", "code", code, "confirmed", "true");
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(containsString("find upper trapezius")))
        .andExpect(content().string(containsString("confirmed")));
    send(me, client, "finding", "code", code);
    assertThat(found(client).standing()).isEmpty();
    send(me, client, "finding", "words", "jaw clenches at night");
    assertThat(found(client).standing())
        .extracting(MeasurementService.Judged::words)
        .containsExactly("jaw clenches at night");
  }

  /** Another problem: what the last one's measures pointed to is no finding of this one. */
  @Test
  void findingsOfAnEarlierEpisodeDoNotCount() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    send(me, client, "range", "motion", "neck-rotation", "side", "LEFT", "readings", "40 40");
    send(me, client, "range", "motion", "neck-rotation", "side", "RIGHT", "readings", "75 75");
    assertThat(found(clients.byId(client.getId())).findings()).isNotEmpty();
    clock.moveTo(clock.instant().plusSeconds(60));
    clients.beginEpisode(me, client.getId(), "the wrist");
    assertThat(found(clients.byId(client.getId())).findings()).isEmpty();
  }

  @Test
  void aCorrectionIsAppendedAndTheCurrentValueShown() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    range(me, client, "LEFT", "30 32");
    clock.moveTo(clock.instant().plusSeconds(5));
    range(me, client, "LEFT", "40 42");
    assertThat(rows(client)).isEqualTo(2);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure")))
        .andExpect(content().string(containsString("value=\"40 42\"")))
        .andExpect(content().string(not(containsString("value=\"30 32\""))));
    clock.moveTo(clock.instant().plus(Duration.ofDays(3)));
    range(me, client, "LEFT", "44 46")
        .andExpect(content().string(containsString("45° (up to 46°), last 41°")));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure/history")))
        .andExpect(content().string(containsString(">41<")))
        .andExpect(content().string(containsString(">45<")));
  }

  @Test
  void whatIsWrongIsSaidAndNotKept() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    range(me, client, "LEFT", "3O 32")
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("such as 31 33")));
    send(me, client, "pain", "now", "4", "best", "5", "worst", "3")
        .andExpect(content().string(containsString("The best is not above the worst.")));
    send(me, client, "pain", "now", "", "worst", "5").andExpect(status().isUnprocessableEntity());
    send(me, client, "mark", "line", "r shoulder 4")
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Which one: ")));
    send(me, client, "endurance", "seconds", "-3").andExpect(status().isUnprocessableEntity());
    send(me, client, "global", "value", "8").andExpect(status().isUnprocessableEntity());
    send(me, client, "form", "questionnaire", "NDI", "item-0", "6")
        .andExpect(content().string(containsString("pain: 0 to 5, or nothing.")));
    send(me, client, "activity", "activity", "nobody's goal", "rated", "4")
        .andExpect(status().isUnprocessableEntity());
    assertThat(rows(client)).isZero();
  }

  @Test
  void theStrictProtocolSaysWhatItStillWants() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String[] base = {"motion", "neck-rotation", "side", "LEFT", "strict", "true", "readings", ""};
    for (String[] step :
        new String[][] {
          {"66 68", "one more reading"},
          {"66 68 67", "67° (up to 68°, strict)"},
          {"20 40 20 40 20 40", "inconsistent after 6 tries"}
        }) {
      String[] now = Arrays.copyOf(base, base.length);
      now[7] = step[0];
      send(me, client, "range", now).andExpect(content().string(containsString(step[1])));
    }
  }

  @Test
  void questionnairesAreScoredWithTheirBandAndChange() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String[] before = new String[22];
    String[] after = new String[22];
    for (int i = 0; i < 10; i++) {
      before[2 * i] = after[2 * i] = "item-" + i;
      before[2 * i + 1] = "2";
      after[2 * i + 1] = i < 7 ? "1" : "2";
    }
    before[20] = after[20] = "questionnaire";
    before[21] = after[21] = "NDI";
    send(me, client, "form", before)
        .andExpect(content().string(containsString("20 of 50, moderate")));
    clock.moveTo(clock.instant().plus(Duration.ofDays(20)));
    send(me, client, "form", after)
        .andExpect(content().string(containsString("13 of 50, mild")))
        .andExpect(content().string(containsString("7 better, important")));
    // Something new: what was before it is no beginning of this.
    clients.beginEpisode(me, client.getId(), "the other shoulder");
    clock.moveTo(clock.instant().plus(Duration.ofDays(2)));
    send(me, client, "form", before)
        .andExpect(content().string(containsString("20 of 50, moderate")))
        .andExpect(content().string(not(containsString("7 worse"))));
  }

  @Test
  void theClientRatesThroughTheLinkAndBothStandApart() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    change(me, client, Set.of(), List.of(new Goal("parking", 4, 9)));
    Cookie device = device(me, client);
    mvc.perform(get("/me/rate").cookie(device))
        .andExpect(content().string(containsString("parking")));
    mvc.perform(post("/me/rate").with(csrf()).cookie(device))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Nothing is answered yet")));
    mvc.perform(
            post("/me/rate")
                .with(csrf())
                .cookie(device)
                .param("now", "3")
                .param("worst", "5")
                .param("goal-0", "6")
                .param("global", "4"))
        .andExpect(redirectedUrl("/me/rate?sent"));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure")))
        .andExpect(content().string(containsString("now 3, worst 5")))
        .andExpect(content().string(containsString("+4, moderately better")));
    // The practitioner's own value of the same day stands beside it, not in its place.
    send(me, client, "pain", "now", "4");
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure")))
        .andExpect(content().string(containsString("now 4")))
        .andExpect(content().string(not(containsString("now 3, worst 5"))));
    assertThat(
            jdbc.queryForObject(
                "select count(*) from measurement where client_id = ? and kind = 'PAIN' and"
                    + " supersedes is null",
                Integer.class,
                client.getId().toString()))
        .isEqualTo(2);
  }

  @Test
  void theMapIsSeenFromEitherSideAndStoredAsTheClientsOwn() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    send(
            me,
            client,
            "mark",
            "area",
            "top-of-shoulder",
            "side",
            "RIGHT",
            "feeling",
            "ache",
            "intensity",
            "4")
        .andExpect(content().string(containsString("right top of the shoulder, ache 4")));
    send(me, client, "view", "facing", "true")
        .andExpect(content().string(containsString("facing you")))
        .andExpect(content().string(containsString("right top of the shoulder, ache 4")));
    send(me, client, "mark", "area", "top-of-shoulder", "side", "RIGHT", "intensity", "0")
        .andExpect(content().string(not(containsString("right top of the shoulder, ache 4"))));
  }

  // ---- photographs --------------------------------------------------------------------------

  private static byte[] picture(int width, int height, String format) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
    return out.toByteArray();
  }

  private ResultActions upload(Me me, Client client, byte[] content, String name, String facing)
      throws Exception {
    return mvc.perform(
        multipart("/clients/" + client.getId() + "/measure/photographs")
            .file(new MockMultipartFile("file", name, "image/jpeg", content))
            .param("facing", facing)
            .with(csrf())
            .with(signedIn(me)));
  }

  @Test
  void hostileUploadsAreRefusedClearly() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    byte[] good = picture(600, 800, "jpg");
    byte[] bomb = picture(10, 10, "png");
    // The header of a PNG says how large it is: 60000 × 60000 in a few bytes.
    bomb[16] = 0;
    bomb[17] = 0;
    bomb[18] = bomb[22] = (byte) 0xea;
    bomb[19] = bomb[23] = 0x60;
    Object[][] hostile = {
      {
        "<svg xmlns='http://www.w3.org/2000/svg'><script>1</script></svg>"
            .getBytes(StandardCharsets.UTF_8),
        "Only JPEG and PNG"
      },
      {"GIF89a".getBytes(StandardCharsets.UTF_8), "Only JPEG and PNG"},
      {picture(10, 10, "gif"), "Only JPEG and PNG"},
      {"%PDF-1.7 not a picture at all".getBytes(StandardCharsets.UTF_8), "Only JPEG and PNG"},
      {Arrays.copyOf(good, good.length / 2), ""},
      {bomb, ""},
      {new byte[0], "Choose a photograph first."},
    };
    for (Object[] h : hostile) {
      upload(me, client, (byte[]) h[0], "side.jpg", "LEFT")
          .andExpect(redirectedUrl("/clients/" + client.getId() + "/measure/posture"))
          .andExpect(flash().attribute("uploadError", containsString((String) h[1])));
    }
    upload(me, client, good, "side.jpg", "")
        .andExpect(flash().attribute("uploadError", containsString("which way")));
    assertThat(
            jdbc.queryForObject(
                "select count(*) from photograph where client_id = ?",
                Integer.class,
                client.getId().toString()))
        .isZero();
  }

  /** 450 kB that unfold to 474 MB: read at every third pixel, and never whole. */
  @Test
  void aSmallFileOfManyPixelsTakesLittle() throws Exception {
    int side = 7700;
    ByteArrayOutputStream rows = new ByteArrayOutputStream();
    try (DeflaterOutputStream packed = new DeflaterOutputStream(rows)) {
      byte[] row = new byte[1 + side * 8];
      for (int i = 0; i < side; i++) packed.write(row);
    }
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    png.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'});
    byte[] header = ByteBuffer.allocate(13).putInt(side).putInt(side).array();
    header[8] = 16; // bits
    header[9] = 6; // red, green, blue and how opaque
    chunk(png, "IHDR", header);
    chunk(png, "IDAT", rows.toByteArray());
    chunk(png, "IEND", new byte[0]);
    assertThat(png.size()).isLessThan(500_000);
    Me me = practitioner();
    Client client = client(me);
    ThreadMXBean memory = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    long before = memory.getThreadAllocatedBytes(Thread.currentThread().getId());
    upload(me, client, png.toByteArray(), "side.png", "LEFT").andExpect(status().isFound());
    long taken = memory.getThreadAllocatedBytes(Thread.currentThread().getId()) - before;
    assertThat(taken).as("bytes").isLessThan(260_000_000);
    assertThat(
            jdbc.queryForObject(
                "select width from photograph where client_id = ?",
                Integer.class,
                client.getId().toString()))
        .isEqualTo(2000);
  }

  /** A part of a PNG as its specification (ISO/IEC 15948) lays it out. */
  private static void chunk(ByteArrayOutputStream to, String type, byte[] data) throws IOException {
    byte[] name = type.getBytes(StandardCharsets.US_ASCII);
    CRC32 check = new CRC32();
    check.update(name);
    check.update(data);
    to.write(ByteBuffer.allocate(4).putInt(data.length).array());
    to.write(name);
    to.write(data);
    to.write(ByteBuffer.allocate(4).putInt((int) check.getValue()).array());
  }

  /** Who may not keep a picture is told so before anything of it is read. */
  @Test
  void rightsComeBeforeReading() throws Exception {
    Practice practice = practice();
    Client client = client(practitioner(practice));
    upload(practitioner(practice), client, new byte[] {1, 2, 3}, "side.jpg", "LEFT")
        .andExpect(status().isNotFound());
  }

  /** A mark is somewhere on the picture: nothing that is no number, and none that is missing. */
  @Test
  void aMarkThatLiesNowhereIsNotKept() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    Measured.SidePhoto kept = photographs.keep(me, client.getId(), SamplePhoto.of(40, Side.LEFT));
    String good = json.writeValueAsString(kept.marks());
    String path =
        "/clients/%s/measure/photographs/%s/marks".formatted(client.getId(), kept.photograph());
    for (String odd : new String[] {"\"NaN\"", "null", "1e308", "1e400", "\"far\""}) {
      String sent = good.replaceFirst("\"x\":[-0-9.E]+", "\"x\":" + odd);
      assertThat(sent).contains(odd);
      for (String body : new String[] {sent, "null", "{\"facing\":\"LEFT\"}"}) {
        mvc.perform(as(me, post(path)).contentType(MediaType.APPLICATION_JSON).content(body))
            .andExpect(status().isBadRequest());
      }
    }
    mvc.perform(
            as(me, post("/marking")).contentType(MediaType.APPLICATION_JSON).content("[null,null]"))
        .andExpect(status().isBadRequest());
    mvc.perform(as(me, post(path)).contentType(MediaType.APPLICATION_JSON).content(good))
        .andExpect(status().isOk());
  }

  @Test
  void aPhotographIsMadeAnewAndServedToTheCareTeamOnly() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me colleague = practitioner(practice);
    Client client = client(me);
    String to =
        upload(me, client, picture(3000, 1500, "png"), "whatever.exe", "RIGHT")
            .andReturn()
            .getResponse()
            .getRedirectedUrl();
    UUID photo = UUID.fromString(String.valueOf(to).split("photograph=", 2)[1]);
    String path = "/clients/" + client.getId() + "/measure/photographs/" + photo;
    byte[] served =
        mvc.perform(as(me, get(path)))
            .andExpect(status().isOk())
            .andExpect(header().string("Content-Type", "image/jpeg"))
            .andExpect(header().string("Cache-Control", containsString("no-store")))
            .andReturn()
            .getResponse()
            .getContentAsByteArray();
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(served));
    assertThat(image.getWidth()).isEqualTo(2000);
    assertThat(image.getHeight()).isEqualTo(1000);
    mvc.perform(as(colleague, get(path))).andExpect(status().isNotFound());
    change(me, client, Set.of(colleague.id()), List.of());
    mvc.perform(as(colleague, get(path))).andExpect(status().isOk());
    mvc.perform(as(practitioner(), get(path))).andExpect(status().isNotFound());
  }

  /** A picture turned by its Exif orientation stands upright, and the Exif part is gone. */
  @Test
  void exifOrientationIsAppliedAndDropped() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    byte[] plain = picture(400, 200, "jpg");
    // APP1 with one IFD0 entry: orientation (0x0112) = 6, turned a quarter clockwise.
    byte[] app1 = {
      (byte) 0xff,
      (byte) 0xe1,
      0,
      34,
      'E',
      'x',
      'i',
      'f',
      0,
      0,
      'M',
      'M',
      0,
      42,
      0,
      0,
      0,
      8,
      0,
      1,
      1,
      0x12,
      0,
      3,
      0,
      0,
      0,
      1,
      0,
      6,
      0,
      0,
      0,
      0,
      0,
      0
    };
    byte[] turned = new byte[plain.length + app1.length];
    System.arraycopy(plain, 0, turned, 0, 2);
    System.arraycopy(app1, 0, turned, 2, app1.length);
    System.arraycopy(plain, 2, turned, 2 + app1.length, plain.length - 2);
    String to =
        upload(me, client, turned, "side.jpg", "LEFT").andReturn().getResponse().getRedirectedUrl();
    String photo = String.valueOf(to).split("photograph=", 2)[1];
    byte[] served =
        mvc.perform(as(me, get("/clients/" + client.getId() + "/measure/photographs/" + photo)))
            .andReturn()
            .getResponse()
            .getContentAsByteArray();
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(served));
    assertThat(image.getWidth()).isEqualTo(200);
    assertThat(image.getHeight()).isEqualTo(400);
    assertThat(new String(served, StandardCharsets.ISO_8859_1)).doesNotContain("Exif");
  }

  @Test
  void marksAreKeptAndTheAnglesAreTheCores() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String to =
        upload(me, client, picture(600, 800, "jpg"), "side.jpg", "RIGHT")
            .andReturn()
            .getResponse()
            .getRedirectedUrl();
    String photo = String.valueOf(to).split("photograph=", 2)[1];
    String path = "/clients/" + client.getId() + "/measure/photographs/" + photo + "/marks";
    SidePhotograph sample = SidePhotograph.of(46, Side.RIGHT);
    Posture.Marks marks =
        new Posture.Marks(
            Side.RIGHT,
            new Posture.Point(0, 0),
            new Posture.Point(0, 100),
            point(sample.tragus()),
            point(sample.c7()),
            point(sample.shoulder()));
    mvc.perform(
            as(me, post(path))
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(marks)))
        .andExpect(content().string(containsString("craniovertebral 46.0° (forward head)")));
    mvc.perform(
            as(practitioner(), post(path))
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(marks)))
        .andExpect(status().isNotFound());
    Posture.Marks upsideDown =
        new Posture.Marks(
            Side.RIGHT,
            new Posture.Point(0, 100),
            new Posture.Point(0, 0),
            marks.tragus(),
            marks.c7(),
            marks.shoulder());
    mvc.perform(
            as(me, post(path))
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(upsideDown)))
        .andExpect(content().string(containsString("upper end")));
    mvc.perform(
            as(me, post("/marking"))
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(List.of(marks, marks))))
        .andExpect(content().string(containsString("Mark it five times")));
    mvc.perform(
            as(me, post("/marking"))
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(List.of(marks, marks, marks, marks, marks))))
        .andExpect(content().string(containsString("Your marking error is 0.0°")));
  }

  private static Posture.Point point(Vec v) {
    return new Posture.Point(v.x(), v.y());
  }

  /** The acceptance: true points of a sample photograph give its angle within 0.1°. */
  @Test
  void aSamplePhotographHasItsKnownAngle() {
    for (Side facing : Side.values()) {
      for (double angle : new double[] {40, 44, 48, 53}) {
        Posture found = Posture.of(SamplePhoto.of(angle, facing).marks());
        assertThat(found.craniovertebral())
            .as("%s %s", facing, angle)
            .isCloseTo(angle, within(0.1));
      }
    }
  }

  @Test
  void aWithdrawnPhotographIsGoneWithItsAngles() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = client(me);
    Measured.SidePhoto kept = photographs.keep(me, client.getId(), SamplePhoto.of(40, Side.LEFT));
    measurements.save(me, client.getId(), kept);
    assertThat(found(client).findings()).hasSize(1);
    String path = "/clients/" + client.getId() + "/measure/photographs/" + kept.photograph();
    mvc.perform(as(practitioner(practice), post(path + "/withdraw")))
        .andExpect(status().isNotFound());
    mvc.perform(as(me, post(path + "/withdraw"))).andExpect(status().is3xxRedirection());
    mvc.perform(as(me, get(path))).andExpect(status().isNotFound());
    assertThat(found(client).findings()).isEmpty();
    assertThat(
            jdbc.queryForObject(
                "select length(image) from photograph where id = ?",
                Integer.class,
                kept.photograph().toString()))
        .isZero();
  }

  /** Optional and quick: kept as typed, read off for the plan, said beside what cannot be read. */
  @Test
  void anExaminationIsKeptAndStandsOnPlan() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    send(me, client, "examination", "flexion-rotation-LEFT", "forty")
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Whole degrees, 0 to 70.")));
    assertThat(rows(client)).isZero();
    send(
            me,
            client,
            "examination",
            "c6-RIGHT",
            "strength 4",
            "c5-LEFT",
            "normal",
            "flexion-rotation-LEFT",
            "44",
            "flexion-rotation-RIGHT",
            "28")
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("turning right with the neck bent 28°")));
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(as(me, get(plan)))
        .andExpect(content().string(containsString("C6 right: strength 4")))
        .andExpect(content().string(containsString("lengthen left suboccipitals")));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure")))
        .andExpect(content().string(containsString("value=\"strength 4\"")));
    clock.moveTo(clock.instant().plus(Duration.ofDays(7)));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/measure")))
        .andExpect(content().string(containsString("C6 right: strength 4; Flexion–rotation")));
  }

  /** Chest on the client's own map: the questions open, and the practitioner is told. */
  @Test
  void aMarkThatIsNoStretchsBusinessAsksForTheSigns() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    mvc.perform(ownMark(device, "palm", "LEFT", "tingle")).andExpect(redirectedUrl("/me/rate/map"));
    mvc.perform(ownMark(device, "palm", "RIGHT", "tingle"))
        .andExpect(redirectedUrl("/me/renew?map=1"));
    mvc.perform(get("/me/renew?map=1").cookie(device))
        .andExpect(content().string(containsString("What you marked is not for stretching")));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(containsString("Ask for the signs")))
        .andExpect(content().string(containsString("tingling or numbness in both hands")));
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/dealt-with"))
                .param("read", clock.instant().toString())
                .param("note", "called, examined: carpal tunnel known"))
        .andExpect(status().is3xxRedirection());
    mvc.perform(as(me, get("/"))).andExpect(content().string(not(containsString("Ask for the"))));
    send(me, client, "mark", "line", "l upper chest ache 4")
        .andExpect(content().string(containsString("Ask for the signs:")))
        .andExpect(content().string(containsString("left upper chest, ache 4")));
  }

  private static MockHttpServletRequestBuilder ownMark(
      Cookie device, String area, String side, String feeling) {
    return post("/me/rate/map")
        .with(csrf())
        .cookie(device)
        .param("area", area)
        .param("side", side)
        .param("feeling", feeling)
        .param("intensity", "3");
  }

  /** Two ratings at once: one of them is in force. */
  @Test
  void ofTwoRatingsAtOnceOneIsInForce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    AtomicInteger next = new AtomicInteger();
    atOnce(
        6,
        () ->
            measurements.save(
                asClient(client), new Measured.Pain(next.getAndIncrement(), null, null)));
    assertThat(
            jdbc.queryForObject(
                """
                select count(*) from measurement m where m.client_id = ?
                and not exists (select 1 from measurement n where n.supersedes = m.id)
                """,
                Integer.class,
                client.getId().toString()))
        .isEqualTo(1);
  }
}
