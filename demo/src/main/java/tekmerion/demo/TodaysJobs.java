package tekmerion.demo;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import tekmerion.core.forecast.OpenHours;
import tekmerion.server.account.Account;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.part.PartService;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.weighing.WeighingService;

/** Takes today's machines in, as far as people said something of them. */
@Component
class TodaysJobs {
  private final Machines machines;
  private final Customers customers;
  private final Jobs jobs;
  private final PartService parts;
  private final TakenIn takenIn;
  private final WeighingService weighing;
  private final SearchIndex search;
  private final OpenHours hours;
  private final JdbcClient jdbc;

  TodaysJobs(
      Machines machines,
      Customers customers,
      Jobs jobs,
      PartService parts,
      TakenIn takenIn,
      WeighingService weighing,
      SearchIndex search,
      OpenHours hours,
      JdbcClient jdbc) {
    this.machines = machines;
    this.customers = customers;
    this.jobs = jobs;
    this.parts = parts;
    this.takenIn = takenIn;
    this.weighing = weighing;
    this.search = search;
    this.hours = hours;
    this.jdbc = jdbc;
  }

  void takeIn(Today today, Map<String, Account> people, Instant now) {
    Instant then = whileOpen(before(now, today.hoursAgo()));
    Instant promised =
        today.promisedIn() == null ? null : promised(before(now, -today.promisedIn()));
    Job job =
        takenIn.job(
            "J-" + today.number(),
            machine(today, then),
            customer(today),
            today.answers(promised),
            today.dataWanted(),
            then,
            promised,
            people.get("joao"));
    if (today.holder() != null) {
      Account holder = people.get(today.holder());
      job.heldBy(holder);
      Instant taken = then.plus(Duration.ofMinutes(12));
      takenIn.tell(
          job,
          taken,
          JournalEntry.Kind.HAND,
          () -> say("job.taken-by", "by", holder.displayName()),
          () -> say("job.nobody-had-it"),
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

  /** Nothing is taken in at night: then it was shortly before the shop had closed. */
  private Instant whileOpen(Instant at) {
    Instant back = at;
    while (!hours.whenOpen(back).equals(back)) {
      back = back.minus(Duration.ofMinutes(10));
    }
    return back;
  }

  /** Nothing is promised for the night: then it is for the next day at noon. */
  private Instant promised(Instant at) {
    Instant open = hours.whenOpen(at);
    return open.equals(at) ? at : open.plus(Duration.ofHours(3));
  }

  /** Who was here before is known. */
  private Customer customer(Today today) {
    String name = today.customer();
    Customer customer =
        known("SELECT id FROM customer WHERE display_name = ? ORDER BY id LIMIT 1", name)
            .flatMap(customers::findById)
            .orElseGet(() -> new Customer(name));
    customer.reachedBy(name, today.phone(), today.email());
    return customers.save(customer);
  }

  private Machine machine(Today today, Instant then) {
    return known("SELECT id FROM machine WHERE serial = ? ORDER BY id LIMIT 1", today.serial())
        .map(machines::getReferenceById)
        .orElseGet(() -> fresh(today, then));
  }

  private Optional<Long> known(String sql, String by) {
    return jdbc.sql(sql).param(by).query(Long.class).optional();
  }

  private Machine fresh(Today today, Instant then) {
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
    return machine;
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

  static Instant before(Instant now, double hours) {
    return now.minusSeconds(Math.round(hours * 3600));
  }
}
