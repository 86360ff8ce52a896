package tekmerion.server.photo;

import static tekmerion.words.Words.say;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import tekmerion.server.problem.Refusal;

/**
 * An uploaded picture, drawn anew: whatever else the file held (place, maker, hidden content) is
 * gone, and what is no picture is refused.
 */
final class Redrawn {
  private static final Set<String> FORMATS = Set.of("jpeg", "png");
  private static final long MAX_PIXELS = 50_000_000;
  private static final int MAX_SIDE = 1600;

  /** An unpacked picture takes up to 150 MB; whoever comes later waits. */
  private static final Semaphore AT_ONCE = new Semaphore(1);

  private Redrawn() {}

  /** JPEG bytes, at most {@value #MAX_SIDE} pixels a side. */
  static byte[] jpeg(byte[] upload) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(upload))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      ImageReader reader = readers.hasNext() ? readers.next() : null;
      if (reader == null || !FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
        throw noPicture();
      }
      try {
        reader.setInput(in, true, true);
        // Before anything is unpacked: a small file can claim to be a huge picture.
        long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
        if (pixels > MAX_PIXELS) {
          throw Refusal.badRequest(
              say("photo.the-picture-has-pixels", "pixels", pixels),
              say("photo.send-one-of-at-most", "maxPixels", MAX_PIXELS));
        }
        return encode(scaled(read(reader)));
      } finally {
        reader.dispose();
      }
    } catch (IOException | IndexOutOfBoundsException | IllegalArgumentException e) {
      throw noPicture(); // damaged, or made to look like a picture
    }
  }

  /**
   * Every n-th pixel of every n-th line, with sides of at least twice those that are kept: as good
   * to look at, and five large ones at once fit into memory.
   */
  private static BufferedImage read(ImageReader reader) throws IOException {
    int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
    int every = Math.max(1, longest / (2 * MAX_SIDE));
    ImageReadParam param = reader.getDefaultReadParam();
    param.setSourceSubsampling(every, every, 0, 0);
    AT_ONCE.acquireUninterruptibly();
    try {
      return reader.read(0, param);
    } finally {
      AT_ONCE.release();
    }
  }

  private static BufferedImage scaled(BufferedImage full) {
    double scale = Math.min(1, (double) MAX_SIDE / Math.max(full.getWidth(), full.getHeight()));
    int width = Math.max(1, (int) Math.round(full.getWidth() * scale));
    int height = Math.max(1, (int) Math.round(full.getHeight() * scale));
    BufferedImage plain = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = plain.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    pen.setColor(Color.WHITE);
    pen.fillRect(0, 0, width, height);
    pen.drawImage(full, 0, 0, width, height, null);
    pen.dispose();
    return plain;
  }

  private static byte[] encode(BufferedImage image) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "jpeg", out);
    return out.toByteArray();
  }

  private static Refusal noPicture() {
    return Refusal.badRequest(
        say("photo.this-is-no-jpeg-or-png"), say("photo.take-a-photo-and-send-that"));
  }
}
