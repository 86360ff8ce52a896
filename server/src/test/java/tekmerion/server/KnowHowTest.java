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
    all.put("version", JobVersion.of(shop, "/api/jobs/" + number));
    assertThat(shop.post("/api/jobs/%s/%s".formatted(number, what), all).status())
        .as(what)
        .isLessThan(300);
  }

  @Test
  void everyLineCanBeFoundWithItsNumbersAndTheirSource(RunningServer.Shop shop) {
    JsonNode found = shop.signedIn().get("/api/know-how?text=fan.state").body();

    assertThat(found.get("findings").findValuesAsString("id")).containsExactly(FAN);
    assertThat(found.at("/findings/0/source").stringValue()).contains("judgement");
    assertThat(found.get("judged").intValue()).isBetween(1, found.get("signsInAll").intValue());
  }

  private static Map<String, Object> back(String finding, int version) {
    return Map.of(
        "change",
        Map.of("what", "AS_SHIPPED", "subject", "FINDING", "id", finding),
        "version",
        version,
        "reason",
        "only a test");
  }

  /**
   * A lead changes the prior of a cause: looked at beforehand on the last jobs, in force at once,
   * with its reason and what differs, and taken back.
   */
  @Test
  void aChangeIsLookedAtThenInForceAtOnceThenTakenBack(RunningServer.Shop shop) throws Exception {
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of("Prior Lund", "Ostrel", "15 laptop", "The screen has stripes")
            .takeIn();
    ShopClient mara = shop.signedIn("mara");
    String path = "/api/know-how/entries/CAUSE/coin-cell";
    JsonNode entry = mara.get(path).body();
    Map<String, Object> prior = new HashMap<>();
    entry.at("/cause/prior").properties().forEach(e -> prior.put(e.getKey(), 0.6));
    Map<String, Object> change =
        Map.of(
            "what",
            "CAUSE",
            "id",
            "coin-cell",
            "cause",
            Map.of("name", entry.get("name").stringValue(), "prior", prior, "dataRisk", 0));
    Map<String, Object> asked =
        Map.of("change", change, "version", 0, "reason", "a bad batch of boards");

    assertThat(shop.signedIn().post("/api/know-how/preview", change).status()).isEqualTo(403);
    JsonNode preview = mara.post("/api/know-how/preview", change).body();
    assertThat(preview.get("moved").findValuesAsString("number")).contains(number);
    assertThat(firstCause(mara, number)).isNotEqualTo("coin-cell");

    assertThat(shop.signedIn().post("/api/know-how/changes", asked).status()).isEqualTo(403);
    assertThat(mara.post("/api/know-how/changes", asked).status()).isEqualTo(204);
    assertThat(firstCause(mara, number)).isEqualTo("coin-cell");
    assertThat(mara.post("/api/know-how/changes", asked).status()).isEqualTo(409);
    JsonNode version = mara.get(path).body().at("/history/0");
    assertThat(version.get("reason").stringValue()).isEqualTo("a bad batch of boards");
    assertThat(version.get("differences").findValuesAsString("after")).contains("60 of 100");

    Map<String, Object> back = new HashMap<>(back("coin-cell", 1));
    back.put("change", Map.of("what", "AS_SHIPPED", "subject", "CAUSE", "id", "coin-cell"));
    assertThat(mara.post("/api/know-how/changes", back).status()).isEqualTo(204);
    assertThat(mara.get(path).body().get("cause")).isEqualTo(entry.get("cause"));
    assertThat(firstCause(mara, number)).isNotEqualTo("coin-cell");
  }

  private static String firstCause(ShopClient shop, String number) {
    return shop.get("/api/jobs/" + number).body().at("/weighing/causes/0/cause").stringValue();
  }

  @Test
  void aMoveOfTheShopsOwnIsOfferedMadeAndCounted(RunningServer.Shop shop) throws Exception {
    ShopClient mara = shop.signedIn("mara");
    Map<String, Object> words =
        Map.of(
            "name",
            "Smell at the vents",
            "purpose",
            "Salt smells before it stops a fan.",
            "handsOnMinutes",
            1,
            "waitingMinutes",
            0,
            "families",
            List.of(),
            "needs",
            List.of(),
            "steps",
            List.of("Smell at the vents. @5"));
    Map<String, Object> own = new HashMap<>();
    own.put("words", words);
    own.put("act", "OBSERVE");
    own.put("place", "power");
    own.put("of", "machine");
    own.put("bootStage", "nothing");
    own.put("invasiveness", "LOOKS_ONLY");
    own.put("loads", List.of());
    own.put("looksAt", "The smell");
    own.put("levels", List.of("None", "Salt and damp"));
    own.put("leak", List.of(0.99, 0.01));
    own.put("links", Map.of("fan-failed", List.of(0.02, 0.99)));
    Map<String, Object> change = Map.of("what", "OWN_MOVE", "id", "own.sniff", "ownMove", own);
    Map<String, Object> asked = Map.of("change", change, "version", 0, "reason", "harbour air");

    JsonNode refused = mara.post("/api/know-how/changes", asked).body();
    assertThat(refused.toString()).contains("[0.02, 0.99] is no distribution");
    own.put("links", Map.of("fan-failed", List.of(0.02, 0.98)));
    assertThat(mara.post("/api/know-how/changes", asked).status()).isEqualTo(204);
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of("Salt Berg", "Ostrel", "16 laptop", "It is loud and hot")
            .takeIn();
    act(
        shop.signedIn(),
        number,
        "moves/own.sniff/outcome",
        Map.of("part", "machine", "levels", Map.of("own.sniff.seen", "seen-1"), "note", ""));
    assertThat(firstCause(mara, number)).isEqualTo("fan-failed");

    Map<String, Object> aside =
        Map.of(
            "change", Map.of("what", "ASIDE", "id", "own.sniff"), "version", 1, "reason", "done");
    assertThat(mara.post("/api/know-how/changes", aside).status()).isEqualTo(204);
    assertThat(mara.get("/api/know-how/entries/MOVE/own.sniff").body().get("aside").booleanValue())
        .isTrue();
    assertThat(firstCause(mara, number)).isEqualTo("fan-failed");
  }

  /** As another server would: a row in the table, and nobody tells this one. */
  private static void elsewhere(RunningServer.Shop shop, String finding, int version, String link)
      throws Exception {
    String body =
        ("{\"what\":\"LIKELIHOOD\",\"id\":\"%s\",\"likelihood\":"
                + "{\"cause\":\"fan-failed\",\"link\":%s,\"jobs\":null}}")
            .formatted(finding, link);
    shop.asOwner(
        ("INSERT INTO know_how_change (subject, entry, version, body, reason, decided_by,"
                + " decided_at) VALUES ('FINDING', '%s', %d, '%s', 'from the other server',"
                + " (SELECT MIN(id) FROM account), NOW(6))")
            .formatted(finding, version, body));
  }

  /**
   * One that does not hold together any more is left out and told, and the others stay in force.
   */
  @Test
  void aChangeOfAnotherServerIsSeenAndOneThatDoesNotHoldIsLeftOut(RunningServer.Shop shop)
      throws Exception {
    ShopClient mara = shop.signedIn("mara");
    String finding = "noise.fan";
    String path = "/api/know-how/entries/FINDING/" + finding;
    JsonNode shipped = mara.get(path).body();
    int levels = shipped.get("levels").size();
    double first = 0.25;
    String link = "[%s%s]".formatted(first, (", " + (1 - first) / (levels - 1)).repeat(levels - 1));

    elsewhere(shop, finding, 1, link);

    long until = System.nanoTime() + 60_000_000_000L;
    while (!weighedBy(mara, finding).contains("0.25") && System.nanoTime() < until) {
      Thread.sleep(100);
    }
    assertThat(weighedBy(mara, finding)).contains("0.25"); // the list is of what is weighed by

    elsewhere(shop, finding, 2, "[0.9, 0.9]");

    JsonNode entry = mara.get(path).body();
    assertThat(entry.at("/finding/links/fan-failed/0").doubleValue()).isEqualTo(first);
    assertThat(entry.at("/history/0/leftOut").isNull()).isTrue();
    assertThat(entry.at("/history/1/leftOut").stringValue()).contains("noise.fan");
    shop.asOwner("DELETE FROM know_how_change WHERE entry = '" + finding + "'");
    assertThat(mara.get(path).body().get("finding")).isEqualTo(shipped.get("finding"));
  }

  private static String weighedBy(ShopClient shop, String finding) {
    return shop.get("/api/know-how?text=" + finding).body().at("/findings/0/links").toString();
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
    act(ines, number, "decisions", Map.of("courses", List.of("REPAIR"), "reason", "new fan"));
    act(ines, number, "proof-waiver", Map.of("signer", "P. Haas"));
    act(ines, number, "end", Map.of("how", "HANDED_BACK", "note", ""));
    // Thirty such jobs, in which the fan turned quietly although it was the fan.
    shop.asOwner(
        "UPDATE decision SET weighing = REPLACE(weighing, '\"level\":\"still\"',"
            + " '\"level\":\"fine\"') WHERE job_id = (SELECT id FROM job WHERE number = '%s')"
                .formatted(number));
    for (int i = 0; i < 30; i++) {
      String copy = "COPY-" + i;
      shop.asOwner(
          ("INSERT INTO job (number, machine_id, customer_id, complaint, taken_in_at, headline,"
                  + " suspicion, version, stage, stage_since, data_status, ended_at, ended_how, decided_cause,"
                  + " decided_part) SELECT '%s', machine_id, customer_id, complaint, taken_in_at,"
                  + " headline, suspicion, 0, stage, stage_since, data_status, ended_at, ended_how,"
                  + " decided_cause, decided_part FROM job WHERE number = '%s'")
              .formatted(copy, number));
      shop.asOwner(
          ("INSERT INTO decision (job_id, courses, reason, data_status, weighing, signed_by, signed_at)"
                  + " SELECT (SELECT id FROM job WHERE number = '%s'), courses, reason, data_status,"
                  + " weighing, signed_by, signed_at FROM decision WHERE job_id = (SELECT id FROM job"
                  + " WHERE number = '%s')")
              .formatted(copy, number));
    }
    ShopClient mara = shop.signedIn("mara");
    Map<String, Object> wanted =
        Map.of("finding", FAN, "cause", "fan-failed", "reason", "looked at all of them");

    assertThat(ines.get("/api/know-how/learnt").status()).isEqualTo(403);
    assertThat(ines.post("/api/know-how/likelihoods", wanted).status()).isEqualTo(403);
    JsonNode learnt = mara.get("/api/know-how/learnt").body();
    assertThat(learnt.get("proposals").findValuesAsString("finding")).contains(FAN);
    assertThat(mara.post("/api/know-how/likelihoods", wanted).status()).isEqualTo(204);

    JsonNode after = mara.get("/api/know-how/learnt").body();
    assertThat(after.get("proposals").findValuesAsString("finding")).doesNotContain(FAN);
    assertThat(after.at("/decided/0/reason").stringValue())
        .matches("3[0-9] jobs of this shop: looked at all of them");
    JsonNode finding = mara.get("/api/know-how/entries/FINDING/" + FAN).body();
    assertThat(finding.get("version").intValue()).isEqualTo(1);
    assertThat(finding.at("/history/0/by").stringValue()).isEqualTo("Mara T.");
    assertThat(mara.post("/api/know-how/changes", back(FAN, 1)).status()).isEqualTo(204);
    takesOverHowCommonTheCauseIs(mara, learnt);
    shop.asOwner(
        "DELETE FROM decision WHERE job_id IN (SELECT id FROM job WHERE number LIKE 'COPY-%')");
    shop.asOwner("DELETE FROM job WHERE number LIKE 'COPY-%'");
  }

  /** Over thirty jobs of one cause, of few that stayed mended at all. */
  private static void takesOverHowCommonTheCauseIs(ShopClient mara, JsonNode learnt) {
    JsonNode rate =
        learnt
            .get("rates")
            .valueStream()
            .filter(r -> r.get("cause").stringValue().equals("fan-failed"))
            .findFirst()
            .orElseThrow();
    assertThat(rate.get("times").doubleValue()).isGreaterThan(1);
    JsonNode change = rate.get("change");
    assertThat(mara.post("/api/know-how/preview", change).status()).isEqualTo(200);
    Map<String, Object> kept =
        Map.of("change", change, "version", rate.get("version"), "reason", "all of ours");
    assertThat(mara.post("/api/know-how/changes", kept).status()).isEqualTo(204);

    JsonNode cause = mara.get("/api/know-how/entries/CAUSE/fan-failed").body();
    assertThat(cause.at("/cause/prior")).isEqualTo(change.at("/cause/prior"));
    int version = rate.get("version").intValue() + 1;
    Map<String, Object> shipped =
        Map.of(
            "change",
            Map.of("what", "AS_SHIPPED", "id", "fan-failed", "subject", "CAUSE"),
            "version",
            version,
            "reason",
            "the other tests");
    assertThat(mara.post("/api/know-how/changes", shipped).status()).isEqualTo(204);
  }
}
