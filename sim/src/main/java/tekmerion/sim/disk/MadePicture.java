package tekmerion.sim.disk;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import javax.imageio.ImageIO;

/**
 * A photo that is made up, as long as is wanted: a drawn JPEG with comments in front, which any
 * decoder passes over (ITU-T T.81, B.2.4.5).
 */
final class MadePicture {
  /** No drawn picture is longer. */
  static final int MIN = 200_000;

  private static final int COMMENT = 60_000;
  private static final Map<String, MadePicture> DRAWN = new ConcurrentHashMap<>();

  private final byte[] jpeg;

  private MadePicture(byte[] jpeg) {
    this.jpeg = jpeg;
  }

  static MadePicture of(String path) {
    return DRAWN.computeIfAbsent(path, p -> new MadePicture(drawn(p)));
  }

  /** A table with round things on it, another one for each name. */
  private static byte[] drawn(String path) {
    Random random = new Random(path.hashCode());
    BufferedImage picture = new BufferedImage(320, 240, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = picture.createGraphics();
    g.setColor(Color.getHSBColor(random.nextFloat(), 0.15f, 0.9f));
    g.fillRect(0, 0, 320, 240);
    g.setColor(new Color(0x8A6B4F));
    g.fillRect(0, 170, 320, 70);
    for (int i = 0; i < 3 + random.nextInt(4); i++) {
      int side = 40 + random.nextInt(60);
      g.setColor(Color.getHSBColor(random.nextFloat(), 0.5f, 0.8f));
      g.fillOval(random.nextInt(260), 190 - side, side, side);
    }
    g.dispose();
    try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      ImageIO.write(picture, "jpeg", out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The bytes from a place in a picture of so many bytes. */
  void fill(int bytes, long from, byte[] into, int at, int length) {
    int filler = bytes - jpeg.length;
    // No comment is shorter than its own four bytes.
    int comment = filler % COMMENT >= 4 || filler % COMMENT == 0 ? COMMENT : COMMENT - 4;
    for (int i = 0; i < length; i++) {
      long place = from + i;
      if (place < 2) {
        into[at + i] = jpeg[(int) place];
      } else if (place >= 2 + filler) {
        into[at + i] = jpeg[(int) (place - filler)];
      } else {
        int within = (int) ((place - 2) % comment);
        int begin = (int) (place - 2) - within;
        int size = Math.min(comment, filler - begin) - 2; // its length counts itself, no marker
        into[at + i] =
            (byte)
                switch (within) {
                  case 0 -> 0xFF;
                  case 1 -> 0xFE;
                  case 2 -> size >> 8;
                  case 3 -> size;
                  default -> within * 31 + begin / comment;
                };
      }
    }
  }
}
