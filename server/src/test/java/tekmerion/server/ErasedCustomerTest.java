package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.SurveyResult;

/** Somebody who is forgotten is nowhere: every text of the whole database is looked at. */
@ExtendWith(RunningServer.class)
class ErasedCustomerTest {
  /** In everything that is said, typed, signed or found of this customer. */
  private static final String TOKEN = "Quillonmarrow";

  private static RunResult survey() {
    return new SurveyResult(
        TestDrive.GB_240,
        "mbr",
        "healthy",
        "sound, label " + TOKEN,
        "copy it",
        0,
        List.of(
            new SurveyResult.VolumeNote(
                1,
                TOKEN,
                1 << 20,
                1L << 30,
                "exFAT",
                false,
                null,
                null,
                null,
                List.of(),
                true,
                5,
                300,
                List.of(new SurveyResult.FolderNote(TOKEN + "/letters", 5, 300, true)),
                List.of())),
        List.of());
  }

  @Test
  void noTextOfTheDatabaseStillHoldsThem(RunningServer.Shop shop) throws Exception {
    ShopClient mara = shop.signedIn("mara");
    String path;
    try (BenchJob job = BenchJob.begin(shop, 6, TOKEN, "drive-a")) {
      path = "/api/customers/" + job.view().get("customerId").longValue();
      job.read("drive-a", "sound-drive");
      job.run("drive-a", RunKind.SURVEY, survey(), job.drive);
      assertThat(TestDrive.signAway(job.ines, job.number, TOKEN, "drive-a").status())
          .isEqualTo(201);
      List<Integer> statuses =
          List.of(
              job.act("/take", Map.of()).status(),
              job.act("/wait", Map.of("what", "ANSWER", "note", "ask " + TOKEN)).status(),
              job.act("/changes", Map.of("what", "new drive for " + TOKEN)).status(),
              job.act("/check", Map.of("result", "GONE", "note", TOKEN + " was there")).status(),
              job.act(
                      "/decisions",
                      Map.of("courses", List.of("CLEAN_INSTALL"), "reason", TOKEN + " wants it"))
                  .status(),
              job.act("/proof-waiver", Map.of("signer", TOKEN)).status(),
              job.act(
                      "/decisions",
                      Map.of("remedies", List.of("replace-drive"), "reason", "for " + TOKEN))
                  .status(),
              job.act(
                      "/steps/replace-drive/part/order",
                      Map.of("words", "one as " + TOKEN + " has", "supplier", TOKEN))
                  .status(),
              job.act("/steps/replace-drive/part/order-end", Map.of("came", true)).status(),
              job.act("/steps/replace-drive/begin", Map.of()).status(),
              job.act("/check", Map.of("result", "GONE", "note", "")).status(),
              job.act(
                      "/steps/replace-drive/part/old",
                      Map.of("fate", "RETURNED", "note", "to " + TOKEN))
                  .status(),
              job.act("/proof-waiver", Map.of("signer", TOKEN)).status());
      assertThat(statuses).allMatch(s -> s < 300, statuses.toString());
      assertThat(where(shop))
          .anyMatch(w -> w.startsWith("customer.display_name"))
          .anyMatch(w -> w.startsWith("run_result.result"))
          .anyMatch(w -> w.startsWith("data_waiver.signer"))
          .anyMatch(w -> w.startsWith("decision.reason"));
      Map<String, Object> back = Map.of("takenBy", TOKEN, "paidHow", "NOTHING", "note", TOKEN);
      assertThat(job.actAs(mara, "/hand-back", back).status()).isEqualTo(204);
    }

    // What was copied before the tables were changed holds everybody of then. The server's own may
    // be gone: other customers were erased by other tests.
    Path copies = Files.createDirectories(shop.files().resolve("before-changes"));
    Files.writeString(copies.resolve("before-0.sql.gz"), TOKEN);

    assertThat(mara.post(path + "/erase", Map.of("name", TOKEN)).status()).isEqualTo(204);

    assertThat(where(shop)).isEmpty();
    assertThat(copies).isEmptyDirectory();
  }

  /** Each column of text, of each table, that holds the token, with the first such text. */
  private static List<String> where(RunningServer.Shop shop) throws SQLException {
    List<String> found = new ArrayList<>();
    try (Connection connection = shop.database("tekmerion_owner");
        Statement statement = connection.createStatement()) {
      List<String[]> columns = new ArrayList<>();
      try (ResultSet rows =
          statement.executeQuery(
              "SELECT table_name, column_name FROM information_schema.columns"
                  + " WHERE table_schema = DATABASE() AND data_type IN ('char', 'varchar',"
                  + " 'tinytext', 'text', 'mediumtext', 'longtext')")) {
        while (rows.next()) {
          columns.add(new String[] {rows.getString(1), rows.getString(2)});
        }
      }
      for (String[] column : columns) {
        try (ResultSet rows =
            statement.executeQuery(
                "SELECT LEFT(`%2$s`, 200) FROM `%1$s` WHERE LOWER(`%2$s`) LIKE LOWER('%%%3$s%%')"
                    .formatted(column[0], column[1], TOKEN))) {
          if (rows.next()) {
            found.add("%s.%s: %s".formatted(column[0], column[1], rows.getString(1)));
          }
        }
      }
    }
    return found;
  }
}
