package tekmerion.server.report;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.NumberFormat;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Currency;
import org.apache.pdfbox.pdmodel.PDDocument;
import tekmerion.core.price.PartPrice.PriceSource;
import tekmerion.core.report.OwnerWords;
import tekmerion.server.estimate.EstimateView;

/** An estimate on paper, for the owner to sign. */
final class EstimatePdf {
  private static final Color INK = new Color(0x16262A);
  private static final Color SOFT = new Color(0x4C5F63);
  private static final Color LINE = new Color(0xD3DCDA);
  private static final Color MAT = new Color(0x14403D);
  private static final float TEXT = 10.5f;
  private static final float AMOUNTS = 90;

  private EstimatePdf() {}

  static byte[] of(EstimateView estimate, Head head, OwnerWords owner, Paper paper) {
    try (PDDocument document = new PDDocument()) {
      document.getDocumentInformation().setTitle(owner.of("estimate") + " " + head.job());
      try (Sheets sheets = new Sheets(document, paper.size())) {
        write(estimate, head, owner, sheets);
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.save(out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Who it is for, and of what. */
  record Head(String shop, String owner, String machine, String job, ZoneId zone) {}

  private static void write(EstimateView estimate, Head head, OwnerWords owner, Sheets s)
      throws IOException {
    DateTimeFormatter when =
        DateTimeFormatter.ofPattern("EEE d MMM yyyy, HH:mm", owner.locale()).withZone(head.zone());
    NumberFormat money = NumberFormat.getCurrencyInstance(owner.locale());
    money.setCurrency(Currency.getInstance(estimate.currency()));
    int places = Math.max(0, money.getCurrency().getDefaultFractionDigits());
    money.setMinimumFractionDigits(places);
    money.setMaximumFractionDigits(places);
    s.text(head.shop(), TEXT, false, SOFT, 0);
    s.down(4);
    s.text(owner.of("estimate") + ": " + estimate.words(), 17, true, MAT, 0);
    s.down(2);
    s.text(head.owner() + " · " + head.machine() + " · " + head.job(), TEXT, false, SOFT, 0);
    s.text(
        "%s, %s".formatted(when.format(estimate.madeAt()), estimate.madeBy()),
        TEXT,
        false,
        SOFT,
        0);
    s.down(10);
    for (EstimateView.Line line : estimate.lines()) {
      line(words(line, owner), money.format(line.amount()), line.certain(), s);
    }
    s.down(4);
    line(owner.of("estimate.certain"), money.format(estimate.certain()), true, s);
    line(owner.of("estimate.most"), money.format(estimate.atMost()), true, s);
    s.down(6);
    if (estimate.taxShown() && estimate.taxPercent().signum() > 0) {
      s.text(
          owner.of("estimate.tax", estimate.taxPercent().stripTrailingZeros().toPlainString()),
          TEXT,
          false,
          INK,
          0);
    }
    s.text(
        owner.of(
            "estimate.ready",
            when.format(estimate.readyEarly()),
            when.format(estimate.readyLate())),
        TEXT,
        false,
        INK,
        0);
    s.text(owner.of("estimate.more"), TEXT, false, INK, 0);
    s.room(70);
    s.down(46);
    s.line(s.left(), s.y(), s.left() + s.width() * 0.6f, s.y(), 0.8f, SOFT);
    s.down(4);
    s.text(owner.of("estimate.agree"), 8.5f, false, SOFT, 0);
  }

  private static String words(EstimateView.Line line, OwnerWords owner) {
    String minutes = line.minutes() == 0 ? "" : ", " + owner.of("estimate.minutes", line.minutes());
    String usual =
        line.source() == PriceSource.USUAL ? " (%s)".formatted(owner.of("estimate.usual")) : "";
    String certain = line.certain() ? "" : ", " + owner.of("estimate.only");
    return line.words() + minutes + usual + certain;
  }

  private static void line(String words, String amount, boolean certain, Sheets s)
      throws IOException {
    s.room(24);
    float y = s.y();
    s.line(s.left(), y, s.left() + s.width(), y, 0.5f, LINE);
    s.down(3);
    float at = s.y() - TEXT * 1.1f;
    s.at(
        amount,
        s.left() + s.width() - Math.min(AMOUNTS, s.widthOf(amount, TEXT)),
        at,
        TEXT,
        certain,
        INK);
    s.text(words, TEXT, certain, INK, 0);
    s.down(2);
  }
}
