package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** The floor, whose jobs are, one change at a time, photos, finding, and personal data. */
@ExtendWith(RunningServer.class)
class FloorTest {
  private static String taken(RunningServer.Shop shop, String customer) {
    return Talk.begin(shop.signedIn("joao"))
        .of(customer, "Calder", "mini " + customer.length(), "It is slow")
        .takeIn();
  }

  private static JsonNode lane(ShopClient shop, String number) {
    return shop.get("/api/floor")
        .body()
        .get("jobs")
        .valueStream()
        .filter(j -> j.get("number").stringValue().equals(number))
        .findFirst()
        .orElseThrow();
  }

  private static long version(ShopClient shop, String number) {
    return JobVersion.of(shop, "/api/jobs/" + number);
  }

  private static ShopClient.Answer act(
      ShopClient shop, String number, String what, Map<String, ?> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", version(shop, number));
    return shop.post("/api/jobs/" + number + "/" + what, all);
  }

  @Test
  void statementsDoNotGrowWithTheRows(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    ines.get("/api/floor"); // fills what is looked up now and then only
    ines.get("/api/search?q=calder");
    int floorBefore = shop.statementsOf(() -> ines.get("/api/floor"));
    int findBefore = shop.statementsOf(() -> ines.get("/api/search?q=calder"));
    for (int i = 0; i < 6; i++) {
      taken(shop, "Row " + i);
    }

    assertThat(shop.statementsOf(() -> ines.get("/api/floor"))).isEqualTo(floorBefore);
    assertThat(ines.get("/api/search?q=calder").body().get("hits").size()).isGreaterThan(5);
    assertThat(shop.statementsOf(() -> ines.get("/api/search?q=calder")))
        .isLessThanOrEqualTo(Math.max(findBefore, 6)); // see Search
  }

  @Test
  void aJobThatWillBeLateStandsOutBeforeItIs(RunningServer.Shop shop) throws SQLException {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Late Lind");
    String promise =
        "UPDATE job SET promised_at = UTC_TIMESTAMP() + INTERVAL %s WHERE number = '%s'";

    shop.asOwner(promise.formatted("5 MINUTE", number));
    String soon = lane(ines, number).get("promise").stringValue();
    shop.asOwner(promise.formatted("-1 MINUTE", number));
    String past = lane(ines, number).get("promise").stringValue();
    shop.asOwner(promise.formatted("60 DAY", number));
    String far = lane(ines, number).get("promise").stringValue();

    assertThat(soon).isEqualTo("LIKELY_LATE");
    assertThat(past).isEqualTo("OVERDUE");
    assertThat(far).isEqualTo("KEPT");
  }

  @Test
  void jobsAreTakenHandedOverSharedAndTold(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    ShopClient bo = shop.signedIn("bo");
    long boId = bo.get("/api/session").body().at("/person/id").longValue();
    String number = taken(shop, "Handed Haas");

    act(ines, number, "take", Map.of());
    assertThat(lane(ines, number).get("mine").booleanValue()).isTrue();
    act(ines, number, "hand-over", Map.of("to", boId, "note", "mind the loose hinge"));

    assertThat(lane(ines, number).get("mine").booleanValue()).isFalse();
    assertThat(lane(bo, number).get("holder").stringValue()).isEqualTo("Bo K.");
    assertThat(bo.get("/api/me/notices").body().at("/0/words").stringValue())
        .isEqualTo("Ines R. hands %s over to you: mind the loose hinge".formatted(number));
    assertThat(bo.get("/api/jobs/" + number).body().get("journal").toString())
        .contains("Handed over to Bo K.")
        .contains("mind the loose hinge");
  }

  @Test
  void whoIsAwayHandsOverEverythingAtOnce(RunningServer.Shop shop) {
    ShopClient bo = shop.signedIn("bo");
    String number = taken(shop, "Away Okafor");
    act(bo, number, "take", Map.of());
    long held =
        bo.get("/api/floor")
            .body()
            .get("jobs")
            .valueStream()
            .filter(j -> "Bo K.".equals(j.get("holder").asString("")))
            .count();

    ShopClient.Answer answer = bo.post("/api/me/hand-over-all", nobody());

    assertThat(answer.body().get("jobs").longValue()).isEqualTo(held).isPositive();
    assertThat(lane(bo, number).get("holder").isNull()).isTrue();
  }

  private static Map<String, Object> nobody() {
    Map<String, Object> body = new HashMap<>();
    body.put("to", null);
    body.put("note", "away today");
    return body;
  }

  @Test
  void aSecondChangeWaitsForTheComplaintCheck(RunningServer.Shop shop) throws SQLException {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Changed Moreau");

    assertThat(act(ines, number, "changes", Map.of("what", "memory reseated")).status())
        .isEqualTo(204);
    ShopClient.Answer second = act(ines, number, "changes", Map.of("what", "cable swapped"));
    ShopClient.Answer end = act(ines, number, "end", Map.of("how", "HANDED_BACK", "note", ""));
    ShopClient.Answer check =
        act(ines, number, "check", Map.of("result", "GONE", "note", "twenty starts"));

    assertThat(second.status()).isEqualTo(423);
    assertThat(second.body().get("detail").stringValue()).contains("memory reseated");
    assertThat(end.status()).isEqualTo(423);
    assertThat(check.status()).isEqualTo(204);
    assertThat(act(ines, number, "check", Map.of("result", "SAME", "note", "")).status())
        .isEqualTo(409);
    assertThat(act(ines, number, "changes", Map.of("what", "cable swapped")).status())
        .isEqualTo(204);
    assertThat(ines.get("/api/jobs/" + number).body().get("journal").toString())
        .contains("Complaint gone")
        .contains("after: memory reseated. twenty starts");
  }

  /** Whoever still has the page of an ended job open changes nothing by it. */
  @Test
  void anEndedJobIsClosedForEveryChange(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number = taken(shop, "Ended Ibarra");
    act(ines, number, "bay", Map.of("bay", 6));
    act(ines, number, "end", Map.of("how", "WITHDRAWN", "note", "wrong machine"));

    for (Map.Entry<String, Map<String, ?>> change :
        Map.<String, Map<String, ?>>of(
                "take", Map.of(),
                "changes", Map.of("what", "x"),
                "ready", Map.of(),
                "data-status", Map.of("dataStatus", "WANTED"),
                "decisions", Map.of("courses", List.of("REPAIR"), "reason", "late"),
                "end", Map.of("how", "HANDED_BACK", "note", ""))
            .entrySet()) {
      ShopClient.Answer answer = act(ines, number, change.getKey(), change.getValue());
      assertThat(answer.status()).as(change.getKey()).isEqualTo(409);
      assertThat(answer.body().get("detail").stringValue()).contains("taken in by mistake");
    }
    JsonNode job = ines.get("/api/jobs/" + number).body();
    assertThat(job.get("bay").isNull()).isTrue();
    assertThat(job.get("moves").size()).isZero();
    assertThat(ines.get("/api/floor").body().get("jobs").toString()).doesNotContain(number);
  }

  @Test
  void photosAreDrawnAnewAndWhatIsNoneIsRefused(RunningServer.Shop shop) throws IOException {
    ShopClient ines = shop.signedIn();
    String path = "/api/jobs/%s/photos".formatted(taken(shop, "Photo Sato"));
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(2400, 1200, BufferedImage.TYPE_INT_ARGB), "png", png);
    png.write("place: harbour wall 4".getBytes(StandardCharsets.US_ASCII));

    ShopClient.Answer kept = ines.upload(path, "image/png", png.toByteArray());
    byte[] shown =
        ines.download("/api/photos/" + kept.body().get("id").stringValue()).orElseThrow();
    BufferedImage picture = ImageIO.read(new ByteArrayInputStream(shown));

    assertThat(picture.getWidth()).isEqualTo(1600);
    assertThat(picture.getHeight()).isEqualTo(800);
    assertThat(new String(shown, StandardCharsets.ISO_8859_1)).doesNotContain("harbour");
    assertThat(ines.upload(path, "image/png", new byte[64]).status()).isEqualTo(400);
    assertThat(ines.upload(path, "image/svg+xml", "<svg/>".getBytes()).status()).isEqualTo(400);
    assertThat(ines.upload(path, "image/png", hugeHeader()).status()).isEqualTo(400);
    assertThat(ines.upload(path, "image/png", new byte[13 << 20]).status()).isEqualTo(413);
    assertThat(shop.stranger().download("/api/photos/" + kept.body().get("id").stringValue()))
        .isEmpty();
  }

  /** A tiny file that claims 60,000 by 60,000 pixels: signature, IHDR (ISO/IEC 15948, 11.2.2). */
  private static byte[] hugeHeader() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DataOutputStream data = new DataOutputStream(out);
    data.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
    ByteArrayOutputStream chunk = new ByteArrayOutputStream();
    DataOutputStream header = new DataOutputStream(chunk);
    header.writeBytes("IHDR");
    header.writeInt(60_000);
    header.writeInt(60_000);
    header.write(new byte[] {8, 2, 0, 0, 0});
    CRC32 crc = new CRC32();
    crc.update(chunk.toByteArray());
    data.writeInt(13);
    data.write(chunk.toByteArray());
    data.writeInt((int) crc.getValue());
    return out.toByteArray();
  }

  @Test
  void findsByNumberSerialPartCustomerModelAndErrorText(RunningServer.Shop shop) {
    ShopClient joao = shop.signedIn("joao");
    Talk talk = Talk.begin(joao).of("Ivo Varga", "Juniper Bay", "quill 9", "Crackles");
    talk.say(Map.of("serial", "QX-77810-ZED", "errorText", "DEVICE_FAULT_77"));
    String number = talk.takeIn();

    for (String typed :
        List.of(
            number, number.substring(2), "7810-z", "varg", "quill", "device fault", "ivo jun")) {
      assertThat(
              joao.get("/api/search?q=" + typed.replace(" ", "%20"))
                  .body()
                  .get("hits")
                  .valueStream()
                  .map(h -> h.get("number").stringValue()))
          .as(typed)
          .contains(number);
    }
    assertThat(joao.get("/api/search?q=%2B%22*%28").body().get("hits").size()).isZero();
    assertThat(joao.get("/api/search?q=7810-z").body().at("/hits/0/serial").stringValue())
        .isEqualTo("QX-77810-ZED");
  }

  @Test
  void personalDataIsGivenOutAndErasedAndTheEvidenceStays(RunningServer.Shop shop)
      throws SQLException {
    ShopClient mara = shop.signedIn("mara");
    Talk talk =
        Talk.begin(shop.signedIn("joao")).of("Hana Private", "Ostrel", "17", "My diary is slow");
    talk.say(Map.of("phone", "0611 998877", "said", Map.of("senses", List.of("clicks"))));
    String number = talk.takeIn();
    long id = mara.get("/api/jobs/" + number).body().get("customerId").longValue();
    String path = "/api/customers/" + id;

    assertThat(mara.get(path + "/export").body().toString())
        .contains("0611 998877")
        .contains("My diary");
    Map<String, Object> seen = new HashMap<>();
    seen.put("version", JobVersion.of(mara, "/api/jobs/" + number));
    seen.put("part", "machine");
    seen.put("levels", Map.of("volume.free", "little"));
    seen.put("note", "full of her diary");
    assertThat(mara.post("/api/jobs/%s/moves/free-space/outcome".formatted(number), seen).status())
        .isEqualTo(204);

    assertThat(mara.post(path + "/erase", Map.of("name", "Hana Private")).status()).isEqualTo(409);
    act(mara, number, "end", Map.of("how", "HANDED_BACK", "note", "Hana was happy"));
    assertThat(mara.post(path + "/erase", Map.of("name", "Hanna")).status()).isEqualTo(400);
    assertThat(shop.signedIn().post(path + "/erase", Map.of("name", "Hana Private")).status())
        .isEqualTo(403);

    assertThat(mara.post(path + "/erase", Map.of("name", "Hana Private")).status()).isEqualTo(204);

    for (String table :
        List.of(
            "customer WHERE CONCAT_WS(' ', display_name, phone, email)",
            "intake WHERE CONCAT_WS(' ', answers, applied)",
            "journal_entry WHERE CONCAT_WS(' ', title, detail)",
            "job WHERE CONCAT_WS(' ', complaint, error_text)",
            "job_move WHERE CONCAT_WS(' ', words, note)",
            "job_word WHERE word")) {
      assertThat(shop.count("SELECT COUNT(*) FROM " + table + " REGEXP 'Hana|0611 998877|diary'"))
          .as(table)
          .isZero();
    }
    JsonNode job = mara.get("/api/jobs/" + number).body();
    assertThat(job.get("machine").stringValue()).isEqualTo("Ostrel 17");
    assertThat(job.get("weighing").toString()).contains("noise.clicks").contains("volume.free");
  }
}
