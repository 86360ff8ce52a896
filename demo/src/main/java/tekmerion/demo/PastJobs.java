package tekmerion.demo;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.knowhow.Question.Subject;
import tekmerion.server.account.Account;
import tekmerion.server.intake.Answers;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.search.SearchIndex;
import tekmerion.sim.PastJob;
import tools.jackson.databind.json.JsonMapper;

/**
 * The demo shop's past, from the file that the simulation wrote. Only what happened is in the file;
 * parts are recognised, findings heard and weighed, and likely ends learned by the server's own
 * code.
 */
@Component
class PastJobs {
  private final Map<String, Long> machineBySerial = new HashMap<>();
  private final Map<String, Long> customerByName = new HashMap<>();
  private final Machines machines;
  private final Customers customers;
  private final Jobs jobs;
  private final TakenIn takenIn;
  private final PastWork work;
  private final SearchIndex search;
  private final OpenHours hours;
  private final JsonMapper json;
  private final EntityManager entities;

  PastJobs(
      Machines machines,
      Customers customers,
      Jobs jobs,
      TakenIn takenIn,
      PastWork work,
      SearchIndex search,
      OpenHours hours,
      JsonMapper json,
      EntityManager entities) {
    this.machines = machines;
    this.customers = customers;
    this.jobs = jobs;
    this.takenIn = takenIn;
    this.work = work;
    this.search = search;
    this.hours = hours;
    this.json = json;
    this.entities = entities;
  }

  /**
   * @param lastNumber of the newest past job; the others count down from it
   * @param technicians who did the work, in turn
   */
  void load(Path file, long lastNumber, Account counter, List<Account> technicians, Instant now) {
    List<PastJob> lines = read(file);
    for (int i = 0; i < lines.size(); i++) {
      String number = "J-" + (lastNumber - lines.size() + 1 + i);
      keep(lines.get(i), number, counter, technicians.get(i % technicians.size()), now);
      entities.flush();
      entities.clear(); // else every flush would look through all jobs before
    }
  }

  private List<PastJob> read(Path file) {
    try {
      List<PastJob> lines = new ArrayList<>();
      for (String line : Files.readAllLines(file)) {
        lines.add(json.readValue(line, PastJob.class));
      }
      return lines;
    } catch (IOException e) {
      throw new UncheckedIOException("cannot read the demo shop's past", e);
    }
  }

  private void keep(PastJob line, String number, Account counter, Account technician, Instant now) {
    Instant taken = taken(line, now);
    Job job =
        takenIn.job(
            number,
            machine(line),
            customer(line),
            answers(line),
            line.dataWanted(),
            taken,
            hours.after(taken, 600),
            counter);
    work.work(job, line, technician, taken);
    jobs.flush();
    search.note(job);
  }

  private Instant taken(PastJob line, Instant now) {
    LocalDate day = now.atZone(hours.zone()).toLocalDate().minusDays(line.daysAgo());
    while (!hours.days().contains(day.getDayOfWeek())) {
      day = day.minusDays(1);
    }
    return day.atStartOfDay(hours.zone()).plus(Duration.ofMinutes(line.minuteOfDay())).toInstant();
  }

  private static Answers answers(PastJob line) {
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

  private Machine machine(PastJob line) {
    Long known = machineBySerial.get(line.serial());
    if (known != null) {
      return machines.getReferenceById(known);
    }
    Machine.Kind kind = line.looseDrive() ? Machine.Kind.LOOSE_DRIVE : Machine.Kind.MACHINE;
    Machine machine = machines.save(new Machine(kind, line.maker(), line.model(), line.serial()));
    machineBySerial.put(line.serial(), machine.id());
    return machine;
  }

  private Customer customer(PastJob line) {
    Long known = customerByName.get(line.customer());
    if (known != null) {
      return customers.getReferenceById(known);
    }
    Customer customer = customers.save(new Customer(line.customer()));
    customerByName.put(line.customer(), customer.id());
    return customer;
  }
}
