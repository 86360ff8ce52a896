package tekmerion.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.gate.Stance;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.account.Account;
import tekmerion.server.account.Accounts;
import tekmerion.server.account.Role;
import tekmerion.server.bay.Bay;
import tekmerion.server.bay.Bays;
import tekmerion.server.job.Customer;
import tekmerion.server.job.Customers;
import tekmerion.server.job.Job;
import tekmerion.server.job.JobSign;
import tekmerion.server.job.JobSigns;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Trace;
import tekmerion.server.job.TraceEntry;
import tekmerion.server.part.Machine;
import tekmerion.server.part.Machines;
import tekmerion.server.ruling.DataStance;
import tekmerion.server.ruling.DataStances;
import tekmerion.server.weighing.WeighingService;

/**
 * A made-up shop in a harbour town: three machines on the bench. Only what people said is made
 * here, before the first request is taken; every reading comes over the bench link from a simulated
 * machine.
 */
@Component
@ConditionalOnProperty("tekmerion.demo")
class DemoShop implements SmartInitializingSingleton {
  private static final int BAYS = 6;
  private final Accounts accounts;
  private final PasswordEncoder encoder;
  private final TekmerionProperties properties;
  private final Machines machines;
  private final Customers customers;
  private final Jobs jobs;
  private final JobSigns signs;
  private final Bays bays;
  private final DataStances stances;
  private final Trace trace;
  private final WeighingService weighing;
  private final Clock clock;

  DemoShop(
      Accounts accounts,
      PasswordEncoder encoder,
      TekmerionProperties properties,
      Machines machines,
      Customers customers,
      Jobs jobs,
      JobSigns signs,
      Bays bays,
      DataStances stances,
      Trace trace,
      WeighingService weighing,
      Clock clock) {
    this.accounts = accounts;
    this.encoder = encoder;
    this.properties = properties;
    this.machines = machines;
    this.customers = customers;
    this.jobs = jobs;
    this.signs = signs;
    this.bays = bays;
    this.stances = stances;
    this.trace = trace;
    this.weighing = weighing;
    this.clock = clock;
  }

  @Override
  @Transactional
  public void afterSingletonsInstantiated() {
    if (accounts.count() > 0) {
      return;
    }
    Instant now = clock.instant();
    Account ines =
        accounts.save(
            new Account(
                "ines",
                "Ines R.",
                Role.TECHNICIAN,
                encoder.encode(properties.demoPassword()),
                now));
    Job ostrel =
        takeIn(
            new Job(
                "J-2291",
                machines.save(new Machine("Ostrel", "17 laptop", "OST17-2207-118")),
                customers.save(new Customer("Bakery on the quay")),
                "Freezes on the logo since Monday, clicked once, order book is on it",
                "mount-failure",
                "loader",
                now.minus(Duration.ofMinutes(190)),
                now.plus(Duration.ofHours(26))));
    signs.save(
        new JobSign(ostrel.id(), "noise", "clicks", "Owner heard it click", ostrel.takenInAt()));
    say(ostrel, Stance.WANTED, ines);
    Job tarnwick =
        takeIn(
            new Job(
                "J-2294",
                machines.save(new Machine("Tarnwick", "all-in-one 24", "TWA24-0456")),
                customers.save(new Customer("Rowing club")),
                "Stops with an error screen two or three times a day, for about a week",
                "error-screen",
                "desktop",
                now.minus(Duration.ofMinutes(75)),
                now.plus(Duration.ofHours(47))));
    signs.save(
        new JobSign(
            tarnwick.id(),
            "stop-text",
            "names-memory",
            "The error screen names memory",
            tarnwick.takenInAt()));
    Job norrvik =
        takeIn(
            new Job(
                "J-2296",
                machines.save(new Machine("Norrvik", "mini", "NVM-7731")),
                customers.save(new Customer("Haas, luthier")),
                "The archive drive opens only now and then, workshop drawings are on it",
                "not-readable",
                null, // it is not the drive that the machine starts from
                now.minus(Duration.ofMinutes(40)),
                null));
    say(norrvik, Stance.WANTED, ines);
    Job[] onBays = {ostrel, tarnwick, norrvik};
    for (int number = 1; number <= BAYS; number++) {
      bays.save(new Bay(number, number <= onBays.length ? onBays[number - 1] : null));
    }
    for (Job job : onBays) {
      weighing.reweigh(job);
    }
  }

  private Job takeIn(Job job) {
    Job saved = jobs.save(job);
    trace.save(
        new TraceEntry(
            saved.id(),
            saved.takenInAt(),
            TraceEntry.Kind.INTAKE,
            "Taken in",
            "“" + saved.complaint() + "”",
            "Ines R."));
    return saved;
  }

  private void say(Job job, Stance stance, Account by) {
    Instant when = job.takenInAt().plus(Duration.ofMinutes(4));
    stances.save(new DataStance(job.id(), stance, null, null, by.id(), when));
    trace.save(
        new TraceEntry(
            job.id(),
            when,
            TraceEntry.Kind.STANCE,
            "Data " + stance.words(),
            stance.meaning(),
            by.displayName()));
  }
}
