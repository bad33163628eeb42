package org.biokinet.app.measurement;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.geometry.size.FloatSize;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.draw.SidePhotograph;
import org.biokinet.core.measure.Posture;

/**
 * A made-up side photograph as pixels, with the places where its landmarks truly are. For the demo
 * and for tests; nobody is on it.
 *
 * @param picture as if it had been uploaded
 * @param marks in its pixels
 */
public record SamplePhoto(Picture picture, Posture.Marks marks) {

  private static final Pattern VIEW_BOX =
      Pattern.compile("viewBox=\"(-?\\d+) (-?\\d+) (\\d+) (\\d+)\"");
  private static final int HEIGHT = 1_200;
  private static final int MARGIN = 60;
  private static final double PLUMB_FROM_EDGE = 25;

  /**
   * @param craniovertebralAngle in degrees
   * @param facing where the made-up client looks
   */
  public static SamplePhoto of(double craniovertebralAngle, Side facing) {
    SidePhotograph sample = SidePhotograph.of(craniovertebralAngle, facing);
    Matcher box = VIEW_BOX.matcher(sample.svg());
    if (!box.find()) throw new IllegalStateException("the figure has no view box");
    double left = Integer.parseInt(box.group(1));
    double top = Integer.parseInt(box.group(2));
    double scale = HEIGHT / Double.parseDouble(box.group(4));
    int width = (int) Math.ceil(Double.parseDouble(box.group(3)) * scale) + 2 * MARGIN;
    BufferedImage image = new BufferedImage(width, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setColor(new Color(0xd9d2c5));
    g.fillRect(0, 0, width, HEIGHT);
    g.setColor(new Color(0x59616a));
    g.fillRect(plumb(width, facing), 0, 2, HEIGHT);
    g.translate(MARGIN, 0);
    SVGDocument figure =
        Objects.requireNonNull(
            new SVGLoader()
                .load(
                    new ByteArrayInputStream(sample.svg().getBytes(StandardCharsets.UTF_8)),
                    null,
                    LoaderContext.createDefault()));
    FloatSize size = figure.size();
    g.scale((width - 2.0 * MARGIN) / size.width, HEIGHT / (double) size.height);
    figure.render(null, g);
    g.dispose();
    return new SamplePhoto(
        picture(image),
        new Posture.Marks(
            facing,
            new Posture.Point(plumb(width, facing) + 1.0, 40),
            new Posture.Point(plumb(width, facing) + 1.0, HEIGHT - 40.0),
            at(sample.tragus(), left, top, scale),
            at(sample.c7(), left, top, scale),
            at(sample.shoulder(), left, top, scale)));
  }

  /** Something that hangs true, behind the client. */
  private static int plumb(int width, Side facing) {
    return (int) (facing == Side.RIGHT ? PLUMB_FROM_EDGE : width - PLUMB_FROM_EDGE);
  }

  private static Posture.Point at(Vec paper, double left, double top, double scale) {
    return new Posture.Point((paper.x() - left) * scale + MARGIN, (paper.y() - top) * scale);
  }

  private static Picture picture(BufferedImage image) {
    try {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return Picture.of(out.toByteArray());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Picture.Refused e) {
      throw new IllegalStateException(e);
    }
  }
}
