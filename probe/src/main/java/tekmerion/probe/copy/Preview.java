package tekmerion.probe.copy;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Collections;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** A small picture of a picture. Whatever cannot be decoded has none. */
public final class Preview {
  private static final int SIDE = 160;

  private Preview() {}

  /**
   * @param most characters of base64
   * @return a JPEG of at most {@value #SIDE} pixels a side
   */
  public static Optional<String> of(Path picture, int most) {
    try (ImageInputStream in = ImageIO.createImageInputStream(picture.toFile())) {
      Iterator<ImageReader> readers =
          in == null ? Collections.emptyIterator() : ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        return Optional.empty();
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        String jpeg = Base64.getEncoder().encodeToString(small(read(reader)));
        return jpeg.length() <= most ? Optional.of(jpeg) : Optional.empty();
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      return Optional.empty(); // decoders throw what they like at bytes that only look right
    }
  }

  /**
   * Every n-th pixel only: a photo of a hundred megapixels takes no more memory than a small one.
   */
  private static BufferedImage read(ImageReader reader) throws IOException {
    int side = Math.max(reader.getWidth(0), reader.getHeight(0));
    int step = Math.max(1, side / (2 * SIDE));
    ImageReadParam param = reader.getDefaultReadParam();
    param.setSourceSubsampling(step, step, 0, 0);
    return reader.read(0, param);
  }

  private static byte[] small(BufferedImage picture) throws IOException {
    double scale = Math.min(1, (double) SIDE / Math.max(picture.getWidth(), picture.getHeight()));
    int width = Math.max(1, (int) (picture.getWidth() * scale));
    int height = Math.max(1, (int) (picture.getHeight() * scale));
    BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = small.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    g.drawImage(picture, 0, 0, width, height, null);
    g.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(small, "jpeg", out);
    return out.toByteArray();
  }
}
