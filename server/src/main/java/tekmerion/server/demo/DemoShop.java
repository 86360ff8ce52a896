package tekmerion.server.demo;

import java.nio.file.Files;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.permit.DataStatus;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.account.Account;
import tekmerion.server.account.Accounts;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
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
import tekmerion.server.maker.MakerNotes;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.part.PartService;
import tekmerion.server.permit.DataStatusEntries;
import tekmerion.server.permit.DataStatusEntry;
import tekmerion.server.person.Role;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighingService;

/**
 * A made-up shop in a harbour town: four people, nine bays, the past jobs that the simulation
 * wrote, twelve machines of today. Only what people said is made here, before the first request is
 * taken; today's readings come over the bench link.
 */
@Component
@ConditionalOnProperty("tekmerion.demo")
class DemoShop implements SmartInitializingSingleton {
  private static final int BAYS = 9;

  /** Below those of today.yaml. */
  private static final long LAST_PAST_NUMBER = 2269;

  private final Accounts accounts;
  private final PasswordEncoder encoder;
  private final TekmerionProperties properties;
  private final Machines machines;
  private final Customers customers;
  private final Jobs jobs;
  private final JobFindings findings;
  private final Bays bays;
  private final PartService parts;
  private final DataStatusEntries statusEntries;
  private final Drafts drafts;
  private final Understanding understanding;
  private final Journal journal;
  private final WeighingService weighing;
  private final SearchIndex search;
  private final PastJobs past;
  private final LargeShop large;
  private final MakerNotes makers;
  private final JdbcClient jdbc;
  private final Clock clock;
  private final Map<String, Account> people = new HashMap<>();

  DemoShop(
      Accounts accounts,
      PasswordEncoder encoder,
      TekmerionProperties properties,
      Machines machines,
      Customers customers,
      Jobs jobs,
      JobFindings findings,
      Bays bays,
      PartService parts,
      DataStatusEntries statusEntries,
      Drafts drafts,
      Understanding understanding,
      Journal journal,
      WeighingService weighing,
      SearchIndex search,
      PastJobs past,
      LargeShop large,
      MakerNotes makers,
      JdbcClient jdbc,
      Clock clock) {
    this.accounts = accounts;
    this.encoder = encoder;
    this.properties = properties;
    this.machines = machines;
    this.customers = customers;
    this.jobs = jobs;
    this.findings = findings;
    this.bays = bays;
    this.parts = parts;
    this.statusEntries = statusEntries;
    this.drafts = drafts;
    this.understanding = understanding;
    this.journal = journal;
    this.weighing = weighing;
    this.search = search;
    this.past = past;
    this.large = large;
    this.makers = makers;
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Override
  @Transactional
  public void afterSingletonsInstantiated() {
    if (accounts.count() > 0) {
      return;
    }
    Instant now = clock.instant();
    person("ines", "Ines R.", Role.TECHNICIAN, now);
    person("bo", "Bo K.", Role.TECHNICIAN, now);
    person("mara", "Mara T.", Role.LEAD, now);
    person("joao", "João P.", Role.COUNTER, now);
    for (int number = 1; number <= BAYS; number++) {
      bays.save(new Bay(number, null));
    }
    bays.flush();
    if (properties.demoHistory() != null && Files.isRegularFile(properties.demoHistory())) {
      past.load(
          properties.demoHistory(),
          LAST_PAST_NUMBER,
          people.get("joao"),
          List.of(people.get("ines"), people.get("bo")),
          now);
    }
    MadeUpNote.all()
        .forEach(
            note ->
                makers.keep(
                    note.maker(),
                    note.models(),
                    note.topic(),
                    note.text(),
                    people.get("ines").id(),
                    before(now, 24 * 90)));
    for (Today today : Today.all()) {
      takeIn(today, now);
    }
    jdbc.sql("UPDATE counter SET next = 2297 WHERE name = 'job'").update();
    if (properties.demoLarge()) {
      large.load(now);
    }
  }

  private void person(String name, String displayName, Role role, Instant now) {
    String hash =
        people.isEmpty()
            ? encoder.encode(properties.demoPassword())
            : people.get("ines").copyPasswordHash();
    people.put(name, accounts.save(new Account(name, displayName, role, hash, now)));
  }

  private void takeIn(Today today, Instant now) {
    Instant then = before(now, today.hoursAgo());
    Instant promised = today.promisedIn() == null ? null : before(now, -today.promisedIn());
    Answers answers = today.answers(promised);
    Understanding.Understood understood = understanding.of(answers);
    boolean loose = today.subject() != null;
    Machine machine =
        machines.save(
            new Machine(
                loose ? Machine.Kind.LOOSE_DRIVE : Machine.Kind.MACHINE,
                today.maker(),
                today.model(),
                today.serial()));
    if (loose) {
      parts.told(machine.id(), "drive-a", today.model(), today.serial(), then);
    }
    Customer customer = customers.save(new Customer(today.customer()));
    String bootStage =
        today.said().containsKey("boot-stage") ? today.said().get("boot-stage").get(0) : null;
    Job job =
        jobs.save(
            new Job(
                "J-" + today.number(),
                machine,
                customer,
                today.complaint(),
                understood.families(),
                bootStage,
                then,
                promised));
    job.said(today.complaint(), today.errorText(), understood.families(), bootStage, promised);
    understood
        .findings()
        .forEach(s -> findings.save(new JobFinding(job.id(), s.id(), s.level(), s.words(), then)));
    Account counter = people.get("joao");
    drafts.keepFor(job.id(), answers, counter.id(), then);
    told(job, then, JournalEntry.Kind.INTAKE, "Taken in", "“" + job.complaint() + "”", counter);
    if (Boolean.TRUE.equals(today.dataWanted())) {
      say(job, DataStatus.WANTED, counter, then);
    }
    if (today.holder() != null) {
      Account holder = people.get(today.holder());
      job.heldBy(holder);
      Instant taken = then.plus(Duration.ofMinutes(12));
      told(
          job,
          taken,
          JournalEntry.Kind.HAND,
          "Taken by " + holder.displayName(),
          "nobody had it",
          holder);
    }
    weighing.reweigh(job);
    jobs.flush();
    search.note(job);
    stage(job, today, now);
    if (today.bay() != null) {
      jdbc.sql("UPDATE bay SET job_id = ? WHERE number = ?").params(job.id(), today.bay()).update();
    }
  }

  /** Where it stands today. */
  private void stage(Job job, Today today, Instant now) {
    if (today.stage() != null) {
      Instant since = before(now, today.hoursAgo() / 2);
      jdbc.sql("UPDATE job SET stage = ?, stage_since = ? WHERE id = ?")
          .params(today.stage().name(), Timestamp.from(since), job.id())
          .update();
    }
    Today.Waits waits = today.waits();
    if (waits != null) {
      jdbc.sql(
              "UPDATE job SET waits_for = ?, waits_note = ?, waits_since = ?, waits_until = ?"
                  + " WHERE id = ?")
          .params(
              waits.what().name(),
              waits.note(),
              Timestamp.from(before(now, waits.hoursAgo())),
              waits.inHours() == null ? null : Timestamp.from(before(now, -waits.inHours())),
              job.id())
          .update();
    }
  }

  private static Instant before(Instant now, double hours) {
    return now.minusSeconds(Math.round(hours * 3600));
  }

  private void say(Job job, DataStatus dataStatus, Account by, Instant when) {
    statusEntries.save(new DataStatusEntry(job.id(), dataStatus, null, null, by.id(), when));
    job.dataStatus(dataStatus);
    told(
        job,
        when,
        JournalEntry.Kind.DATA_STATUS,
        "Data " + dataStatus.words(),
        dataStatus.meaning(),
        by);
  }

  private void told(
      Job job, Instant when, JournalEntry.Kind kind, String title, String detail, Account by) {
    journal.save(new JournalEntry(job.id(), when, kind, title, detail, by.displayName()));
  }
}
