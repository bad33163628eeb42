package org.biokinet.app.platform;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/** A QR code as a drawing, black on white whatever the page is. */
public final class Qr {

  /** Modules of white around it, as the standard asks (ISO/IEC 18004: four). */
  private static final int QUIET = 4;

  private Qr() {}

  /**
   * @param text at most about 1,000 characters
   * @param label what it is, for who cannot see it
   * @throws IllegalArgumentException when it does not fit into a code
   */
  public static String svg(String text, String label) {
    BitMatrix bits;
    try {
      bits =
          new QRCodeWriter()
              .encode(
                  text,
                  BarcodeFormat.QR_CODE,
                  0,
                  0,
                  Map.of(
                      EncodeHintType.MARGIN,
                      QUIET,
                      EncodeHintType.ERROR_CORRECTION,
                      ErrorCorrectionLevel.M,
                      EncodeHintType.CHARACTER_SET,
                      "UTF-8"));
    } catch (WriterException e) {
      throw new IllegalArgumentException("too long for a code", e);
    }
    StringBuilder path = new StringBuilder();
    for (int y = 0; y < bits.getHeight(); y++) {
      for (int x = 0; x < bits.getWidth(); x++) {
        if (bits.get(x, y)) path.append("M%d %dh1v1h-1z".formatted(x, y));
      }
    }
    int size = bits.getWidth();
    return """
        <svg xmlns="http://www.w3.org/2000/svg" class="qr" viewBox="0 0 %d %d" width="120" height="120" role="img" alt="%s" aria-label="%s"><path fill="#ffffff" d="M0 0h%dv%dh-%dz"/><path fill="#000000" d="%s"/></svg>"""
        .formatted(size, size, label, label, size, size, size, path);
  }
}
