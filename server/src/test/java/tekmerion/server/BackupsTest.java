package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The floor of a shop says when it would lose more than two days. */
class BackupsTest {
  @Test
  void theFloorSaysSoWhenTheLastGoodBackupIsOld() throws Exception {
    try (RunningServer.Shop shop = RunningServer.Shop.empty()) {
      assertThat(oldBackup(shop).isNull()).isTrue(); // it opened just now
      shop.letPass(Duration.ofDays(3));
      assertThat(oldBackup(shop).get("lastAt").isNull()).isTrue();

      Path told = shop.files().resolve("last-backup.json");
      Instant now = Instant.now().plus(Duration.ofDays(3)).truncatedTo(ChronoUnit.SECONDS);
      Instant young = now.minus(Duration.ofHours(47));
      Instant old = now.minus(Duration.ofHours(49));
      Files.writeString(told, "{\"at\":\"%s\"}".formatted(young));
      assertThat(oldBackup(shop).isNull()).isTrue();
      Files.writeString(told, "{\"at\":\"%s\"}".formatted(old));
      assertThat(oldBackup(shop).get("lastAt").asString()).isEqualTo(old.toString());
      // What cannot be read is no good backup.
      for (String broken : new String[] {"", "{}", "{\"at\":3}", "{\"at\":"}) {
        Files.writeString(told, broken);
        assertThat(oldBackup(shop).get("lastAt").isNull()).as(broken).isTrue();
      }
    }
  }

  private static JsonNode oldBackup(RunningServer.Shop shop) {
    return shop.firstLead().get("/api/floor").body().get("oldBackup");
  }
}
