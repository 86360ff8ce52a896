package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import tekmerion.launch.ShopClient;
import tekmerion.probe.outbox.Outbox;

/**
 * SIGKILL at bad moments. Afterwards every reading that the probe ever took is in the database
 * exactly once: what it took stands in the ledger of its own outbox.
 */
class SurvivalTest {

  /** What the simulated disk answers to. */
  private static final int PAGES = 8;

  private static final int BAY = 1;
  private static final String JOB = "/api/jobs/J-2291";
  private static Whole whole;
  private static ShopClient shop;

  @BeforeAll
  static void start() throws Exception {
    whole = new Whole();
    shop = whole.signedIn(); // the session, too, survives every kill
    whole.startProbe(BAY, "sim:worn-disk,150", shop.enrolmentCode(BAY));
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  @BeforeEach
  void theProbeIsOn() throws Exception {
    awaitOnline();
  }

  private static void awaitOnline() throws Exception {
    Await.until("the probe comes on", () -> job("/bay/probe/online").equals("true"));
  }

  private static String job(String pointer) {
    return shop.get(JOB).body().at(pointer).asString();
  }

  /** A killed probe still counts as connected until its connection breaks: then ask again. */
  private static UUID ask() throws Exception {
    AtomicReference<ShopClient.Answer> answer = new AtomicReference<>();
    Await.until(
        "the reading is asked for",
        () -> {
          answer.set(shop.post(JOB + "/readings", Map.of("partKey", "drive-a")));
          return answer.get().status() == 202;
        });
    return UUID.fromString(answer.get().body().get("requestId").stringValue());
  }

  private static void awaitReading(UUID request) throws Exception {
    Await.until("the reading arrives", () -> readingsOf(request) == 1);
  }

  private static long readingsOf(UUID request) throws SQLException {
    return whole.count("SELECT COUNT(*) FROM reading WHERE request_id = '%s'".formatted(request));
  }

  @Test
  void theProbeKilledInMidReading() throws Exception {
    UUID request = ask();
    Thread.sleep(220); // each page takes 150 ms: it is in the second
    assertThat(readingsOf(request)).isZero();
    whole.killProbe(BAY);

    whole.startProbe(BAY, "sim:worn-disk,150", null);

    awaitReading(request);
    assertLedgerIsInTheDatabaseOnce();
  }

  @Test
  void theServerKilledInMidCommit() throws Exception {
    UUID request;
    try (Connection blocker = whole.connect();
        Statement lock = blocker.createStatement()) {
      lock.execute("LOCK TABLES link_event WRITE");
      request = ask();
      // The server has written the reading but cannot write the event's number: neither is kept.
      Await.until("it is in mid-commit", () -> uncommittedReadings(request) == 1);
      assertThat(readingsOf(request)).isZero();
      whole.killServer();
      lock.execute("UNLOCK TABLES");
    }
    Await.until("MariaDB rolls back", () -> uncommittedReadings(request) == 0);

    whole.startServer();

    awaitReading(request);
    assertLedgerIsInTheDatabaseOnce();
  }

  private static long uncommittedReadings(UUID request) throws SQLException {
    try (Connection dirty = whole.connect();
        Statement statement = dirty.createStatement()) {
      statement.execute("SET SESSION TRANSACTION ISOLATION LEVEL READ UNCOMMITTED");
      try (ResultSet result =
          statement.executeQuery(
              "SELECT COUNT(*) FROM reading WHERE request_id = '%s'".formatted(request))) {
        result.next();
        return result.getLong(1);
      }
    }
  }

  @Test
  void theServerKilledWhileTheProbeReads() throws Exception {
    UUID request = ask();
    Thread.sleep(200);
    whole.killServer();
    Thread.sleep(800); // the probe goes on and keeps what it read

    whole.startServer();

    awaitReading(request);
    assertLedgerIsInTheDatabaseOnce();
  }

  @Test
  @Tag("nightly")
  void bothKilledAtRandomMoments() throws Exception {
    Random random = new Random(20261123);
    List<UUID> requests = new ArrayList<>();
    for (int round = 0; round < 12; round++) {
      awaitOnline();
      requests.add(ask());
      Thread.sleep(random.nextInt(700));
      if (round % 4 == 3) {
        whole.killServer();
        whole.startServer();
      } else {
        whole.killProbe(BAY);
        whole.startProbe(BAY, "sim:worn-disk,150", null);
      }
      awaitReading(requests.get(round));
    }

    for (UUID request : requests) {
      assertThat(readingsOf(request)).isOne();
    }
    assertLedgerIsInTheDatabaseOnce();
  }

  private static void assertLedgerIsInTheDatabaseOnce() throws Exception {
    Await.until(
        "everything is acknowledged",
        () -> {
          try (Outbox outbox = Outbox.open(whole.probeFolder(BAY).resolve("data"))) {
            return outbox.ledger().stream().allMatch(Outbox.Line::acknowledged);
          }
        });
    List<String> ledger;
    try (Outbox outbox = Outbox.open(whole.probeFolder(BAY).resolve("data"))) {
      ledger = outbox.ledger().stream().map(line -> line.requestId().toString()).toList();
    }
    List<String> database = new ArrayList<>();
    try (Connection connection = whole.connect();
        Statement statement = connection.createStatement();
        ResultSet result =
            statement.executeQuery(
                // Those of before came from a probe that is long revoked.
                "SELECT r.request_id, COUNT(p.sha256) FROM reading r"
                    + " JOIN probe b ON b.id = r.probe_id AND b.revoked_at IS NULL"
                    + " JOIN reading_page p ON p.reading_id = r.id GROUP BY r.id")) {
      while (result.next()) {
        database.add(result.getString(1));
        assertThat(result.getInt(2)).as("pages of a reading").isEqualTo(PAGES);
      }
    }
    assertThat(ledger).isNotEmpty().doesNotHaveDuplicates();
    assertThat(database).containsExactlyInAnyOrderElementsOf(ledger);
  }
}
