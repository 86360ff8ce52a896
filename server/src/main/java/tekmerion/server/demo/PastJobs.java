package tekmerion.server.demo;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.decision.Course;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PartReading;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.forecast.Stage;
import tekmerion.core.knowhow.Question.Subject;
import tekmerion.core.page.RawPage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.weigh.Weighed;
import tekmerion.server.account.Account;
import tekmerion.server.decision.DecisionService;
import tekmerion.server.evidence.PastReadings;
import tekmerion.server.intake.Answers;
import tekmerion.server.intake.Drafts;
import tekmerion.server.intake.Understanding;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobFinding;
import tekmerion.server.job.JobFindings;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.part.Part;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.DataStatusEntries;
import tekmerion.server.permit.DataStatusEntry;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighingService;
import tools.jackson.databind.json.JsonMapper;

/**
 * The demo shop's past, from the file that the simulation wrote. Only what happened is in the file;
 * parts are recognised, findings heard and weighed, and likely ends learned by the server's own
 * code.
 */
@Component
class PastJobs {
  private static final String PROBE_VERSION = "0.1.0";
  private final Machines machines;
  private final Customers customers;
  private final Jobs jobs;
  private final JobFindings findings;
  private final PartService parts;
  private final PastReadings readings;
  private final DataStatusEntries statusEntries;
  private final DecisionService decisions;
  private final Drafts drafts;
  private final Understanding understanding;
  private final WeighingService weighing;
  private final SearchIndex search;
  private final Journal journal;
  private final OpenHours hours;
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final EntityManager entities;
  private final Map<String, Long> machineBySerial = new HashMap<>();
  private final Map<String, Long> customerByName = new HashMap<>();

  /** A line of the file; see the simulation's own description of it. */
  record Line(
      int daysAgo,
      int minuteOfDay,
      String customer,
      boolean looseDrive,
      String maker,
      String model,
      String serial,
      String driveSerial,
      String complaint,
      String errorText,
      Map<String, List<String>> said,
      boolean dataWanted,
      Map<String, String> pages,
      List<Double> stageMinutes,
      List<Course> courses,
      String reason,
      String changed) {}

  PastJobs(
      Machines machines,
      Customers customers,
      Jobs jobs,
      JobFindings findings,
      PartService parts,
      PastReadings readings,
      DataStatusEntries statusEntries,
      DecisionService decisions,
      Drafts drafts,
      Understanding understanding,
      WeighingService weighing,
      SearchIndex search,
      Journal journal,
      OpenHours hours,
      JdbcClient jdbc,
      JsonMapper json,
      EntityManager entities) {
    this.machines = machines;
    this.customers = customers;
    this.jobs = jobs;
    this.findings = findings;
    this.parts = parts;
    this.readings = readings;
    this.statusEntries = statusEntries;
    this.decisions = decisions;
    this.drafts = drafts;
    this.understanding = understanding;
    this.weighing = weighing;
    this.search = search;
    this.journal = journal;
    this.hours = hours;
    this.jdbc = jdbc;
    this.json = json;
    this.entities = entities;
  }

  /**
   * @param lastNumber of the newest past job; the others count down from it
   * @param technicians who did the work, in turn
   */
  void load(Path file, long lastNumber, Account counter, List<Account> technicians, Instant now) {
    List<Line> lines = read(file);
    UUID probe = probe(now);
    for (int i = 0; i < lines.size(); i++) {
      String number = "J-" + (lastNumber - lines.size() + 1 + i);
      keep(lines.get(i), number, counter, technicians.get(i % technicians.size()), probe, now);
      entities.flush();
      entities.clear(); // else every flush would look through all jobs before
    }
  }

  private List<Line> read(Path file) {
    try {
      List<Line> lines = new ArrayList<>();
      for (String line : Files.readAllLines(file)) {
        lines.add(json.readValue(line, Line.class));
      }
      return lines;
    } catch (IOException e) {
      throw new UncheckedIOException("cannot read the demo shop's past", e);
    }
  }

  /** The probe that the past readings came from; long revoked. */
  private UUID probe(Instant now) {
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO probe (id, bay_id, outbox_id, token_hash, probe_version, machine_note,"
                + " enrolled_at, revoked_at, online, received_through)"
                + " SELECT ?, MIN(id), ?, UNHEX(SHA2(?, 256)), ?, '{}', ?, ?, FALSE, 0 FROM bay")
        .params(
            id.toString(),
            UUID.randomUUID().toString(),
            UUID.randomUUID().toString(),
            PROBE_VERSION,
            Timestamp.from(now),
            Timestamp.from(now))
        .update();
    return id;
  }

  private void keep(
      Line line, String number, Account counter, Account technician, UUID probe, Instant now) {
    Instant taken = taken(line, now);
    Answers answers = answers(line);
    Understanding.Understood understood = understanding.of(answers);
    List<String> bootStage = line.said().get("boot-stage");
    Job job =
        jobs.save(
            new Job(
                number,
                machine(line),
                customer(line),
                line.complaint(),
                understood.families(),
                bootStage == null ? null : bootStage.get(0),
                taken,
                hours.after(taken, 600)));
    job.said(
        line.complaint(),
        answers.errorText(),
        understood.families(),
        job.bootStage(),
        job.promisedAt());
    understood
        .findings()
        .forEach(s -> findings.save(new JobFinding(job.id(), s.id(), s.level(), s.words(), taken)));
    tell(job, taken, JournalEntry.Kind.INTAKE, "Taken in", "“" + line.complaint() + "”", counter);
    DataStatus dataStatus = line.dataWanted() ? DataStatus.WANTED : DataStatus.NOT_ASKED;
    statusEntries.save(new DataStatusEntry(job.id(), dataStatus, null, null, counter.id(), taken));
    job.dataStatus(dataStatus);
    drafts.keepFor(job.id(), answers, counter.id(), taken);
    work(job, line, technician, probe, taken);
    jobs.flush();
    search.note(job);
  }

  /** Read, decided, worked on, handed back: each stage as long as it took. */
  private void work(Job job, Line line, Account technician, UUID probe, Instant taken) {
    Instant read = hours.after(taken, line.stageMinutes().get(0));
    readDrive(job, line, probe, read);
    Weighed weighed = weighing.reweigh(job);
    Instant decided = hours.after(read, line.stageMinutes().get(1));
    decisions.keepPast(job, line.courses(), line.reason(), weighed, technician.id(), decided);
    tell(
        job,
        decided,
        JournalEntry.Kind.DECISION,
        "Decided",
        Course.inOrder(line.courses()),
        technician);
    Instant done = hours.after(decided, line.stageMinutes().get(2));
    if (!line.changed().isEmpty()) {
      change(job, line.changed(), technician, decided, done);
    }
    Instant back = hours.after(done, line.stageMinutes().get(3));
    tell(job, back, JournalEntry.Kind.END, "Handed back", "", technician);
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

  private void readDrive(Job job, Line line, UUID probe, Instant when) {
    if (line.pages().isEmpty()) {
      return;
    }
    Map<PageKind, RawPage> pages = new LinkedHashMap<>();
    line.pages()
        .forEach(
            (kind, base64) ->
                PageKind.ofWireName(kind)
                    .ifPresent(k -> pages.put(k, new RawPage(Base64.getDecoder().decode(base64)))));
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    pages.forEach((kind, page) -> answers.put(kind, new PageAnswer.Got(page)));
    Optional<DriveIdentity> identity = DriveIdentity.of(new PartReading(answers));
    Part part = parts.met(job.machine().id(), "drive-a", "Drive A", identity, when).part();
    readings.keep(job, part, probe, PROBE_VERSION, when, pages);
    journal.save(
        new JournalEntry(job.id(), when, JournalEntry.Kind.READING, "Drive A read", "", "probe"));
  }

  private void change(Job job, String what, Account by, Instant begun, Instant done) {
    jobs.flush();
    jdbc.sql(
            "INSERT INTO job_change (job_id, what, opened_by, opened_at, result, note, closed_by,"
                + " closed_at) VALUES (?, ?, ?, ?, 'GONE', '', ?, ?)")
        .params(job.id(), what, by.id(), Timestamp.from(begun), by.id(), Timestamp.from(done))
        .update();
    tell(job, begun, JournalEntry.Kind.CHANGE, "Changed: " + what, "check to come", by);
    tell(job, done, JournalEntry.Kind.CHECK, "Complaint gone", "after: " + what, by);
  }

  private Instant taken(Line line, Instant now) {
    LocalDate day = now.atZone(hours.zone()).toLocalDate().minusDays(line.daysAgo());
    while (!hours.days().contains(day.getDayOfWeek())) {
      day = day.minusDays(1);
    }
    return day.atStartOfDay(hours.zone()).plus(Duration.ofMinutes(line.minuteOfDay())).toInstant();
  }

  private static Answers answers(Line line) {
    String error = line.errorText().isEmpty() ? null : line.errorText();
    return new Answers(
        line.looseDrive() ? Subject.DRIVE : null,
        null,
        line.customer(),
        null,
        null,
        null,
        line.maker(),
        line.model(),
        line.serial(),
        line.complaint(),
        null,
        error,
        line.said(),
        null,
        null,
        null,
        line.dataWanted() ? true : null,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  private Machine machine(Line line) {
    Long known = machineBySerial.get(line.serial());
    if (known != null) {
      return machines.getReferenceById(known);
    }
    Machine.Kind kind = line.looseDrive() ? Machine.Kind.LOOSE_DRIVE : Machine.Kind.MACHINE;
    Machine machine = machines.save(new Machine(kind, line.maker(), line.model(), line.serial()));
    machineBySerial.put(line.serial(), machine.id());
    return machine;
  }

  private Customer customer(Line line) {
    Long known = customerByName.get(line.customer());
    if (known != null) {
      return customers.getReferenceById(known);
    }
    Customer customer = customers.save(new Customer(line.customer()));
    customerByName.put(line.customer(), customer.id());
    return customer;
  }

  private void tell(
      Job job, Instant when, JournalEntry.Kind kind, String title, String detail, Account who) {
    journal.save(new JournalEntry(job.id(), when, kind, title, detail, who.displayName()));
  }
}
