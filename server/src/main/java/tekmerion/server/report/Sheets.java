package tekmerion.server.report;

import java.awt.Color;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;

/** Text and lines that flow from the top of a page to its end, and on to the next. */
final class Sheets implements AutoCloseable {
  private static final float MARGIN = 52;

  /** Of PDFBox itself; knows Latin, Greek and Cyrillic. */
  private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

  private final PDDocument document;
  private final PDRectangle size;
  private final PDType0Font font;
  private final Map<Integer, Letter> letters = new HashMap<>();
  private PDPageContentStream pen;
  private float y;

  Sheets(PDDocument document, PDRectangle size) throws IOException {
    this.document = document;
    this.size = size;
    try (InputStream in = PDDocument.class.getResourceAsStream(FONT)) {
      this.font = PDType0Font.load(document, in);
    }
    turn();
  }

  /** To a new page. */
  void turn() throws IOException {
    close();
    PDPage page = new PDPage(size);
    document.addPage(page);
    pen = new PDPageContentStream(document, page);
    y = size.getHeight() - MARGIN;
  }

  float width() {
    return size.getWidth() - 2 * MARGIN;
  }

  float left() {
    return MARGIN;
  }

  float y() {
    return y;
  }

  void down(float points) {
    y -= points;
  }

  /** A new page, unless so much is left of this one. */
  void room(float points) throws IOException {
    if (y - points < MARGIN) {
      turn();
    }
  }

  /** Wrapped at the width of the page, from an indent on. */
  void text(String text, float size, boolean bold, Color color, float indent) throws IOException {
    for (String line : wrapped(text, size, width() - indent)) {
      room(size * 1.4f);
      y -= size * 1.1f;
      at(line, left() + indent, y, size, bold, color);
      y -= size * 0.3f;
    }
  }

  /** A line at a place. */
  void at(String text, float x, float atY, float size, boolean bold, Color color)
      throws IOException {
    pen.beginText();
    pen.setNonStrokingColor(color);
    pen.setStrokingColor(color);
    pen.setRenderingMode(bold ? RenderingMode.FILL_STROKE : RenderingMode.FILL);
    pen.setLineWidth(bold ? size / 36 : 0);
    pen.setFont(font, size);
    pen.newLineAtOffset(x, atY);
    pen.showText(known(text));
    pen.endText();
  }

  void line(float x1, float y1, float x2, float y2, float thickness, Color color)
      throws IOException {
    pen.setStrokingColor(color);
    pen.setLineWidth(thickness);
    pen.moveTo(x1, y1);
    pen.lineTo(x2, y2);
    pen.stroke();
  }

  /** Letter by letter: the fonts here have no kerning that would matter. */
  float widthOf(String text, float size) {
    double width = text.codePoints().mapToDouble(c -> letter(c).width()).sum();
    return (float) (width / 1000 * size);
  }

  /** Each word is measured once: a line of letters costs no more than its letters. */
  private List<String> wrapped(String text, float size, float width) throws IOException {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    float wide = 0;
    float space = widthOf(" ", size);
    for (String word : text.split(" ")) {
      for (String piece : pieces(word, size, width)) {
        float more = widthOf(piece, size);
        if (!line.isEmpty() && wide + space + more > width) {
          lines.add(line.toString());
          line.setLength(0);
          wide = 0;
        }
        wide += line.isEmpty() ? more : space + more;
        line.append(line.isEmpty() ? "" : " ").append(piece);
      }
    }
    lines.add(line.toString());
    return lines;
  }

  /** A word that is wider than the page is cut; each letter is measured once. */
  private List<String> pieces(String word, float size, float width) throws IOException {
    List<String> pieces = new ArrayList<>();
    StringBuilder piece = new StringBuilder();
    float wide = 0;
    for (int c : word.codePoints().toArray()) {
      float more = letter(c).width() / 1000 * size;
      if (wide + more > width && !piece.isEmpty()) {
        pieces.add(piece.toString());
        piece.setLength(0);
        wide = 0;
      }
      piece.appendCodePoint(c);
      wide += more;
    }
    pieces.add(piece.toString());
    return pieces;
  }

  /** What the font does not have becomes a question mark; nothing else is changed. */
  private String known(String text) {
    StringBuilder known = new StringBuilder();
    text.codePoints().forEach(c -> known.append(letter(c).shown()));
    return known.toString();
  }

  /**
   * How a letter is printed.
   *
   * @param width in thousandths of the size
   */
  private record Letter(String shown, float width) {}

  private Letter letter(int codePoint) {
    return letters.computeIfAbsent(codePoint, this::measured);
  }

  private Letter measured(int codePoint) {
    for (String shown :
        new String[] {
          Character.isISOControl(codePoint) ? " " : Character.toString(codePoint), "?"
        }) {
      try {
        return new Letter(shown, font.getStringWidth(shown));
      } catch (IOException | IllegalArgumentException e) {
        // the font has no such letter: it is printed as a question mark
      }
    }
    return new Letter("", 0);
  }

  @Override
  public void close() throws IOException {
    if (pen != null) {
      pen.close();
      pen = null;
    }
  }
}
