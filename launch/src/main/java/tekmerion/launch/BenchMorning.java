package tekmerion.launch;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;
import tekmerion.link.RunKind;
import tools.jackson.databind.JsonNode;

/**
 * What the made-up shop's probes do this morning, asked for as a technician asks: memory is tested,
 * a pack is run down, a machine's work is sampled before and after something was changed, and a
 * rescue image is paused half done.
 */
public final class BenchMorning {
  /** The machines that these runs need, by bay; faster than real ones. */
  public static final Map<Integer, String> MACHINES =
      Map.of(
          4, "sim:outside-disk,20,400",
          7, "sim:bad-module,20,2000",
          8, "sim:tired-battery,20,400",
          9, "sim:busy-drive,20,600");

  private static final String CALM = "sim:busy-drive,20,600,calm";
  private static final String DRIVE = "drive-a";
  private static final double PAUSED_AT_SHARE = 0.4;
  private static final Duration LIMIT = Duration.ofMinutes(3);
  private static final Duration LOOK_EVERY = Duration.ofMillis(250);

  /** Puts another machine on a bay. */
  @FunctionalInterface
  public interface Exchange {
    void put(int bay, String machine);
  }

  private final ShopClient shop;
  private final Exchange exchange;

  /**
   * @param shop signed in as a technician
   * @param exchange puts another machine on a bay whose probe is enrolled
   */
  public BenchMorning(ShopClient shop, Exchange exchange) {
    this.shop = shop;
    this.exchange = exchange;
  }

  /**
   * Waits for each run; what was done before is left as it is.
   *
   * @throws LaunchException if something is refused, or does not come to its end
   */
  public void work() {
    testsMemory();
    runsThePackDown();
    samplesBeforeAndAfter();
    copiesHalfOfADrive();
  }

  private void testsMemory() {
    Bench job = new Bench("J-2270", "/memory");
    if (job.isNew()) {
      job.read(RunKind.BOARD, () -> job.view().hasNonNull("seenAt"));
      job.ended(job.run(RunKind.BOARD, "MEMORY_TEST"));
    }
  }

  private void runsThePackDown() {
    Bench job = new Bench("J-2290", "/battery");
    if (job.isNew()) {
      job.read(RunKind.BATTERY, () -> job.view().hasNonNull("readingId"));
      job.ended(job.run(RunKind.BATTERY, "DISCHARGE"));
    }
  }

  private void samplesBeforeAndAfter() {
    Bench job = new Bench("J-2288", "/work");
    if (job.isNew()) {
      job.read(DRIVE, job::hasDrive);
      job.ended(job.run(RunKind.BOARD, "LOAD_SAMPLE"));
      job.begin("indexing-off");
      exchange.put(9, CALM);
      job.ended(job.run(RunKind.BOARD, "LOAD_SAMPLE"));
    }
  }

  private void copiesHalfOfADrive() {
    Bench job = new Bench("J-2279", "/parts/" + DRIVE);
    if (job.isNew()) {
      job.read(DRIVE, job::hasDrive);
      job.ended(job.run(DRIVE, "SURVEY"));
      String image = job.run(DRIVE, "RESCUE_IN_USE");
      await(
          "half of it is copied", () -> run(image).path("share").doubleValue(0) >= PAUSED_AT_SHARE);
      must(shop.post("/api/runs/" + image + "/pause", Map.of()), "pausing the image");
    }
  }

  private JsonNode run(String id) {
    return shop.get("/api/runs/" + id).body();
  }

  /** A job, and the view of it that shows its runs. */
  private final class Bench {
    private final String job;
    private final String view;

    Bench(String number, String view) {
      job = "/api/jobs/" + number;
      this.view = job + view;
    }

    JsonNode view() {
      return shop.get(view).body();
    }

    /** Whether nothing was run yet: a demo that is started again goes on with what it has. */
    boolean isNew() {
      return view().path("runs").isEmpty();
    }

    boolean hasDrive() {
      return !shop.get(job).body().path("drives").isEmpty();
    }

    /** Its probe comes on the link when it is ready to. */
    void read(String part, BooleanSupplier isRead) {
      Map<String, Object> what = Map.of("partKey", part);
      await("the probe is there", () -> shop.post(job + "/readings", what).status() < 300);
      await(part + " is read", isRead);
    }

    String run(String part, String kind) {
      AtomicReference<ShopClient.Answer> answer = new AtomicReference<>();
      await(
          kind + " is begun",
          () -> {
            answer.set(shop.post(job + "/parts/" + part + "/runs", Map.of("kind", kind)));
            return answer.get().status() < 300;
          });
      return answer.get().body().get("id").stringValue();
    }

    void ended(String id) {
      await(
          "the run ends",
          () -> BenchMorning.this.run(id).path("state").stringValue("").equals("ENDED"));
    }

    void begin(String move) {
      long version = shop.get(job).body().get("version").longValue();
      must(
          shop.post(
              job + "/moves/" + move + "/begin", Map.of("version", version, "part", "machine")),
          "beginning " + move);
    }
  }

  private static void must(ShopClient.Answer answer, String what) {
    if (answer.status() >= 300) {
      throw new LaunchException("%s: %s".formatted(what, answer.body()));
    }
  }

  private static void await(String what, BooleanSupplier is) {
    Instant limit = Instant.now().plus(LIMIT);
    while (!is.getAsBoolean()) {
      if (Instant.now().isAfter(limit)) {
        throw new LaunchException("The made-up morning did not get on: " + what);
      }
      try {
        Thread.sleep(LOOK_EVERY.toMillis());
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new LaunchException("Stopped in the made-up morning.", e);
      }
    }
  }
}
