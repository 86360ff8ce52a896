package tekmerion.server.report;

import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** What a page is printed on. */
enum Paper {
  A4(PDRectangle.A4),
  LETTER(PDRectangle.LETTER);

  private final PDRectangle size;

  Paper(PDRectangle size) {
    this.size = size;
  }

  PDRectangle size() {
    return size;
  }
}
