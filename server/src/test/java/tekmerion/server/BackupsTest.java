package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.junit.jupiter.api.Test;
import tekmerion.link.files.LastBackup;
import tools.jackson.databind.JsonNode;

/** The floor of a shop says when it would lose more than two days. */
class BackupsTest {
  @Test
  void theFloorSaysSoWhenTheLastGoodBackupIsOld() throws Exception {
    try (RunningServer.Shop shop = RunningServer.Shop.empty()) {
      assertThat(oldBackup(shop).isNull()).isTrue(); // it opened just now
      shop.letPass(Duration.ofDays(3));
      assertThat(oldBackup(shop).get("lastAt").isNull()).isTrue();

      Instant now = Instant.now().plus(Duration.ofDays(3)).truncatedTo(ChronoUnit.SECONDS);
      Instant young = now.minus(Duration.ofHours(47));
      Instant old = now.minus(Duration.ofHours(49));
      LastBackup.write(shop.files(), young);
      assertThat(oldBackup(shop).isNull()).isTrue();
      LastBackup.write(shop.files(), old);
      assertThat(oldBackup(shop).get("lastAt").asString()).isEqualTo(old.toString());
      // What cannot be read is no good backup.
      for (String broken : new String[] {"", "yesterday", "2026-12-"}) {
        Files.writeString(shop.files().resolve("last-backup.txt"), broken);
        assertThat(oldBackup(shop).get("lastAt").isNull()).as(broken).isTrue();
      }
    }
  }

  private static JsonNode oldBackup(RunningServer.Shop shop) {
    return shop.firstLead().get("/api/floor").body().get("oldBackup");
  }
}
