package tekmerion.server.estimate;

import static tekmerion.words.Words.say;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.decision.Course;
import tekmerion.core.forecast.PlanEnd;
import tekmerion.core.price.Estimate;
import tekmerion.core.price.Tariff;
import tekmerion.core.weigh.Comparison.Compared;
import tekmerion.server.estimate.EstimateView.Answer;
import tekmerion.server.estimate.EstimateView.How;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobLock;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.permit.JobPermissions;
import tekmerion.server.person.Person;
import tekmerion.server.price.Amounts;
import tekmerion.server.problem.Refusal;
import tekmerion.server.weighing.WeighingService;
import tekmerion.words.Speaking;
import tekmerion.words.Words;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Estimates and what owners said to them: facts, never changed, only followed by others. */
@Service
public class Estimates {
  private static final TypeReference<List<EstimateView.Line>> LINES = new TypeReference<>() {};

  private final Jobs jobs;
  private final JobLock lock;
  private final WeighingService weighing;
  private final JobPermissions permissions;
  private final Pricing pricing;
  private final Tell tell;
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  Estimates(
      Jobs jobs,
      JobLock lock,
      WeighingService weighing,
      JobPermissions permissions,
      Pricing pricing,
      Tell tell,
      JdbcClient jdbc,
      JsonMapper json,
      Clock clock) {
    this.jobs = jobs;
    this.lock = lock;
    this.weighing = weighing;
    this.permissions = permissions;
    this.pricing = pricing;
    this.tell = tell;
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /** Of a job, the newest first. */
  @Transactional(readOnly = true)
  public List<EstimateView> of(String number) {
    return of(jobs.named(number));
  }

  private List<EstimateView> of(Job job) {
    return jdbc.sql(
            "SELECT e.id, e.plan_id, e.words, e.plan_lines, e.currency, e.certain, e.at_most,"
                + " e.tax_percent, e.tax_shown, e.ready_early, e.ready_late, a.display_name,"
                + " e.made_at FROM estimate e JOIN account a ON a.id = e.made_by"
                + " WHERE e.job_id = ? ORDER BY e.id DESC")
        .param(job.id())
        .query((rs, n) -> view(rs))
        .list();
  }

  private EstimateView view(ResultSet rs) throws SQLException {
    String currency = rs.getString(5);
    return new EstimateView(
        rs.getLong(1),
        rs.getString(2),
        rs.getString(3),
        json.readValue(rs.getString(4), LINES),
        currency,
        Amounts.shown(rs.getBigDecimal(6), currency),
        Amounts.shown(rs.getBigDecimal(7), currency),
        rs.getBigDecimal(8),
        rs.getBoolean(9),
        rs.getTimestamp(10).toInstant(),
        rs.getTimestamp(11).toInstant(),
        rs.getString(12),
        rs.getTimestamp(13).toInstant(),
        answers(rs.getLong(1), currency));
  }

  private List<Answer> answers(long estimate, String currency) {
    return jdbc.sql(
            "SELECT p.how, p.signer, p.up_to, p.note, a.display_name, p.made_at, p.from_elsewhere"
                + " FROM approval p JOIN account a ON a.id = p.made_by WHERE p.estimate_id = ?"
                + " ORDER BY p.id DESC")
        .param(estimate)
        .query(
            (rs, n) ->
                new Answer(
                    How.valueOf(rs.getString(1)),
                    rs.getString(2),
                    Amounts.shown(rs.getBigDecimal(3), currency),
                    rs.getString(4),
                    rs.getString(5),
                    rs.getTimestamp(6).toInstant(),
                    rs.getBoolean(7)))
        .list();
  }

  /**
   * Keeps what the owner is told of a plan.
   *
   * @param remedies of the plan, by id and in order; none for handing it back
   * @return its id
   * @throws Refusal 409 if nobody has said what the shop charges; 400 if no such plan can be made
   */
  @Transactional
  public long make(String number, long version, List<String> remedies, Person by) {
    Job job = lock.forChange(number, version);
    Tariff tariff =
        pricing
            .tariff()
            .orElseThrow(
                () ->
                    Refusal.notPossibleNow(
                        say("estimate.nobody-has-said-yet-what-the"),
                        say("estimate.the-lead-says-so-under-prices")));
    Told told =
        Words.in(Speaking.prose(job.customer().papers()), () -> told(job, remedies, tariff));
    Estimate estimate = told.estimate();
    PlanEnd end = pricing.end(told.row().plan());
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "INSERT INTO estimate (job_id, plan_id, words, plan_lines, currency, certain, at_most,"
                + " tax_percent, tax_shown, ready_early, ready_late, made_by, made_at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            told.row().plan().id(),
            told.words(),
            json.writeValueAsString(estimate.lines().stream().map(EstimateView.Line::of).toList()),
            tariff.currency().getCurrencyCode(),
            estimate.certain(),
            estimate.atMost(),
            tariff.taxPercent(),
            tariff.taxShown(),
            Timestamp.from(end.early()),
            Timestamp.from(end.late()),
            by.id(),
            Timestamp.from(clock.instant()))
        .update(key, "id");
    tell.journal(
        job,
        JournalEntry.Kind.ESTIMATE,
        () ->
            say(
                "estimate.estimate-of-at-most",
                "currencyCode",
                tariff.currency().getCurrencyCode(),
                "certain",
                estimate.certain(),
                "atMost",
                estimate.atMost()),
        told::words,
        by);
    return key.getKey().longValue();
  }

  /** What the owner is told, in their own language. */
  private record Told(Compared row, Estimate estimate, String words) {}

  private Told told(Job job, List<String> remedies, Tariff tariff) {
    WeighingService.Evidence evidence = weighing.weigh(job);
    Compared row = weighing.plan(job, evidence, permissions.of(job, evidence), remedies);
    String words =
        row.onlyIf().isEmpty()
            ? row.words()
            : say("estimate.only-if-that-does-not-end", "row", row.words(), "onlyIf", row.onlyIf());
    return new Told(row, pricing.of(row, tariff), words);
  }

  /**
   * Keeps what the owner said to an estimate.
   *
   * @param upTo what they agree to pay at most; null if they refuse
   * @throws Refusal 409 if it is not the newest estimate of the job
   */
  @Transactional
  public void answer(
      String number,
      long version,
      long estimate,
      How how,
      String signer,
      BigDecimal upTo,
      String note,
      Person by) {
    Job job = lock.forChange(number, version);
    EstimateView newest =
        of(job).stream()
            .findFirst()
            .orElseThrow(() -> Refusal.notFound(say("estimate.there-is-no-estimate-in-this")));
    if (newest.id() != estimate) {
      throw Refusal.notPossibleNow(
          say("estimate.there-is-a-newer-estimate-than"),
          say("estimate.tell-the-owner-the-newest-one"));
    }
    if ((upTo == null) != (how == How.REFUSED)) {
      throw Refusal.badRequest(
          how == How.REFUSED
              ? say("estimate.a-refusal-names-no-amount")
              : say("estimate.it-is-not-said-up-to"),
          say("estimate.say-what-the-owner-agrees-to"));
    }
    Amounts.mustBePayable(upTo, newest.currency());
    if (upTo != null && upTo.compareTo(newest.certain()) < 0) {
      throw Refusal.badRequest(
          say("estimate.is-less-than-what-the-plan", "upTo", upTo, "certain", newest.certain()),
          say("estimate.agree-on-more-or-estimate-another"));
    }
    jdbc.sql(
            "INSERT INTO approval (job_id, estimate_id, how, signer, up_to, note, made_by, made_at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            estimate,
            how.name(),
            signer.strip(),
            upTo,
            note.strip(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
    tell.journal(
        job,
        JournalEntry.Kind.ESTIMATE,
        () ->
            switch (how) {
              case SIGNED -> agreed("estimate.the-owner-signed-for-up-to", newest, upTo);
              case PHONE -> agreed("estimate.the-owner-agreed-by-phone-to", newest, upTo);
              case REFUSED -> say("estimate.the-owner-refused-the-estimate");
            },
        () -> note.strip(),
        by);
  }

  private static String agreed(String key, EstimateView newest, BigDecimal upTo) {
    return say(
        key,
        "currency",
        newest.currency(),
        "upTo",
        Amounts.shown(upTo, newest.currency()).toPlainString());
  }

  /**
   * Whether a plan may be decided, by what the owner said last. Without an answer everything may:
   * the shop asked for nothing.
   *
   * @throws Refusal 423 if the owner refused and the plan is more than handing it back, or if it
   *     may cost more than they agreed to
   */
  public void mustAllow(Job job, Compared plan) {
    Optional<Agreed> agreed = agreed(job);
    if (agreed.isEmpty() || plan.plan().remedies().isEmpty()) {
      return;
    }
    mustNotBeRefused(agreed.get());
    Tariff tariff = pricing.tariff().orElseThrow();
    BigDecimal most = pricing.of(plan, tariff).atMost();
    boolean sameMoney = tariff.currency().getCurrencyCode().equals(agreed.get().currency());
    if (!sameMoney || most.compareTo(agreed.get().last().upTo()) > 0) {
      throw Refusal.locked(
          say(
              "estimate.it-may-cost-the-owner-agreed",
              "currencyCode",
              tariff.currency().getCurrencyCode(),
              "most",
              most,
              "currency",
              agreed.get().currency(),
              "upTo",
              agreed.get().last().upTo()),
          say("estimate.opens-when-the-owner-agrees-to"));
    }
  }

  /**
   * The same for courses, of which nobody can say what they cost.
   *
   * @throws Refusal 423 if the owner answered an estimate and the courses are more than handing it
   *     back
   */
  public void mustAllow(Job job, List<Course> courses) {
    Optional<Agreed> agreed = agreed(job);
    if (agreed.isEmpty() || courses.equals(List.of(Course.NOTHING_FOUND))) {
      return;
    }
    mustNotBeRefused(agreed.get());
    throw Refusal.locked(
        say("estimate.the-owner-agreed-to-an-amount"), say("estimate.opens-when-a-plan-is-chosen"));
  }

  /**
   * Whether what was signed may still be done: the owner may have answered since.
   *
   * @param planId of the signed plan
   * @throws Refusal 423 if they refused, or agreed to less than the plan may cost by its newest
   *     estimate
   */
  public void mustStillAllow(Job job, String planId) {
    agreed(job)
        .ifPresent(
            agreed -> {
              mustNotBeRefused(agreed);
              of(job).stream()
                  .filter(
                      estimate ->
                          estimate.plan().equals(planId)
                              && estimate.currency().equals(agreed.currency())
                              && estimate.atMost().compareTo(agreed.last().upTo()) > 0)
                  .findFirst()
                  .ifPresent(
                      estimate -> {
                        throw Refusal.locked(
                            say(
                                "estimate.it-may-cost-the-owner-agreed-2",
                                "currency",
                                estimate.currency(),
                                "atMost",
                                estimate.atMost(),
                                "upTo",
                                agreed.last().upTo()),
                            say("estimate.opens-when-the-owner-agrees-to"));
                      });
            });
  }

  private static void mustNotBeRefused(Agreed agreed) {
    if (agreed.last().how() == How.REFUSED) {
      throw Refusal.locked(
          say("estimate.the-owner-refused-the-last-estimate"),
          say("estimate.opens-when-they-agree-to-another"));
    }
  }

  /** What the owner said last, here. */
  private record Agreed(String currency, Answer last) {}

  private Optional<Agreed> agreed(Job job) {
    return of(job).stream()
        .flatMap(
            estimate ->
                estimate.answers().stream()
                    .filter(answer -> !answer.fromElsewhere())
                    .map(answer -> new Agreed(estimate.currency(), answer)))
        .findFirst();
  }
}
