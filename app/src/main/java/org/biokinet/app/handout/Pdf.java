package org.biokinet.app.handout;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.logging.Level;

/** Pages as a PDF that is tagged for reading aloud (PDF/UA), with its fonts inside. */
final class Pdf {

  /** What a family has, and what the one before it has not. */
  private static final List<String> SUBSETS = List.of("latin", "latin-ext");

  private static final List<Integer> WEIGHTS = List.of(400, 700);

  static {
    // It tells of every font and every stage; what is wrong with a page is worth hearing.
    XRLog.listRegisteredLoggers().forEach(name -> XRLog.setLevel(name, Level.WARNING));
  }

  private Pdf() {}

  /**
   * @param page well-formed, with its style inside
   */
  static byte[] of(String page) {
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
      builder.withHtmlContent(page, null);
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
