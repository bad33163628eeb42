package org.biokinet.app.measurement;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/**
 * A picture made anew from what was uploaded: upright, not too large, and with nothing of what a
 * camera writes beside it.
 */
public final class Picture {

  /** As many as a very large camera makes; more is a bomb (our choice). */
  static final long MOST_PIXELS = 60_000_000;

  /** Enough to mark a landmark to half a degree (our choice). */
  static final int LONGEST_SIDE = 2_000;

  private static final float QUALITY = 0.9f;

  /** What a picture takes while it is read depends on its pixels: one at a time. */
  private static final Semaphore TURN = new Semaphore(1, true);

  private final byte[] jpeg;
  private final int width;
  private final int height;

  private Picture(byte[] jpeg, int width, int height) {
    this.jpeg = jpeg;
    this.width = width;
    this.height = height;
  }

  public byte[] jpeg() {
    return jpeg.clone();
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  /** It cannot be taken in; the message is for the person who sent it. */
  public static final class Refused extends Exception {
    private static final long serialVersionUID = 1;

    Refused(String why) {
      super(why);
    }
  }

  /** The type is read off the content, whatever the name says. */
  public static Picture of(byte[] sent) throws Refused {
    if (sent.length == 0) throw new Refused("Choose a photograph first.");
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      ImageReader reader = readers.hasNext() ? readers.next() : null;
      String format = reader == null ? "" : reader.getFormatName().toLowerCase(Locale.ROOT);
      if (reader == null || !(format.equals("jpeg") || format.equals("png"))) {
        throw new Refused("Only JPEG and PNG photographs can be read.");
      }
      TURN.acquireUninterruptibly();
      try {
        // Only JPEG says how the camera was held; a PNG's texts may be bombs and are not opened.
        return read(reader, in, format.equals("jpeg") ? orientation(sent) : 1);
      } finally {
        TURN.release();
      }
    } catch (IOException | RuntimeException e) {
      throw new Refused("This photograph is damaged or incomplete.");
    }
  }

  private static Picture read(ImageReader reader, ImageInputStream in, int orientation)
      throws IOException, Refused {
    try {
      reader.setInput(in, true, true);
      long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
      if (pixels > MOST_PIXELS) {
        throw new Refused("This photograph has more than 60 million pixels; send a smaller one.");
      }
      boolean[] cut = new boolean[1];
      reader.addIIOReadWarningListener(
          (source, warning) -> cut[0] |= warning.toLowerCase(Locale.ROOT).contains("premature"));
      BufferedImage image = reader.read(0, notTooMany(reader));
      if (cut[0]) throw new Refused("This photograph is incomplete; it ends too soon.");
      return encoded(image, orientation);
    } finally {
      reader.dispose();
    }
  }

  /**
   * Every so manyth pixel, so that no more are held than twice as fine as what is kept; hardly
   * finer where a pixel takes twice the place, as no camera's does.
   */
  private static ImageReadParam notTooMany(ImageReader reader) throws IOException {
    int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
    ImageTypeSpecifier type = reader.getRawImageType(0);
    boolean deep = type != null && type.getColorModel().getPixelSize() > Integer.SIZE;
    int every = deep ? Math.max(1, longest / LONGEST_SIDE) : (longest - 1) / (2 * LONGEST_SIDE) + 1;
    ImageReadParam param = reader.getDefaultReadParam();
    param.setSourceSubsampling(every, every, 0, 0);
    return param;
  }

  /** As in the Exif standard, 1 to 8; 1 where nothing is said, or nothing that is in it. */
  private static int orientation(byte[] sent) {
    try {
      Metadata metadata = ImageMetadataReader.readMetadata(new ByteArrayInputStream(sent));
      ExifIFD0Directory exif = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
      if (exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) return 1;
      int told = exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
      return told >= 1 && told <= 8 ? told : 1;
    } catch (ImageProcessingException | MetadataException | IOException e) {
      return 1;
    }
  }

  private static Picture encoded(BufferedImage image, int orientation) throws IOException {
    double scale =
        Math.min(1, LONGEST_SIDE / (double) Math.max(image.getWidth(), image.getHeight()));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int[] size = new int[2];
    Thumbnails.of(image)
        .scale(scale)
        .addFilter(Picture::onWhite)
        .addFilter(ExifFilterUtils.getFilterForOrientation(Orientation.typeOf(orientation)))
        .addFilter(
            upright -> {
              size[0] = upright.getWidth();
              size[1] = upright.getHeight();
              return upright;
            })
        .outputFormat("jpg")
        .outputQuality(QUALITY)
        .toOutputStream(out);
    return new Picture(out.toByteArray(), size[0], size[1]);
  }

  /** A JPEG has nothing to see through; what was transparent would turn black. */
  private static BufferedImage onWhite(BufferedImage image) {
    if (!image.getColorModel().hasAlpha()) return image;
    BufferedImage opaque =
        new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
    Graphics2D g = opaque.createGraphics();
    g.drawImage(image, 0, 0, Color.WHITE, null);
    g.dispose();
    return opaque;
  }
}
