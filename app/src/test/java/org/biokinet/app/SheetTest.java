package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.data.Offset;
import org.biokinet.app.client.Client;
import org.biokinet.app.handout.Paper;
import org.biokinet.app.handout.Sheet;
import org.biokinet.app.handout.SheetService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.timeline.Cue;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The printed sheet, read by another library than the one that writes it. */
class SheetTest extends AppTest {

  private static final Path PICTURES = Path.of("target/pictures");

  /** Dots an inch of the pictures: enough for a code to be read. */
  private static final int DPI = 110;

  @Autowired SheetService sheets;

  /** Ten items, of which seven have sides. */
  private Client ten(Me me) {
    Client client = client(me);
    share(
        me,
        client,
        "diaphragmatic-breathing",
        "4br",
        "neck-rotation",
        "L 3 R 5",
        "neck-lateral-flexion",
        "5",
        "shoulder-roll",
        "6",
        "seated-trunk-rotation",
        "2x3br",
        "upper-trap-stretch",
        "L 2x15s R 3x20s @3",
        "levator-stretch",
        "2x15s",
        "scalene-stretch-arm-behind",
        "R 2x15s",
        "chin-tuck",
        "3x10s",
        "goalpost-chest-opener",
        "2x15s @3");
    return client;
  }

  private PDDocument read(Me me, Client client, Paper paper, boolean large) throws Exception {
    SheetService.Answer answer = sheets.sheet(me, client.getId(), ProgramKind.MAIN);
    return Loader.loadPDF(
        sheets.pdf((SheetService.Answer.Ready) answer, Locale.ENGLISH, paper, large));
  }

  @Test
  void tenItemsAreTwoPagesOnEitherPaper() throws Exception {
    Me me = practitioner();
    Client client = ten(me);
    for (Paper paper : Paper.values()) {
      try (PDDocument pdf = read(me, client, paper, false)) {
        assertThat(pdf.getNumberOfPages()).as(paper.name()).isLessThanOrEqualTo(2);
        float width = pdf.getPage(0).getMediaBox().getWidth();
        assertThat(width).isCloseTo(paper == Paper.A4 ? 595.3f : 612f, within(1f));
        pictures(pdf, "sheet-" + paper.name().toLowerCase(Locale.ROOT));
      }
    }
    try (PDDocument pdf = read(me, client, Paper.A4, true)) {
      pictures(pdf, "sheet-large");
      assertThat(new PDFTextStripper().getText(pdf)).contains("Tilt left", "Tilt right");
    }
  }

  private static Offset<Float> within(float value) {
    return Offset.offset(value);
  }

  private static void pictures(PDDocument pdf, String name) throws Exception {
    Files.createDirectories(PICTURES);
    PDFRenderer renderer = new PDFRenderer(pdf);
    for (int page = 0; page < pdf.getNumberOfPages(); page++) {
      BufferedImage image = renderer.renderImageWithDPI(page, DPI);
      ImageIO.write(image, "png", PICTURES.resolve("%s-%d.png".formatted(name, page)).toFile());
    }
  }

  /**
   * PDF/UA-1 (ISO 14289-1): tagged, with title and language, every font inside and every picture
   * with words; read by PDFBox.
   */
  @Test
  void itIsTaggedWithItsFontsInside() throws Exception {
    Me me = practitioner();
    try (PDDocument pdf = read(me, ten(me), Paper.A4, false)) {
      var catalog = pdf.getDocumentCatalog();
      assertThat(catalog.getMarkInfo().isMarked()).isTrue();
      assertThat(catalog.getLanguage()).startsWith("en");
      assertThat(catalog.getViewerPreferences().displayDocTitle()).isTrue();
      assertThat(pdf.getDocumentInformation().getTitle()).contains("Ada Example");
      String xmp = new String(catalog.getMetadata().toByteArray(), StandardCharsets.UTF_8);
      assertThat(xmp).contains("pdfuaid");
      assertThat(pdf.getDocumentInformation().getSubject()).isNotBlank();
      int fonts = 0;
      for (PDPage page : pdf.getPages()) {
        assertThat(page.getCOSObject().containsKey(COSName.STRUCT_PARENTS)).isTrue();
        for (COSName name : page.getResources().getFontNames()) {
          PDFont font = page.getResources().getFont(name);
          assertThat(font.isEmbedded()).as(font.getName()).isTrue();
          fonts++;
        }
      }
      assertThat(fonts).isGreaterThanOrEqualTo(2);
      List<PDStructureElement> all = new ArrayList<>();
      collect(catalog.getStructureTreeRoot(), all);
      List<PDStructureElement> figures =
          all.stream().filter(e -> e.getStructureType().equals("Figure")).toList();
      assertThat(figures).hasSizeGreaterThan(10);
      assertThat(figures)
          .allMatch(
              e -> e.getAlternateDescription() != null && !e.getAlternateDescription().isBlank());
      assertThat(all)
          .extracting(PDStructureElement::getStructureType)
          .contains("H1", "H2", "P", "Table", "TH");
    }
  }

  private static void collect(PDStructureNode node, List<PDStructureElement> into) {
    for (Object kid : node.getKids()) {
      if (kid instanceof PDStructureElement e) {
        into.add(e);
        collect(e, into);
      }
    }
  }

  /** What is selected and read aloud: sides in absolute words, doses, who to call, when. */
  @Test
  void itSaysAllThatASheetHasToSay() throws Exception {
    Me me = practitioner();
    Client client = ten(me);
    try (PDDocument pdf = read(me, client, Paper.LETTER, false)) {
      String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
      assertThat(text)
          .contains(
              "Ada Example",
              "2 holds of 15 s on the left, 3 holds of 20 s on the right, up to 3 of 10",
              "Tilt right",
              "Next review: ",
              "dizziness, blurred vision",
              "In an emergency call the emergency number",
              "/me/today");
      assertThat(text).doesNotContain("@3").doesNotContain("{");
    }
  }

  /** The code is that of the page, and nothing that opens it: a link made before is not in it. */
  @Test
  void theCodeHoldsNoSecret() throws Exception {
    Me me = practitioner();
    Client client = ten(me);
    device(me, client);
    try (PDDocument pdf = read(me, client, Paper.A4, false)) {
      BufferedImage page = new PDFRenderer(pdf).renderImageWithDPI(0, 200);
      int corner = page.getWidth() / 3;
      BufferedImage code =
          page.getSubimage(page.getWidth() - corner, 0, corner, page.getHeight() / 4);
      String read =
          new QRCodeReader()
              .decode(new BinaryBitmap(new HybridBinarizer(new BufferedImageLuminanceSource(code))))
              .getText();
      assertThat(read).endsWith("/me/today").doesNotContain("/c/");
      assertThat(new PDFTextStripper().getText(pdf)).doesNotContain("/c/").doesNotContain("PIN");
    }
  }

  /** Every sentence of the sheet is one that the player says or shows, on the same side. */
  @Test
  void itsWordsAreThoseOfThePlayer() {
    Catalogue catalogue = Catalogue.load();
    Cues cues = new Cues(catalogue, Locale.ENGLISH);
    int sentences = 0;
    for (Exercise e : catalogue.all()) {
      Program program = new Program("P", 5, Pacing.DEFAULT, List.of(new Item(e, e.target())));
      Timeline timeline = Timeline.compile(program.session(Side.LEFT, SessionLength.USUAL));
      List<Cue> said = cues.of(timeline);
      Sheet sheet =
          Sheet.of(
              new VersionService.Replay(version(), program, catalogue, Optional.empty()),
              Set.of(),
              Locale.ENGLISH);
      Sheet.Printed item = sheet.items().get(0);
      for (Sheet.OnSide side : item.sides()) {
        String player = player(timeline, said, side.side());
        List<String> here = new ArrayList<>(side.words());
        here.add(side.move());
        for (String sentence : here) {
          assertThat(player).as(e.id() + " " + side.side()).contains(plain(sentence));
          sentences++;
        }
      }
      // What both sides share is told once, on whichever has the time.
      String all = player(timeline, said, Optional.empty());
      for (String sentence : item.common()) {
        assertThat(all).as(e.id()).contains(plain(sentence));
        sentences++;
      }
    }
    assertThat(sentences).isGreaterThan(500);
  }

  private static ProgramVersion version() {
    return new ProgramVersion(
        UUID.randomUUID(),
        UUID.randomUUID(),
        new ProgramVersion.Name(ProgramKind.MAIN, 1),
        "P",
        "",
        0,
        "",
        List.of(),
        "",
        UUID.randomUUID(),
        Instant.EPOCH);
  }

  /** All that is said and shown of a side, with what is said of neither. */
  private static String player(Timeline timeline, List<Cue> said, Optional<Side> side) {
    StringBuilder all = new StringBuilder();
    for (int i = 0; i < said.size(); i++) {
      Segment s = timeline.segments().get(i);
      if (side.isPresent() && s.side().isPresent() && !s.side().equals(side)) continue;
      Cue c = said.get(i);
      all.append(String.join(" ", c.headline(), c.detail(), c.spoken(), c.ending(), c.not()))
          .append(' ');
    }
    return all.toString();
  }

  private static String plain(String sentence) {
    return sentence.replaceAll("[.]$", "");
  }

  @Test
  void thePageHasPrintStylesAndOnlyWhatIsInForce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String path = "/clients/%s/sheet".formatted(client.getId());
    mvc.perform(as(me, get(path))).andExpect(status().isNotFound());
    mvc.perform(as(me, get(path + ".pdf"))).andExpect(status().isNotFound());
    share(me, client, "upper-trap-stretch", "R 2x15s");
    mvc.perform(as(me, get(path)))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("/built/sheet")))
        .andExpect(content().string(containsString("R · Tilt left")))
        .andExpect(content().string(not(containsString("<b>L · "))));
    mvc.perform(as(me, get(path + ".pdf")).param("large", "true"))
        .andExpect(content().contentType("application/pdf"));
  }

  /** The link itself is shown as a code once, on the practitioner's own screen. */
  @Test
  void aLinkIsShownAsACodeOnTheScreen() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    mvc.perform(as(me, post("/clients/%s/link".formatted(client.getId()))))
        .andExpect(flash().attribute("linkCode", containsString("class=\"qr\"")));
  }

  /** Paper opens nothing that the player does not: what waits is not printed, nor past a gate. */
  @Test
  void whatMayNotBeDoneNowIsNotPrinted() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s", "full-neck-circle", "3");
    screen(me, client, Set.of(), Set.of(), Set.of(Condition.CERVICAL_STENOSIS.code()));
    String path = "/clients/%s/sheet".formatted(client.getId());
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("1 item waits")))
        .andExpect(content().string(containsString("1. Chin tuck")))
        .andExpect(content().string(not(containsString("neck circle"))));
    try (PDDocument pdf = read(me, client, Paper.A4, false)) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("Chin tuck").doesNotContain("circle");
    }
    screen(me, client, Set.of("electric"), Set.of(), Set.of());
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("The gate is closed")))
        .andExpect(content().string(not(containsString("1. Chin tuck"))));
    mvc.perform(as(me, get(path + ".pdf"))).andExpect(status().isConflict());
  }

  /** Whatever was typed in a title, it is printed or left out, and never an error. */
  @Test
  void oddCharactersDoNotSpoilIt() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.SetTitle("Łódź <&> \u0001 \uD83D\uDE42 night"));
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    drafts.share(me, client.getId(), ProgramKind.MAIN, 2, "It is only a test.");
    try (PDDocument pdf = read(me, client, Paper.A4, false)) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("Łódź <&>", "night");
    }
  }
}
