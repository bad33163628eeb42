package org.biokinet.app.handout;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.logging.Level;
import java.util.regex.Pattern;

/** Pages as a PDF that is tagged for reading aloud (PDF/UA), with its fonts inside. */
public final class Pdf {

  /** What a family has, and what the one before it has not. */
  private static final List<String> SUBSETS = List.of("latin", "latin-ext");

  private static final List<Integer> WEIGHTS = List.of(400, 700);

  /** What somebody may have typed and no XML can hold. */
  private static final Pattern NOT_XML =
      Pattern.compile("[^\\x09\\x0A\\x0D\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]");

  static {
    // It tells of every font and every stage; what is wrong with a page is worth hearing.
    XRLog.listRegisteredLoggers().forEach(name -> XRLog.setLevel(name, Level.WARNING));
  }

  private Pdf() {}

  /**
   * The styles of a page that is printed.
   *
   * @param sheet the name of a built style sheet
   */
  public static String style(Paper paper, String sheet) {
    try (InputStream in = resource("/static/built/%s.css".formatted(sheet))) {
      String css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      return "@page { size: %s; margin: 12mm 14mm; }\n%s".formatted(paper.code(), css);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * @param page well-formed, with its style inside
   */
  public static byte[] of(String page) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (BatikSVGDrawer drawings = new BatikSVGDrawer()) {
      PdfRendererBuilder builder = new PdfRendererBuilder();
      builder.usePdfUaAccessibility(true);
      builder.useSVGDrawer(drawings);
      for (String subset : SUBSETS) {
        for (int weight : WEIGHTS) {
          builder.useFont(
              () -> resource("/handout/%s-%d.ttf".formatted(subset, weight)),
              "sheet-" + subset,
              weight,
              FontStyle.NORMAL,
              true);
        }
      }
      builder.withHtmlContent(NOT_XML.matcher(page).replaceAll(""), null);
      builder.toStream(out);
      builder.run();
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static InputStream resource(String path) {
    InputStream in = Pdf.class.getResourceAsStream(path);
    if (in == null) throw new IllegalStateException("missing " + path);
    return in;
  }
}
