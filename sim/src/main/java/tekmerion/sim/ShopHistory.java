package tekmerion.sim;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import tekmerion.sim.HistoryMachine.Trouble;
import tools.jackson.databind.json.JsonMapper;

/**
 * Two years of a made-up shop in a harbour town: its customers' machines live day by day, and those
 * that break are brought in. Same seed, same shop.
 */
public final class ShopHistory {
  private static final int DAYS = 730;
  private static final int MACHINES = 240;
  private static final double GIVEN_ON = 0.12;

  private static final String[] MAKERS = {"Ostrel", "Tarnwick", "Norrvik", "Calder"};
  private static final String[] MODELS = {
    "14 laptop", "17 laptop", "13 laptop", "desk tower", "mini", "all-in-one 24", "till 12"
  };
  private static final String[] FIRST = {
    "Ana", "Bram", "Cleo", "Dag", "Elin", "Finn", "Gil", "Hana", "Ivo", "Jun", "Kaja", "Leo"
  };
  private static final String[] LAST = {
    "Brekke", "Haas", "Tavares", "Lind", "Moreau", "Okafor", "Sato", "Quist", "Varga", "Dunne"
  };
  private static final String[] PLACES = {
    "Harbour office", "Sail loft", "Fish hall", "Ferry kiosk", "Parish school", "Dry dock",
    "Pilot house", "Tide museum", "Smokehouse", "Chandler", "Night bakery", "Boat club"
  };

  private final Random random;

  private ShopHistory(long seed) {
    random = new Random(seed);
  }

  /**
   * @param args seed, and the file to write: one JSON object a line, oldest job first
   */
  public static void main(String[] args) {
    List<PastJob> jobs = of(Long.parseLong(args[0]));
    JsonMapper json = new JsonMapper();
    try (Writer out = Files.newBufferedWriter(Path.of(args[1]), StandardCharsets.UTF_8)) {
      for (PastJob job : jobs) {
        out.write(json.writeValueAsString(job));
        out.write('\n');
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** All past jobs, oldest first. */
  public static List<PastJob> of(long seed) {
    List<PastJob> jobs = new ArrayList<>(new ShopHistory(seed).live());
    jobs.addAll(BenchVisits.all());
    jobs.sort(Comparator.comparingInt(PastJob::daysAgo).reversed());
    return jobs;
  }

  private List<PastJob> live() {
    List<HistoryMachine> machines = new ArrayList<>();
    for (int i = 0; i < MACHINES; i++) {
      machines.add(machine(i));
    }
    List<PastJob> jobs = new ArrayList<>();
    List<HistoryDrive> stock = new ArrayList<>();
    for (int daysAgo = DAYS; daysAgo >= 2; daysAgo--) {
      for (HistoryMachine machine : machines) {
        Trouble trouble = machine.live().orElse(null);
        if (trouble != null) {
          jobs.add(visit(machine, trouble, daysAgo));
          repair(machine, trouble, stock);
        }
      }
    }
    return jobs;
  }

  /** A sound drive of a machine that is given up goes on in another: it is met again there. */
  private void repair(HistoryMachine machine, Trouble trouble, List<HistoryDrive> stock) {
    boolean needsDrive = trouble == Trouble.DRIVE;
    HistoryDrive spare = needsDrive && !stock.isEmpty() ? stock.remove(stock.size() - 1) : null;
    machine.repaired(trouble, spare);
    if (trouble == Trouble.BOARD && machine.drive().pendingSectors() == 0) {
      stock.add(machine.giveDriveAway());
    }
  }

  private PastJob visit(HistoryMachine machine, Trouble trouble, int daysAgo) {
    Symptoms.Story story = Symptoms.of(trouble, random);
    HistoryDrive drive = machine.drive();
    boolean alone = trouble == Trouble.DRIVE && random.nextDouble() < 0.1;
    boolean answers = trouble != Trouble.BOARD || random.nextDouble() < 0.5; // docked, if it can be
    return new PastJob(
        daysAgo,
        9 * 60 + random.nextInt(8 * 60),
        machine.customer,
        alone,
        alone ? "" : machine.maker,
        alone ? drive.model() : machine.model,
        alone ? drive.serial() : machine.serial,
        drive.serial(),
        story.complaint(),
        story.errorText(),
        alone ? Map.of("volume-offer", List.of("to-format")) : story.said(),
        random.nextDouble() < 0.7,
        answers ? drive.pages() : Map.of(),
        List.of(minutes(9), minutes(30), minutes(70), minutes(35)),
        story.courses(),
        story.reason(),
        story.changed());
  }

  /** Lognormal, as durations of work are: one in ten takes over three times the median. */
  private double minutes(double median) {
    return median * Math.exp(0.9 * random.nextGaussian());
  }

  private HistoryMachine machine(int number) {
    String customer =
        random.nextInt(4) == 0
            ? "%s %d".formatted(PLACES[random.nextInt(PLACES.length)], 1 + random.nextInt(9))
            : "%s, %s"
                .formatted(LAST[random.nextInt(LAST.length)], FIRST[random.nextInt(FIRST.length)]);
    String maker = MAKERS[random.nextInt(MAKERS.length)];
    String model = MODELS[random.nextInt(MODELS.length)];
    String serial =
        "%s%02d-%04d-%03d"
            .formatted(
                maker.substring(0, 2).toUpperCase(Locale.ROOT),
                random.nextInt(100),
                random.nextInt(10_000),
                number);
    return new HistoryMachine(random, customer, maker, model, serial);
  }
}
