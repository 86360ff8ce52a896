package tekmerion.server.report;

import static tekmerion.words.Words.say;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import tekmerion.server.report.ReportView.AnnexRun;
import tekmerion.server.report.ReportView.ReportPlot;
import tekmerion.server.report.ReportView.ReportPoint;

/** A report on paper: a page for the owner, then the evidence. */
final class ReportPdf {
  private static final Color INK = new Color(0x16262A);
  private static final Color SOFT = new Color(0x4C5F63);
  private static final Color LINE = new Color(0xD3DCDA);
  private static final Color MAT = new Color(0x14403D);
  private static final Color CLEAR = new Color(0x0B6E69);
  private static final float TEXT = 10.5f;
  private static final float SMALL = 8.5f;
  private static final float PLOT_HEIGHT = 78;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm 'UTC'").withZone(ZoneOffset.UTC);

  private ReportPdf() {}

  static byte[] of(ReportView report, Paper paper, boolean annex) {
    try (PDDocument document = new PDDocument()) {
      document.getDocumentInformation().setTitle(report.title());
      document.getDocumentInformation().setSubject(report.job());
      try (Sheets sheets = new Sheets(document, paper.size())) {
        owner(report, sheets);
        if (annex) {
          sheets.turn();
          annex(report, sheets);
        }
      }
      number(report, document);
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void owner(ReportView report, Sheets s) throws IOException {
    String head =
        report.shop().isEmpty()
            ? report.words().shop()
            : report.shop() + " · " + report.words().shop();
    s.text(head, TEXT, false, SOFT, 0);
    s.down(4);
    s.text(report.title(), 19, true, MAT, 0);
    s.down(2);
    String serial = report.serial() == null ? "" : " · " + report.serial();
    s.text(report.owner() + " · " + report.machine() + serial, TEXT, false, SOFT, 0);
    s.text(report.job() + " · " + report.printed(), TEXT, false, SOFT, 0);
    s.down(6);
    for (ReportView.ReportSection section : report.sections()) {
      heading(section.heading(), s);
      for (String line : section.lines()) {
        s.text(line, TEXT, false, INK, 0);
      }
    }
    plots(report.plots(), s);
    if (!report.advice().isEmpty()) {
      heading(report.words().advice(), s);
      for (ReportView.ReportAdvice advice : report.advice()) {
        s.text(advice.title() + ".", TEXT, true, INK, 0);
        s.text(advice.text(), TEXT, false, INK, 0);
        s.down(2);
      }
    }
  }

  private static void heading(String words, Sheets s) throws IOException {
    s.room(48);
    s.down(7);
    s.line(s.left(), s.y(), s.left() + s.width(), s.y(), 0.7f, LINE);
    s.down(2);
    s.text(words, 12, true, CLEAR, 0);
  }

  /** Two beside each other. */
  private static void plots(List<ReportPlot> plots, Sheets s) throws IOException {
    if (plots.isEmpty()) {
      return;
    }
    s.room(PLOT_HEIGHT + 46);
    s.down(12);
    float each = (s.width() - 24) / 2;
    float top = s.y();
    for (int i = 0; i < plots.size(); i++) {
      plot(plots.get(i), s, s.left() + i * (each + 24), top, each);
    }
    s.down(PLOT_HEIGHT + 40);
  }

  private static void plot(ReportPlot plot, Sheets s, float x, float top, float width)
      throws IOException {
    float y = top - SMALL;
    for (String line : twoLines(plot.title(), s, width)) {
      s.at(line, x, y, SMALL, false, SOFT);
      y -= SMALL * 1.3f;
    }
    float base = top - 24 - PLOT_HEIGHT;
    float axis = 34;
    float wide = width - axis;
    s.line(x + axis, base, x + width, base, 0.8f, SOFT);
    s.line(x + axis, base, x + axis, base + PLOT_HEIGHT, 0.8f, SOFT);
    String most = number(plot.most()) + (plot.unit().isEmpty() ? "" : " " + plot.unit());
    s.at(most, x + axis - 4 - s.widthOf(most, 7.5f), base + PLOT_HEIGHT - 8, 7.5f, false, SOFT);
    s.at("0", x + axis - 9, base, 7.5f, false, SOFT);
    s.at(plot.from(), x + axis, base - 10, 7.5f, false, SOFT);
    s.at(plot.to(), x + width - s.widthOf(plot.to(), 7.5f), base - 10, 7.5f, false, SOFT);
    ReportPoint before = null;
    for (ReportPoint point : plot.points()) {
      if (before != null) {
        s.line(
            x + axis + (float) before.x() * wide,
            base + up(before, plot),
            x + axis + (float) point.x() * wide,
            base + up(point, plot),
            1.3f,
            CLEAR);
      }
      before = point;
    }
  }

  private static float up(ReportPoint point, ReportPlot plot) {
    return (float) (point.y() / Math.max(1e-9, plot.most()) * (PLOT_HEIGHT - 4));
  }

  private static String number(double value) {
    return value >= 100 || value == Math.rint(value)
        ? String.format(Locale.ROOT, "%.0f", value)
        : String.format(Locale.ROOT, "%.1f", value);
  }

  private static List<String> twoLines(String title, Sheets s, float width) throws IOException {
    if (s.widthOf(title, SMALL) <= width) {
      return List.of(title);
    }
    int cut = title.length() / 2;
    int space = title.indexOf(' ', cut);
    return space < 0
        ? List.of(title)
        : List.of(title.substring(0, space), title.substring(space + 1));
  }

  private static void annex(ReportView report, Sheets s) throws IOException {
    s.text(report.words().annex(), 15, true, MAT, 0);
    s.text(report.words().annexLead(), SMALL + 1, false, SOFT, 0);
    heading(report.words().runs(), s);
    for (AnnexRun run : report.annex().runs()) {
      String detail = run.detail().isEmpty() ? "" : " (" + run.detail() + ")";
      row(
          run.at(),
          "%s of %s: %s%s".formatted(run.name(), run.part(), run.outcome(), detail),
          run.id().toString(),
          s);
    }
    none(report.annex().runs(), report, s);
    heading(report.words().readings(), s);
    for (ReportView.AnnexReading reading : report.annex().readings()) {
      row(
          reading.at(),
          say("report.what-said-of-itself", "part", reading.part()),
          reading.id().toString(),
          s);
    }
    none(report.annex().readings(), report, s);
    heading(report.words().steps(), s);
    for (ReportView.AnnexStep step : report.annex().steps()) {
      String words = step.words().isEmpty() ? "" : ": " + step.words();
      row(step.at(), step.title() + words, step.by(), s);
    }
    none(report.annex().steps(), report, s);
  }

  private static void none(List<?> rows, ReportView report, Sheets s) throws IOException {
    if (rows.isEmpty()) {
      s.text(report.words().none(), SMALL + 0.5f, false, INK, 0);
    }
  }

  private static void row(Instant at, String words, String id, Sheets s) throws IOException {
    s.room(26);
    s.text(WHEN.format(at) + "   " + words, SMALL + 0.5f, false, INK, 0);
    s.text(id, 7, false, SOFT, 92);
  }

  /** "Page 1 of 3" and the job, at the foot of each. */
  private static void number(ReportView report, PDDocument document) throws IOException {
    int pages = document.getNumberOfPages();
    for (int i = 0; i < pages; i++) {
      PDPage page = document.getPage(i);
      String words =
          report
              .words()
              .page()
              .replace("{0}", Integer.toString(i + 1))
              .replace("{1}", Integer.toString(pages));
      try (PDPageContentStream pen =
          new PDPageContentStream(
              document, page, PDPageContentStream.AppendMode.APPEND, true, true)) {
        pen.beginText();
        pen.setNonStrokingColor(SOFT);
        pen.setFont(new PDType1Font(FontName.HELVETICA), 8);
        pen.newLineAtOffset(52, 30);
        pen.showText(words.replaceAll("[^\\x20-\\x7E]", "?") + "   " + report.number());
        pen.endText();
      }
    }
  }
}
