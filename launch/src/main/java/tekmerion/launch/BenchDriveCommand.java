package tekmerion.launch;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** How a drive's whole history feels among 10,000 and among 1,000,000 stored readings. */
@Command(
    name = "drive",
    description = {
      "Start the demo shop with its past in a folder of its own, fill it to 10,000 and then to",
      "1,000,000 readings, and print the server's times for drives with 20 visits each."
    },
    mixinStandardHelpOptions = true)
final class BenchDriveCommand implements Callable<Integer> {
  private static final double TARGET_MS = 150;
  private static final int VISITS = 20;
  private static final int ASKED = 400;
  private static final int BATCH = 100_000;

  @Option(names = "--data", description = "Folder (default: .tekmerion/bench-drive).")
  private Path data;

  @Override
  public Integer call() throws Exception {
    try (BenchShop bench = BenchShop.in(data, "bench-drive").withPast()) {
      System.out.println("Starting a shop with two years behind it");
      bench.start();
      ShopClient shop = bench.signedIn();
      MariaDb database = bench.database();
      try (Connection owner =
          DriverManager.getConnection(
              database.url(), "tekmerion_owner", database.password("tekmerion_owner"))) {
        List<String> jobs = jobs(owner);
        moreVisits(owner);
        fill(owner, 10_000);
        double before = measure(shop, jobs, count(owner));
        fill(owner, 1_000_000);
        double after = measure(shop, jobs, count(owner));
        System.out.printf(
            Locale.ROOT,
            "%n95th percentile: %.2f of the 150 ms allowed; %.2f times that among 10,000%n",
            after / TARGET_MS,
            after / before);
        return after < TARGET_MS ? 0 : 1;
      }
    }
  }

  /** Jobs whose machine still holds a drive that was read. */
  private static List<String> jobs(Connection owner) throws SQLException {
    List<String> jobs = new ArrayList<>();
    try (Statement s = owner.createStatement();
        ResultSet rows =
            s.executeQuery(
                "SELECT DISTINCT j.number FROM job j JOIN part_place p ON p.machine_id ="
                    + " j.machine_id AND p.until IS NULL AND p.part_key = 'drive-a'"
                    + " JOIN reading r ON r.part_id = p.part_id ORDER BY j.number")) {
      while (rows.next()) {
        jobs.add(rows.getString(1));
      }
    }
    return jobs;
  }

  /**
   * Every drive that was read gets visits up to {@link #VISITS}, a week apart, with its own pages.
   */
  private static void moreVisits(Connection owner) throws SQLException {
    try (Statement s = owner.createStatement()) {
      s.execute(
          "CREATE TEMPORARY TABLE more AS SELECT UUID() AS id, r.id AS source, r.part_id,"
              + " r.machine_id, r.job_id, r.probe_id, r.part_key, r.probe_version,"
              + " r.taken_at - INTERVAL 7 * n.seq DAY AS taken_at FROM (SELECT r.*, ROW_NUMBER() OVER"
              + " (PARTITION BY part_id ORDER BY taken_at) AS visit, COUNT(*) OVER (PARTITION BY"
              + " part_id) AS visits FROM reading r) r JOIN seq_1_to_"
              + VISITS
              + " n WHERE r.visit = 1 AND n.seq <= "
              + VISITS
              + " - r.visits");
      keep(s);
    }
  }

  /** Readings of other drives, each with a self-report of its own. */
  private static void fill(Connection owner, int wanted) throws SQLException {
    int missing = (int) (wanted - count(owner));
    System.out.printf("Filling up to %,d readings%n", wanted);
    try (Statement s = owner.createStatement()) {
      while (missing > 0) {
        int batch = Math.min(BATCH, missing);
        s.execute(
            "INSERT INTO part (kind, model, serial, serial_plain, serial_folded, told_by, first_met)"
                + " SELECT 'drive', 'FILL-1000', UUID(), NULL, NULL, 'PROBE', NOW(6) FROM seq_1_to_"
                + Math.max(1, batch / VISITS));
        s.execute(
            "CREATE TEMPORARY TABLE more AS SELECT UUID() AS id, o.id AS source, p.id AS part_id,"
                + " o.machine_id, o.job_id, o.probe_id, o.part_key, o.probe_version, o.taken_at -"
                + " INTERVAL n.seq HOUR AS taken_at FROM (SELECT id FROM part WHERE model ="
                + " 'FILL-1000' ORDER BY id DESC LIMIT "
                + Math.max(1, batch / VISITS)
                + ") p JOIN seq_1_to_"
                + VISITS
                + " n JOIN (SELECT * FROM reading ORDER BY taken_at DESC LIMIT 1) o LIMIT "
                + batch);
        s.execute(
            "CREATE TEMPORARY TABLE own AS SELECT m.id, RANDOM_BYTES(512) AS bytes FROM more m");
        s.execute(
            "INSERT IGNORE INTO raw_page (sha256, bytes) SELECT UNHEX(SHA2(bytes, 256)), bytes FROM own");
        keepRows(s);
        s.execute(
            "INSERT INTO reading_page (reading_id, kind, outcome, sha256, why) SELECT id, 'ata-smart',"
                + " 'GOT', UNHEX(SHA2(bytes, 256)), NULL FROM own");
        s.execute(
            "INSERT INTO reading_page (reading_id, kind, outcome, sha256, why) SELECT m.id, p.kind,"
                + " p.outcome, p.sha256, p.why FROM more m JOIN reading_page p ON p.reading_id ="
                + " m.source WHERE p.kind <> 'ata-smart'");
        s.execute("DROP TEMPORARY TABLE own");
        s.execute("DROP TEMPORARY TABLE more");
        missing -= batch;
      }
    }
  }

  private static void keep(Statement s) throws SQLException {
    keepRows(s);
    s.execute(
        "INSERT INTO reading_page (reading_id, kind, outcome, sha256, why) SELECT m.id, p.kind,"
            + " p.outcome, p.sha256, p.why FROM more m JOIN reading_page p ON p.reading_id = m.source");
    s.execute("DROP TEMPORARY TABLE more");
  }

  private static void keepRows(Statement s) throws SQLException {
    s.execute(
        "INSERT INTO reading (id, part_id, machine_id, job_id, probe_id, request_id, part_key,"
            + " probe_version, taken_at, received_at) SELECT id, part_id, machine_id, job_id, probe_id,"
            + " UUID(), part_key, probe_version, taken_at, taken_at FROM more");
  }

  private static long count(Connection owner) throws SQLException {
    try (Statement s = owner.createStatement();
        ResultSet row = s.executeQuery("SELECT COUNT(*) FROM reading")) {
      row.next();
      return row.getLong(1);
    }
  }

  private static double measure(ShopClient shop, List<String> jobs, long readings) {
    double[] times = new double[ASKED];
    int visits = 0;
    for (int i = -jobs.size(); i < ASKED; i++) { // once round to warm up
      String job = jobs.get(Math.floorMod(i * 7, jobs.size()));
      String path = "/api/jobs/" + job + "/parts/drive-a";
      if (i < 0) {
        ShopClient.Answer answer = shop.get(path);
        if (answer.status() != 200) {
          throw new LaunchException("%s: %s".formatted(job, answer.body()));
        }
        visits += answer.body().at("/trends/0/points").size();
      } else {
        times[i] = shop.serverMillis(path);
      }
    }
    Arrays.sort(times);
    double p95 = Percentile.of(times, 0.95);
    System.out.printf(
        Locale.ROOT,
        "%,9d readings, %d drives asked, %.1f visits each: median %.1f ms, 95th percentile %.1f ms%n",
        readings,
        ASKED,
        (double) visits / jobs.size(),
        Percentile.of(times, 0.5),
        p95);
    return p95;
  }
}
