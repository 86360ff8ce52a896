package tekmerion.demo;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.estimate.EstimateView.How;
import tekmerion.server.estimate.Estimates;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Changes.ComplaintNow;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.move.MadeMoves;
import tekmerion.server.person.Person;

/** Tells what somebody did to a job so many minutes ago, through the services that did it. */
@Component
class Mornings {
  static final String MACHINE = "machine";

  private final Jobs jobs;
  private final MadeMoves moves;
  private final DecisionService decisions;
  private final Estimates estimates;
  private final Changes changes;
  private final DemoClock clock;

  Mornings(
      Jobs jobs,
      MadeMoves moves,
      DecisionService decisions,
      Estimates estimates,
      Changes changes,
      DemoClock clock) {
    this.jobs = jobs;
    this.moves = moves;
    this.decisions = decisions;
    this.estimates = estimates;
    this.changes = changes;
    this.clock = clock;
  }

  Morning of(String number, Person by, Instant now) {
    return new Morning(number, by, now);
  }

  /** One job's morning. */
  final class Morning {
    final String number;
    final Person by;
    private final Instant now;

    Morning(String number, Person by, Instant now) {
      this.number = number;
      this.by = by;
      this.now = now;
    }

    void at(int minutesAgo, Consumer<Job> what) {
      clock.showing(
          now.minus(Duration.ofMinutes(minutesAgo)), () -> what.accept(jobs.named(number)));
      jobs.flush();
    }

    void made(Job job, String move, Map<String, String> levels) {
      moves.made(number, job.version(), move, MACHINE, levels, "", by);
    }

    void begin(Job job, String move) {
      moves.begin(number, job.version(), move, MACHINE, null, by);
    }

    /** What came of the open change. */
    void check(Job job, ComplaintNow result, String note) {
      changes.check(number, job.version(), result, note, by);
    }

    void sign(Job job, List<String> remedies, String reason) {
      decisions.sign(number, job.version(), remedies, reason, by);
    }

    void agreed(Job job, String who) {
      var estimate = estimates.of(number).get(0);
      BigDecimal most = estimate.atMost();
      estimates.answer(number, job.version(), estimate.id(), How.PHONE, who, most, "", by);
    }

    LocalDate day(int ahead) {
      return LocalDate.ofInstant(now.plus(Duration.ofDays(ahead)), ZoneOffset.UTC);
    }
  }
}
