package tekmerion.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.link.files.LastBackup;

class NightlyBackupsTest {
  private static final char[] PASSPHRASE = "quay 7, low water".toCharArray();
  private static final ZoneId HARBOUR = ZoneId.of("Europe/Oslo");

  @TempDir private Path folder;

  private NightlyBackups at(String instant) {
    return new NightlyBackups(
        folder.resolve("shop"),
        folder.resolve("backups"),
        PASSPHRASE,
        LocalTime.of(3, 0),
        Clock.fixed(Instant.parse(instant), HARBOUR));
  }

  private List<String> backups() throws IOException {
    try (Stream<Path> files = Files.list(folder.resolve("backups"))) {
      return files.map(file -> file.getFileName().toString()).sorted().toList();
    }
  }

  /** Oslo is an hour ahead of UTC in December: 03:00 there is 02:00. */
  @Test
  void oneIsMadeANightAndCheckedAndOnlyWhatIsOursIsThinnedOut() throws Exception {
    Path shop = folder.resolve("shop");
    try (MariaDb database = MariaDb.start(shop.resolve("db"))) {
      filled(database);
      Files.createDirectories(folder.resolve("backups"));
      Files.writeString(folder.resolve("backups/holiday.txt"), "not ours");
      Files.writeString(folder.resolve("backups/.tekmerion-x.backup.1.part"), "cut off");

      assertThat(at("2026-11-30T21:00:00Z").isDue()).isTrue(); // none was ever made
      at("2026-11-30T21:00:00Z").once();
      assertThat(at("2026-12-01T01:59:00Z").isDue()).isFalse();
      assertThat(at("2026-12-01T02:00:00Z").isDue()).isTrue();
      at("2026-12-01T02:00:00Z").once();
      assertThat(at("2026-12-01T20:00:00Z").isDue()).isFalse();
      at("2026-12-01T22:30:00Z").once(); // the same day there: the earlier one is not needed

      assertThat(backups())
          .containsExactly(
              "holiday.txt",
              "tekmerion-20261130T210000Z.backup",
              "tekmerion-20261201T223000Z.backup");
      assertThat(LastBackup.read(shop.resolve("files")))
          .contains(Instant.parse("2026-12-01T22:30:00Z"));
    }

    // The database is not running: it is started for the backup, and ended.
    at("2026-12-02T02:00:00Z").once();
    Path restored = folder.resolve("restored");
    Path newest = folder.resolve("backups/tekmerion-20261202T020000Z.backup");
    ShopFolder.Found found = new ShopFolder(restored).restore(newest, PASSPHRASE);
    assertThat(found.tables()).isEqualTo(1);
    assertThat(found.rows()).isEqualTo(3);
    try (MariaDb database = MariaDb.start(restored.resolve("db"))) {
      assertThat(database.texts("SELECT hex(page) FROM raw_page ORDER BY id"))
          .containsExactly("00FF5C27", "C3A6", null);
    }
  }

  private static void filled(MariaDb database) throws SQLException {
    try (Connection owner =
            DriverManager.getConnection(
                database.url(), "tekmerion_owner", database.password("tekmerion_owner"));
        var statement = owner.createStatement()) {
      statement.execute("CREATE TABLE raw_page (id BIGINT PRIMARY KEY, page BLOB)");
      statement.execute("GRANT SELECT, INSERT ON raw_page TO tekmerion_app");
      statement.execute("INSERT INTO raw_page VALUES (1, x'00FF5C27'), (2, x'C3A6'), (3, NULL)");
    }
  }
}
