package tekmerion.e2e;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;

/** What a camera sees that is shown a printed page: small, askew, on a dark bench. */
final class HeldBeforeACamera {
  private static final int WIDTH = 640;
  private static final int HEIGHT = 480;
  private static final int LABEL_WIDTH = 420;

  private HeldBeforeACamera() {}

  /** Five pictures a second, of which the first five show nothing; YUV4MPEG2, as Chromium takes. */
  static void write(Path file, byte[] pdf) throws IOException {
    BufferedImage label;
    try (PDDocument document = Loader.loadPDF(pdf)) {
      label = new PDFRenderer(document).renderImageWithDPI(0, 300);
    }
    BufferedImage bench = bench();
    byte[] nothing = picture(bench);
    Graphics2D pen = bench.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    pen.rotate(Math.toRadians(7), WIDTH / 2.0, HEIGHT / 2.0);
    int height = LABEL_WIDTH * label.getHeight() / label.getWidth();
    pen.drawImage(
        label, (WIDTH - LABEL_WIDTH) / 2, (HEIGHT - height) / 2, LABEL_WIDTH, height, null);
    pen.dispose();
    byte[] held = picture(bench);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(ascii("YUV4MPEG2 W%d H%d F5:1 Ip A1:1 C420\n".formatted(WIDTH, HEIGHT)));
    for (int i = 0; i < 20; i++) {
      out.write(ascii("FRAME\n"));
      out.write(i < 5 ? nothing : held);
    }
    Files.write(file, out.toByteArray());
  }

  private static BufferedImage bench() {
    BufferedImage bench = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = bench.createGraphics();
    pen.setColor(new Color(60, 60, 60));
    pen.fillRect(0, 0, WIDTH, HEIGHT);
    pen.dispose();
    return bench;
  }

  /** How light each point is (ITU-R BT.601), then no colour at half the points each way. */
  private static byte[] picture(BufferedImage image) {
    byte[] bytes = new byte[WIDTH * HEIGHT * 3 / 2];
    Arrays.fill(bytes, (byte) 128);
    for (int y = 0; y < HEIGHT; y++) {
      for (int x = 0; x < WIDTH; x++) {
        Color c = new Color(image.getRGB(x, y));
        double light = 0.299 * c.getRed() + 0.587 * c.getGreen() + 0.114 * c.getBlue();
        bytes[y * WIDTH + x] = (byte) (16 + light * 219 / 255);
      }
    }
    return bytes;
  }

  private static byte[] ascii(String text) {
    return text.getBytes(StandardCharsets.US_ASCII);
  }
}
