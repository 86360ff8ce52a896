package tekmerion.launch;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.link.files.WholeFile;

/** Hostile probes beside people and a probe that do their work. */
@Command(
    name = "link",
    description = {
      "Let hostile probes send generated messages (valid shapes with wild values, and broken",
      "ones), while people look at the floor and at every job and a sound probe reads its drive.",
      "Nobody may notice, no outbox may be held up, and nothing unusable may be lost."
    },
    mixinStandardHelpOptions = true)
final class ProveLinkCommand implements Callable<Integer> {
  private static final int SOUND_BAY = 2;
  private static final String SOUND_MACHINE = "sim:sound-drive,5,6000";
  private static final int[] HOSTILE_BAYS = {1, 3, 4, 7, 8, 9};
  private static final int SAMPLED = 1000;
  private static final String OF_BAY =
      " FROM link_event e JOIN probe p ON p.id = e.probe_id JOIN bay b ON b.id = p.bay_id"
          + " WHERE b.number = ";

  @Option(
      names = "--messages",
      defaultValue = "1000000",
      description = "How many (default: 1000000).")
  private long messages;

  @Option(names = "--seed", defaultValue = "20", description = "Default: 20.")
  private long seed;

  private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
  private final AtomicLong sent = new AtomicLong();
  private final AtomicLong looks = new AtomicLong();
  private final AtomicLong readings = new AtomicLong();
  private final AtomicLong slowestMs = new AtomicLong();
  private final AtomicLong unusable = new AtomicLong();
  private MariaDb database;
  private final AtomicBoolean over = new AtomicBoolean();

  /** By bay and number: what was sent, for a sample. */
  private final Map<String, String> samples = new ConcurrentHashMap<>();

  @Override
  public Integer call() throws Exception {
    Path folder = Files.createTempDirectory("tekmerion-prove-link");
    try (BenchShop bench = BenchShop.in(folder, "")) {
      bench.start();
      database = bench.database();
      ShopClient shop = bench.signedIn();
      try (Child sound = bench.probe(SOUND_BAY, SOUND_MACHINE, shop.enrolmentCode(SOUND_BAY))) {
        Map<Integer, HostileProbe> probes = new LinkedHashMap<>();
        for (int bay : HOSTILE_BAYS) {
          probes.put(
              bay, new HostileProbe(bench.address(), shop, bay, new HostileMessages(seed + bay)));
        }
        long began = System.nanoTime();
        List<Thread> people =
            List.of(
                new Thread(() -> noted("looks", () -> look(bench.signedIn())), "looks"),
                new Thread(() -> noted("reads", () -> read(bench.signedIn())), "reads"),
                new Thread(() -> noted("asks", () -> ask(bench.signedIn())), "asks"));
        people.forEach(Thread::start);
        List<Thread> hostile = new ArrayList<>();
        probes.forEach(
            (bay, probe) -> hostile.add(new Thread(() -> send(bay, probe), "bay " + bay)));
        hostile.forEach(Thread::start);
        for (Thread thread : hostile) {
          thread.join();
        }
        over.set(true);
        for (Thread thread : people) {
          thread.join();
        }
        Duration took = Duration.ofNanos(System.nanoTime() - began);
        check(probes);
        report(took, probes);
        if (!sound.isAlive()) {
          wrong.add("the sound probe has ended");
        }
        probes.values().forEach(HostileProbe::close);
      }
    }
    if (wrong.isEmpty()) {
      WholeFile.deleteFolder(folder);
    } else {
      System.out.println("The server's log stays in " + folder);
    }
    wrong.stream().limit(20).forEach(w -> System.out.println("WRONG: " + w));
    System.out.println(wrong.isEmpty() ? "Proved." : wrong.size() + " things went wrong.");
    return wrong.isEmpty() ? 0 : 1;
  }

  /** Whoever cannot go on at all has noticed something. */
  private void noted(String who, Runnable what) {
    try {
      what.run();
    } catch (RuntimeException e) {
      wrong.add(who + ": " + e);
    }
  }

  private void send(int bay, HostileProbe probe) {
    try {
      while (wrong.size() < SAMPLED) {
        long n = sent.incrementAndGet();
        if (n > messages) {
          return;
        }
        HostileMessages.Message message = probe.send();
        if (message.number() > 0 && samples.size() < SAMPLED && n % 37 == 0) {
          samples.put(bay + ":" + message.number(), message.text());
        }
        if (n % 50_000 == 0) {
          System.out.printf("%,d messages sent, %d wrong so far%n", n, wrong.size());
        }
      }
    } catch (RuntimeException e) {
      wrong.add("bay %d: %s".formatted(bay, e));
    }
  }

  /** The floor, and every job on it: whatever is in a job, its page is there. */
  private void look(ShopClient shop) {
    while (!over.get()) {
      looked(shop, "/api/floor");
      // Those with a hostile probe, and some others each time.
      for (String job :
          database.texts(
              "SELECT job.number FROM job LEFT JOIN bay ON bay.job_id = job.id WHERE ended_at IS NULL"
                  + " AND (bay.id IS NOT NULL OR RAND() < 0.2)")) {
        looked(shop, "/api/jobs/" + job);
        looked(shop, "/api/jobs/" + job + "/parts/drive-a");
      }
      Sleep.millis(10_000);
    }
  }

  private void looked(ShopClient shop, String path) {
    long began = System.nanoTime();
    try {
      ShopClient.Answer answer = shop.get(path);
      looks.incrementAndGet();
      boolean none = path.endsWith("/drive-a") && answer.status() == 404;
      if (answer.status() != 200 && !none) {
        wrong.add("%s: %d %s".formatted(path, answer.status(), answer.body()));
      }
    } catch (LaunchException e) {
      wrong.add(path + ": " + e.getMessage());
    } finally {
      slowestMs.accumulateAndGet((System.nanoTime() - began) / 1_000_000, Math::max);
    }
  }

  /** The sound probe's drive is read again and again, and each reading arrives. */
  private void read(ShopClient shop) {
    String job = jobOf(SOUND_BAY);
    Sleep.millis(5000); // until the probe is on
    while (!over.get()) {
      try {
        ShopClient.Answer asked =
            shop.post("/api/jobs/" + job + "/readings", Map.of("partKey", "drive-a"));
        if (asked.status() != 202) {
          wrong.add("a reading was not asked for: %d %s".formatted(asked.status(), asked.body()));
        } else {
          awaitReading(asked.body().get("requestId").stringValue());
        }
      } catch (LaunchException e) {
        wrong.add("reading: " + e.getMessage());
      }
      Sleep.millis(3000);
    }
  }

  private void awaitReading(String request) {
    long until = System.nanoTime() + Duration.ofSeconds(60).toNanos();
    while (System.nanoTime() < until) {
      if (database.count("SELECT COUNT(*) FROM reading WHERE request_id = '" + request + "'")
          == 1) {
        readings.incrementAndGet();
        return;
      }
      Sleep.millis(200);
    }
    wrong.add("the reading %s of the sound drive did not arrive".formatted(request));
  }

  /** Requests for the hostile probes, so that they have something to answer. */
  private void ask(ShopClient shop) {
    while (!over.get()) {
      for (int bay : HOSTILE_BAYS) {
        try {
          String job = jobOf(bay);
          shop.post("/api/jobs/" + job + "/readings", Map.of("partKey", "drive-a"));
          for (String run : List.of("SURVEY", "SURFACE_SCAN", "SELF_TEST_SHORT", "MEMORY_TEST")) {
            shop.post("/api/jobs/" + job + "/parts/drive-a/runs", Map.of("kind", run));
          }
        } catch (LaunchException e) {
          wrong.add("asking: " + e.getMessage());
        }
      }
      Sleep.millis(20_000);
    }
  }

  private String jobOf(int bay) {
    return database
        .texts("SELECT j.number FROM bay b JOIN job j ON j.id = b.job_id WHERE b.number = " + bay)
        .get(0);
  }

  /** Every number that was acknowledged is in the database once; what was unusable, as it came. */
  private void check(Map<Integer, HostileProbe> probes) {
    probes.forEach(
        (bay, probe) -> {
          long kept = database.count("SELECT COUNT(*)" + OF_BAY + bay);
          if (kept != probe.through()) {
            wrong.add("bay %d: %d acknowledged, %d kept".formatted(bay, probe.through(), kept));
          }
        });
    long bodiless =
        database.count(
            "SELECT COUNT(*) FROM link_event WHERE refused_why IS NOT NULL AND body IS NULL");
    if (bodiless > 0) {
      wrong.add(bodiless + " refused events without their body");
    }
    samples.forEach(
        (at, text) -> {
          String[] bayAndNumber = at.split(":");
          database
              .texts(
                  "SELECT e.body"
                      + OF_BAY
                      + bayAndNumber[0]
                      + " AND e.kind = 'unusable' AND e.number = "
                      + bayAndNumber[1])
              .forEach(
                  kept -> {
                    unusable.incrementAndGet();
                    if (!kept.equals(text)) {
                      wrong.add("event %s was not kept as it came".formatted(at));
                    }
                  });
        });
  }

  private void report(Duration took, Map<Integer, HostileProbe> probes) {
    System.out.printf(
        "%,d hostile messages in %d min %d s: %,d events acknowledged, %,d connections closed and"
            + " opened again%n",
        Math.min(messages, sent.get()),
        took.toMinutes(),
        took.toSecondsPart(),
        probes.values().stream().mapToLong(HostileProbe::through).sum(),
        probes.values().stream().mapToLong(HostileProbe::reconnects).sum());
    System.out.printf(
        "%,d of %,d sampled events were unusable and are kept as they came%n",
        unusable.get(), samples.size());
    System.out.printf(
        "Meanwhile %,d looks at floor and jobs, the slowest %,d ms; %,d readings of the sound drive%n",
        looks.get(), slowestMs.get(), readings.get());
  }
}
