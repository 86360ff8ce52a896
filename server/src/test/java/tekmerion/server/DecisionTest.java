package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** DataStatus, gates and decisions through the API; job J-2296, whose owner wants the data. */
@ExtendWith(RunningServer.class)
class DecisionTest {
  private static final String JOB = "/api/jobs/J-2296";

  private static JsonNode job(ShopClient shop) {
    return shop.get(JOB).body();
  }

  private static ShopClient.Answer sign(ShopClient shop, String... courses) {
    return shop.post(
        JOB + "/decisions",
        Map.of(
            "version", JobVersion.of(shop, JOB),
            "courses", List.of(courses),
            "reason", "Seen and considered."));
  }

  private static ShopClient.Answer say(ShopClient shop, String dataStatus) {
    return shop.post(
        JOB + "/data-status",
        Map.of("version", JobVersion.of(shop, JOB), "dataStatus", dataStatus));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"RESET_ERASING", "CLEAN_INSTALL", "RESET_KEEPING_FILES", "REPAIR_FILE_SYSTEM"})
  void theServerRefusesWhatTheDataForbids(String course, RunningServer.Shop shop)
      throws SQLException {
    ShopClient ines = shop.signedIn();
    say(ines, "WANTED");
    long before = shop.count("SELECT COUNT(*) FROM decision");

    ShopClient.Answer alone = sign(ines, course);
    ShopClient.Answer hidden = sign(ines, "RECOVER_DATA", course);

    assertThat(alone.status()).isEqualTo(423);
    assertThat(alone.body().get("detail").stringValue()).contains("is locked");
    assertThat(alone.body().get("kept").stringValue()).isEqualTo("Nothing was signed or changed.");
    assertThat(alone.body().get("toDo").stringValue())
        .containsPattern("(its drives were|it was) read");
    assertThat(hidden.status()).isEqualTo(423);
    assertThat(shop.count("SELECT COUNT(*) FROM decision")).isEqualTo(before);
  }

  @Test
  void aCopyCannotBeSaidOnlyMade(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(say(ines, "COPY_VERIFIED").status()).isEqualTo(400);
    assertThat(say(ines, "COPIED").status()).isEqualTo(400);
    assertThat(say(ines, "NOT_WANTED").status()).isEqualTo(400);
  }

  @Test
  void aDecisionKeepsTheWeighingAsItStood(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    JsonNode before = job(ines);

    assertThat(sign(ines, "REPAIR", "NOTHING_FOUND").status()).isEqualTo(201);

    JsonNode decision = job(ines).at("/decisions/0");
    assertThat(decision.get("headline")).isEqualTo(before.at("/weighing/headline"));
    assertThat(decision.at("/causes/0/probability"))
        .isEqualTo(before.at("/weighing/causes/0/probability"));
    assertThat(decision.at("/courses/1/course").stringValue()).isEqualTo("NOTHING_FOUND");
    assertThat(decision.get("signedBy").stringValue()).isEqualTo("Ines R.");
    assertThat(decision.get("reason").stringValue()).isEqualTo("Seen and considered.");
  }

  @Test
  void whoeverLooksAtAnOldStateOverwritesNobody(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    long seen = JobVersion.of(ines, JOB);
    assertThat(sign(ines, "REPAIR").status()).isEqualTo(201);

    ShopClient.Answer late =
        ines.post(
            JOB + "/decisions",
            Map.of("version", seen, "courses", List.of("NOTHING_FOUND"), "reason", "late"));

    assertThat(late.status()).isEqualTo(409);
    assertThat(late.body().get("kept").stringValue()).isEqualTo("Theirs was kept, yours was not.");
  }

  @Test
  void aDecisionNeedsCoursesAndAReason(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    long version = JobVersion.of(ines, JOB);

    ShopClient.Answer empty =
        ines.post(
            JOB + "/decisions", Map.of("version", version, "courses", List.of(), "reason", " "));

    assertThat(empty.status()).isEqualTo(400);
    assertThat(empty.body().get("detail").stringValue()).contains("courses").contains("reason");
    assertThat(sign(ines, "REPAIR", "REPAIR").status()).isEqualTo(400);
    assertThat(sign(ines, "REFORMAT").status()).isEqualTo(400);
  }

  private static ShopClient.Answer at(
      ShopClient shop, String path, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", JobVersion.of(shop, path));
    return shop.post(path + what, all);
  }

  @Test
  void noPartIsReplacedOnOneFindingUntilItWasTriedElsewhere(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String path =
        "/api/jobs/"
            + Talk.begin(shop.signedIn("joao"))
                .of("Docked Dunne", "Calder", "14 laptop", "It clicks")
                .takeIn();
    Map<String, Object> clicks = Map.of("drive.sound", "clicks", "drive.hand-warm", "warm");
    Map<String, Object> replace = Map.of("courses", List.of("REPLACE_PART"), "reason", "clicks");
    assertThat(
            at(
                    ines,
                    path,
                    "/moves/drive-listen/outcome",
                    Map.of("part", "drive-a", "levels", clicks, "note", ""))
                .status())
        .isEqualTo(204);

    JsonNode course =
        ines.get(path)
            .body()
            .get("courses")
            .valueStream()
            .filter(c -> c.get("course").stringValue().equals("REPLACE_PART"))
            .findFirst()
            .orElseThrow();
    assertThat(course.at("/lock/reason").stringValue()).contains("one finding");
    assertThat(at(ines, path, "/decisions", replace).status()).isEqualTo(423);

    Map<String, Object> slow = Map.of("elsewhere.drive", "slow");
    assertThat(
            at(
                    ines,
                    path,
                    "/moves/dock-bench/outcome",
                    Map.of("part", "drive-a", "levels", slow, "note", ""))
                .status())
        .isEqualTo(204);
    ShopClient.Answer signed = at(ines, path, "/decisions", replace);

    assertThat(signed.status()).isEqualTo(201);
  }
}
