package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.function.Supplier;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Ten surface scans at once, each told every second: does the floor stay quick. */
@Command(
    name = "runs",
    description = {
      "Start the demo shop with ten bays in a folder of its own, a probe in each, a surface scan on",
      "each; print the server's times for the floor and for the drives while all ten go on."
    },
    mixinStandardHelpOptions = true)
final class BenchRunsCommand implements Callable<Integer> {
  private static final double TARGET_MS = 200;
  private static final int BAYS = 10;
  private static final int ROUNDS = 300;

  /** At a tenth of its real pace a 240 GB drive reads on for longer than this takes. */
  private static final String MACHINE = "sim:sound-drive,5,0.1";

  @Option(names = "--data", description = "Folder (default: .tekmerion/bench-runs).")
  private Path data;

  @Override
  public Integer call() throws IOException, SQLException, InterruptedException {
    try (BenchShop bench = BenchShop.in(data, "bench-runs");
        Running probes = new Running()) {
      bench.start();
      moreBays(bench.database());
      ShopClient shop = bench.signedIn();
      List<String> jobs = jobsInBays(shop);
      for (int bay = 1; bay <= BAYS; bay++) {
        probes.add(bench.probe(bay, MACHINE, shop.enrolmentCode(bay)));
      }
      List<String> runs = new ArrayList<>();
      for (String job : jobs) {
        runs.add(begin(shop, job));
      }
      System.out.printf("%d surface scans go on%n", jobs.size());
      double[] before = shares(shop, runs);
      double floor = measure("floor", shop, List.of("/api/floor"));
      double drive = measure("drive", shop, List.of(drive(jobs.get(jobs.size() - 1))));
      double[] after = shares(shop, runs);
      for (int i = 0; i < jobs.size(); i++) {
        if (after[i] <= before[i]) {
          throw new LaunchException(jobs.get(i) + " did not go on: nothing was measured");
        }
      }
      return Math.max(floor, drive) < TARGET_MS ? 0 : 1;
    }
  }

  private static void moreBays(MariaDb database) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
        Statement s = owner.createStatement()) {
      s.execute("INSERT IGNORE INTO bay (number, job_id) SELECT seq, NULL FROM seq_1_to_" + BAYS);
    }
  }

  private static List<String> jobsInBays(ShopClient shop) {
    List<String> jobs = new ArrayList<>();
    List<JsonNode> lanes = new ArrayList<>();
    shop.get("/api/floor").body().findParents("number").stream()
        .filter(lane -> lane.has("machine") && lane.get("number").asString().startsWith("J-"))
        .forEach(lanes::add);
    for (JsonNode lane : lanes) {
      String job = lane.get("number").asString();
      if (jobs.size() < BAYS && !jobs.contains(job)) {
        jobs.add(job);
        Map<String, Object> into = new HashMap<>();
        into.put("version", shop.get("/api/jobs/" + job).body().get("version").intValue());
        into.put("bay", jobs.size());
        shop.post("/api/jobs/" + job + "/bay", into);
      }
    }
    return jobs;
  }

  /**
   * The drive is read first: before that nobody knows it. All ten are one and the same drive by
   * their serial, so that it stands in the last job at the end; the runs are ten.
   *
   * @return path of the run
   */
  private static String begin(ShopClient shop, String job) throws InterruptedException {
    retry(() -> shop.post("/api/jobs/" + job + "/readings", Map.of("partKey", "drive-a")), 202);
    retry(() -> shop.get(drive(job)), 200);
    ShopClient.Answer begun =
        retry(() -> shop.post(drive(job) + "/runs", Map.of("kind", "SURFACE_SCAN")), 202);
    return "/api/runs/" + begun.body().get("id").asString();
  }

  private static ShopClient.Answer retry(Supplier<ShopClient.Answer> ask, int wanted)
      throws InterruptedException {
    ShopClient.Answer answer = ask.get();
    for (int i = 0; answer.status() != wanted && i < 300; i++) {
      Thread.sleep(100);
      answer = ask.get();
    }
    if (answer.status() != wanted) {
      throw new LaunchException("expected %d: %s".formatted(wanted, answer.body()));
    }
    return answer;
  }

  private static String drive(String job) {
    return "/api/jobs/" + job + "/parts/drive-a";
  }

  private static double[] shares(ShopClient shop, List<String> runs) throws InterruptedException {
    Thread.sleep(3_000);
    return runs.stream()
        .mapToDouble(run -> shop.get(run).body().at("/share").asDouble(0))
        .toArray();
  }

  private static double measure(String name, ShopClient shop, List<String> paths)
      throws InterruptedException {
    double[] times = new double[ROUNDS];
    for (int i = 0; i < ROUNDS; i++) {
      times[i] = shop.serverMillis(paths.get(i % paths.size()));
      Thread.sleep(50);
    }
    Arrays.sort(times);
    double p95 = Percentile.of(times, 0.95);
    System.out.printf(
        Locale.ROOT,
        "%-6s median %.1f ms, 95th percentile %.1f ms: %.2f of %.0f ms%n",
        name,
        Percentile.of(times, 0.5),
        p95,
        p95 / TARGET_MS,
        TARGET_MS);
    return p95;
  }
}
