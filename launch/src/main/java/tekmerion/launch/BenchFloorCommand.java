package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.TimeUnit;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** How the floor, search and a job feel with ten years of a busy shop behind them. */
@Command(
    name = "floor",
    description = {
      "Fill a shop of its own with 100,000 jobs and 300,000 parts (once), let 20 people use floor,",
      "search and jobs, and print the server's times and the plan of each slowest statement."
    },
    mixinStandardHelpOptions = true)
final class BenchFloorCommand implements Callable<Integer> {
  private static final double TARGET_MS = 200;
  private static final String[] FOUND = {
    "brekke",
    "haas ana",
    "tarnwick mini",
    "J-54321",
    "M3A",
    "P7F1",
    "9E37",
    "freezes logo",
    "FAULT_2A",
    "ostrel 17",
    "jens",
    "7b3",
    "quist mina",
    "lobo",
    "juniper till"
  };

  @Option(names = "--data", description = "Folder (default: .tekmerion/bench-floor).")
  private Path data;

  @Option(names = "--users", defaultValue = "20", description = "People at once (default: 20).")
  private int users;

  @Option(
      names = "--pause-ms",
      defaultValue = "1000",
      description = "Mean pause of a person between two requests (default: 1000).")
  private int pauseMs;

  @Option(names = "--seconds", defaultValue = "60", description = "How long (default: 60).")
  private int seconds;

  private final Map<String, ConcurrentLinkedQueue<Double>> times = new ConcurrentHashMap<>();

  @Override
  public Integer call() throws Exception {
    try (BenchShop bench = BenchShop.in(data, "bench-floor").large()) {
      System.out.println(
          "Starting the large shop; the first time it is filled, which takes minutes.");
      bench.start();
      warmUp(bench.signedIn());
      List<Thread> people = new ArrayList<>();
      long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
      for (int i = 0; i < users; i++) {
        ShopClient shop = bench.signedIn();
        Random random = new Random(i);
        Thread person = new Thread(() -> use(shop, random, until), "person-" + i);
        people.add(person);
        person.start();
      }
      for (Thread person : people) {
        person.join();
      }
      boolean met = report();
      // A connection takes the setting with it when it is made, so the server starts anew.
      log(bench.database(), true);
      bench.start();
      plans(bench.database(), bench.signedIn());
      return met ? 0 : 1;
    }
  }

  private static void warmUp(ShopClient shop) {
    for (int i = 0; i < 30; i++) {
      shop.get("/api/floor");
      shop.get("/api/search?q=" + FOUND[i % FOUND.length].replace(" ", "%20"));
      shop.get("/api/jobs/J-" + (10_500 + 997 * i));
    }
  }

  private void use(ShopClient shop, Random random, long until) {
    while (System.nanoTime() < until) {
      double what = random.nextDouble();
      if (what < 0.4) {
        timed("floor", shop, "/api/floor");
      } else if (what < 0.7) {
        String typed = FOUND[random.nextInt(FOUND.length)];
        timed("search", shop, "/api/search?q=" + typed.replace(" ", "%20"));
      } else {
        timed("job", shop, "/api/jobs/J-" + (10_001 + random.nextInt(100_000)));
      }
      Sleep.millis((long) (-pauseMs * Math.log1p(-random.nextDouble())));
    }
  }

  /** The server says itself how long it worked: header Server-Timing, W3C Server Timing. */
  private void timed(String name, ShopClient shop, String path) {
    double ms = shop.serverMillis(path);
    times.computeIfAbsent(name, n -> new ConcurrentLinkedQueue<>()).add(ms);
  }

  private boolean report() {
    System.out.printf(
        "%n%d people, a request each %.1f s on average, %d s. Server time [ms]:%n",
        users, pauseMs / 1000.0, seconds);
    System.out.println("            requests   median     95th      99th   of the 200 ms allowed");
    boolean met = true;
    for (String name : List.of("floor", "search", "job")) {
      double[] sorted =
          times.get(name).stream().mapToDouble(Double::doubleValue).sorted().toArray();
      double p95 = Percentile.of(sorted, 0.95);
      met &= p95 < TARGET_MS;
      System.out.printf(
          Locale.ROOT,
          "  %-10s %8d %8.1f %8.1f %8.1f   %.2f%n",
          name,
          sorted.length,
          Percentile.of(sorted, 0.5),
          p95,
          Percentile.of(sorted, 0.99),
          p95 / TARGET_MS);
    }
    return met;
  }

  /** Makes each kind of request again while MariaDB itself logs every statement. */
  private static void plans(MariaDb database, ShopClient shop) throws SQLException, IOException {
    Map<String, List<String>> requests = new LinkedHashMap<>();
    requests.put("floor", List.of("/api/floor"));
    requests.put(
        "search", Arrays.stream(FOUND).map(t -> "/api/search?q=" + t.replace(" ", "%20")).toList());
    requests.put("job", List.of("/api/jobs/J-54321", "/api/jobs/J-109990"));
    for (Map.Entry<String, List<String>> request : requests.entrySet()) {
      request.getValue().forEach(shop::get); // plans and caches as they are in use
      log(database, true);
      request.getValue().forEach(shop::get);
      System.out.printf("%nSlowest statement of %s:%n", request.getKey());
      explain(database);
    }
  }

  private static void log(MariaDb database, boolean on) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
        Statement statement = owner.createStatement()) {
      if (on) {
        statement.execute("TRUNCATE TABLE mysql.slow_log");
      }
      statement.execute("SET GLOBAL slow_query_log = " + (on ? "ON" : "OFF"));
    }
  }

  private static void explain(MariaDb database) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
        Statement statement = owner.createStatement()) {
      String slowest = null;
      try (ResultSet row =
          statement.executeQuery(
              "SELECT query_time, sql_text FROM mysql.slow_log WHERE sql_text LIKE 'select%'"
                  + " AND sql_text NOT LIKE '%live_event%' ORDER BY query_time DESC LIMIT 1")) {
        if (row.next()) {
          slowest = row.getString(2);
          System.out.printf("  %s  %s%n", row.getString(1), slowest.replaceAll("\\s+", " "));
        }
      }
      if (slowest == null) {
        System.out.println("  none was logged");
        return;
      }
      try (ResultSet plan = statement.executeQuery("EXPLAIN " + slowest)) {
        while (plan.next()) {
          System.out.printf(
              "    table %-12s type %-8s key %-24s rows %-8s %s%n",
              plan.getString("table"),
              plan.getString("type"),
              plan.getString("key"),
              plan.getString("rows"),
              plan.getString("Extra"));
        }
      }
    }
  }
}
