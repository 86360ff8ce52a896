package tekmerion.server.handback;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.job.Job;
import tekmerion.server.permit.Strokes;
import tekmerion.server.person.Person;
import tekmerion.server.price.Amounts;
import tekmerion.server.price.Tariffs;
import tekmerion.server.problem.Refusal;

/** That a machine was taken back, and what was paid. */
@Service
public class HandBacks {
  /** What whoever takes it back signs; kept with the signature as it was shown. */
  public static String wording() {
    return say("handback.i-have-the-machine-and-all");
  }

  private final Tariffs tariffs;
  private final JdbcClient jdbc;
  private final Clock clock;

  /** How it was paid; the shop's till does it, here it is noted. */
  public enum PaidHow {
    CASH("handback.in-cash"),
    CARD("handback.by-card"),
    INVOICE("handback.by-invoice"),
    NOTHING("handback.nothing-to-pay");

    private final String words;

    PaidHow(String words) {
      this.words = words;
    }
  }

  /**
   * @param takenBy full name
   * @param strokes drawn signature as an SVG's path; null if it was not drawn
   * @param paid what was paid; null for nothing
   * @param note whatever else was said
   */
  @Schema(name = "HandBackSaid")
  public record Said(
      String takenBy,
      @Schema(nullable = true) String strokes,
      PaidHow paidHow,
      @Schema(nullable = true) BigDecimal paid,
      String note) {}

  /**
   * @param payment in words
   */
  @Schema(name = "HandBack")
  public record View(
      String takenBy, boolean drawn, String payment, String note, String by, Instant at) {}

  HandBacks(Tariffs tariffs, JdbcClient jdbc, Clock clock) {
    this.tariffs = tariffs;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /** Empty until it was taken back. */
  @Transactional(readOnly = true)
  public Optional<View> of(Job job) {
    return jdbc.sql(
            "SELECT h.taken_by, h.strokes IS NOT NULL, h.paid, h.currency, h.paid_how, h.note,"
                + " a.display_name, h.made_at FROM hand_back h JOIN account a ON a.id = h.made_by"
                + " WHERE h.job_id = ?")
        .param(job.id())
        .query(
            (rs, n) ->
                new View(
                    rs.getString(1),
                    rs.getBoolean(2),
                    words(PaidHow.valueOf(rs.getString(5)), rs.getBigDecimal(3), rs.getString(4)),
                    rs.getString(6),
                    rs.getString(7),
                    rs.getTimestamp(8).toInstant()))
        .optional();
  }

  private static String words(PaidHow how, BigDecimal paid, String currency) {
    if (paid == null) {
      return say(how.words);
    }
    return "%s %s %s"
        .formatted(currency, Amounts.shown(paid, currency).toPlainString(), say(how.words));
  }

  /**
   * @throws Refusal 400 without a name, or if what was paid and how do not go together
   */
  @Transactional(propagation = Propagation.MANDATORY)
  public void keep(Job job, Said said, Person by) {
    if (said.takenBy().isBlank()) {
      throw Refusal.badRequest(
          say("handback.nobody-is-named-who-takes-it"),
          say("handback.have-them-type-their-full-name"));
    }
    if (said.strokes() != null && !Strokes.isPath(said.strokes())) {
      throw Refusal.badRequest(
          say("handback.the-drawn-signature-cannot-be-read"),
          say("handback.draw-it-again-or-type-it"));
    }
    if ((said.paidHow() == PaidHow.NOTHING) != (said.paid() == null)) {
      throw Refusal.badRequest(
          say("handback.an-amount-and-how-it-was"), say("handback.give-both-or-say-that-nothing"));
    }
    String currency =
        said.paid() == null
            ? null
            : tariffs
                .now()
                .orElseThrow(
                    () ->
                        Refusal.notPossibleNow(
                            say("handback.nobody-has-said-in-which-money"),
                            say("handback.the-lead-says-so-under-prices")))
                .currency()
                .getCurrencyCode();
    Amounts.mustBePayable(said.paid(), currency);
    jdbc.sql(
            "INSERT INTO hand_back (job_id, taken_by, strokes, wording, paid, currency, paid_how,"
                + " note, made_by, made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            said.takenBy().strip(),
            said.strokes(),
            wording(),
            said.paid(),
            currency,
            said.paidHow().name(),
            said.note().strip(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }
}
