package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** The know-how to read, and what proven jobs propose. */
@ExtendWith(RunningServer.class)
class KnowHowTest {
  private static final String FAN = "fan.state";

  private static void act(ShopClient shop, String number, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", shop.get("/api/jobs/" + number).body().get("version").intValue());
    assertThat(shop.post("/api/jobs/%s/%s".formatted(number, what), all).status())
        .as(what)
        .isLessThan(300);
  }

  @Test
  void everyLineCanBeFoundWithItsNumbersAndTheirSource(RunningServer.Shop shop) {
    JsonNode found = shop.signedIn().get("/api/know-how?text=fan.state").body();

    assertThat(found.get("signs").findValuesAsString("id")).containsExactly(FAN);
    assertThat(found.at("/signs/0/source").stringValue()).contains("judgement");
    assertThat(found.get("judged").intValue()).isBetween(1, found.get("signsInAll").intValue());
  }

  @Test
  void aLeadTakesOverWhatManyProvenJobsSay(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of("Proven Haas", "Ostrel", "14 laptop", "It is loud and hot")
            .takeIn();
    act(
        ines,
        number,
        "moves/fan-listen/outcome",
        Map.of("part", "machine", "levels", Map.of(FAN, "still"), "note", ""));
    act(ines, number, "rulings", Map.of("courses", List.of("REPAIR"), "reason", "new fan"));
    act(ines, number, "proof-waiver", Map.of("signer", "P. Haas"));
    act(ines, number, "end", Map.of("how", "HANDED_BACK", "note", ""));
    // Thirty such jobs, in which the fan turned quietly although it was the fan.
    shop.asOwner(
        "UPDATE ruling SET weighing = REPLACE(weighing, '\"level\":\"still\"',"
            + " '\"level\":\"fine\"') WHERE job_id = (SELECT id FROM job WHERE number = '%s')"
                .formatted(number));
    for (int i = 0; i < 30; i++) {
      String copy = "COPY-" + i;
      shop.asOwner(
          ("INSERT INTO job (number, machine_id, customer_id, complaint, taken_in_at, headline,"
                  + " tilt, version, stage, stage_since, stance, ended_at, ended_how, ruled_cause,"
                  + " ruled_part) SELECT '%s', machine_id, customer_id, complaint, taken_in_at,"
                  + " headline, tilt, 0, stage, stage_since, stance, ended_at, ended_how,"
                  + " ruled_cause, ruled_part FROM job WHERE number = '%s'")
              .formatted(copy, number));
      shop.asOwner(
          ("INSERT INTO ruling (job_id, courses, reason, stance, weighing, signed_by, signed_at)"
                  + " SELECT (SELECT id FROM job WHERE number = '%s'), courses, reason, stance,"
                  + " weighing, signed_by, signed_at FROM ruling WHERE job_id = (SELECT id FROM job"
                  + " WHERE number = '%s')")
              .formatted(copy, number));
    }
    ShopClient mara = shop.signedIn("mara");
    Map<String, Object> wanted =
        Map.of("sign", FAN, "cause", "fan-failed", "reason", "looked at all of them");

    assertThat(ines.get("/api/know-how/learnt").status()).isEqualTo(403);
    assertThat(ines.post("/api/know-how/likelihoods", wanted).status()).isEqualTo(403);
    JsonNode learnt = mara.get("/api/know-how/learnt").body();
    assertThat(learnt.get("proposals").findValuesAsString("sign")).contains(FAN);
    assertThat(mara.post("/api/know-how/likelihoods", wanted).status()).isEqualTo(204);

    JsonNode after = mara.get("/api/know-how/learnt").body();
    assertThat(after.get("proposals").findValuesAsString("sign")).doesNotContain(FAN);
    assertThat(after.at("/decided/0/inForce").booleanValue()).isFalse();
    assertThat(after.at("/decided/0/jobs").intValue()).isGreaterThanOrEqualTo(30);
    shop.asOwner(
        "DELETE FROM ruling WHERE job_id IN (SELECT id FROM job WHERE number LIKE 'COPY-%')");
    shop.asOwner("DELETE FROM job WHERE number LIKE 'COPY-%'");
  }
}
