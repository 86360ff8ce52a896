package tekmerion.demo;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.decision.Course;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.forecast.Stage;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;
import tekmerion.core.weigh.Weighed;
import tekmerion.server.account.Account;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.weighing.WeighingService;
import tekmerion.sim.PastJob;

/** What was found, decided and done on a past job, each stage as long as it took. */
@Component
class PastWork {
  private final Jobs jobs;
  private final BenchReadings bench;
  private final DecisionService decisions;
  private final WeighingService weighing;
  private final TakenIn takenIn;
  private final OpenHours hours;
  private final JdbcClient jdbc;

  PastWork(
      Jobs jobs,
      BenchReadings bench,
      DecisionService decisions,
      WeighingService weighing,
      TakenIn takenIn,
      OpenHours hours,
      JdbcClient jdbc) {
    this.jobs = jobs;
    this.bench = bench;
    this.decisions = decisions;
    this.weighing = weighing;
    this.takenIn = takenIn;
    this.hours = hours;
    this.jdbc = jdbc;
  }

  /** Read, decided, worked on, handed back: each stage as long as it took. */
  void work(Job job, PastJob line, Account technician, Instant taken) {
    Instant read = hours.after(taken, line.stageMinutes().get(0));
    readDrive(job, line, read);
    Weighed weighed = weighing.reweigh(job);
    Instant decided = hours.after(read, line.stageMinutes().get(1));
    List<Course> courses = line.courses().stream().map(Course::valueOf).toList();
    decisions.keepPast(job, courses, line.reason(), weighed, technician.id(), decided);
    takenIn.tell(
        job,
        decided,
        JournalEntry.Kind.DECISION,
        () -> say("decision.decided"),
        () -> Course.inOrder(courses),
        technician);
    Instant done = hours.after(decided, line.stageMinutes().get(2));
    if (!line.changed().isEmpty()) {
      change(job, line.changed(), technician, decided, done);
    }
    Instant back = hours.after(done, line.stageMinutes().get(3));
    takenIn.tell(
        job, back, JournalEntry.Kind.END, () -> say("jobview.handed-back"), () -> "", technician);
    jobs.flush();
    Instant[] ends = {read, decided, done, back};
    for (Stage stage : Stage.values()) {
      jdbc.sql("INSERT INTO stage_time (job_id, stage, minutes, ended_at) VALUES (?, ?, ?, ?)")
          .params(
              job.id(),
              stage.name(),
              line.stageMinutes().get(stage.ordinal()),
              Timestamp.from(ends[stage.ordinal()]))
          .update();
    }
    jdbc.sql(
            "UPDATE job SET stage = 'HAND_BACK', stage_since = ?, ended_at = ?,"
                + " ended_how = 'HANDED_BACK' WHERE id = ?")
        .params(Timestamp.from(done), Timestamp.from(back), job.id())
        .update();
  }

  private void readDrive(Job job, PastJob line, Instant when) {
    if (line.pages().isEmpty()) {
      return;
    }
    Map<PageKind, RawPage> pages = new LinkedHashMap<>();
    line.pages()
        .forEach(
            (kind, base64) ->
                PageKind.ofWireName(kind)
                    .ifPresent(k -> pages.put(k, new RawPage(Base64.getDecoder().decode(base64)))));
    bench.keep(job, pages, when);
  }

  private void change(Job job, String what, Account by, Instant begun, Instant done) {
    jobs.flush();
    jdbc.sql(
            "INSERT INTO job_change (job_id, what, opened_by, opened_at, result, note, closed_by,"
                + " closed_at) VALUES (?, ?, ?, ?, 'GONE', '', ?, ?)")
        .params(job.id(), what, by.id(), Timestamp.from(begun), by.id(), Timestamp.from(done))
        .update();
    takenIn.tell(
        job,
        begun,
        JournalEntry.Kind.CHANGE,
        () -> say("job.changed", "what", what),
        () -> say("job.check-to-come"),
        by);
    takenIn.tell(
        job,
        done,
        JournalEntry.Kind.CHECK,
        () -> say("job.complaint", "result", say("job.gone")),
        () -> say("demo.after", "what", what),
        by);
  }
}
