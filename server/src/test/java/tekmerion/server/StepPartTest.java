package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.permit.Lock;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/**
 * The part that a step replaces: from stock or a supplier, in the machine, and the old one's way.
 */
@ExtendWith(RunningServer.class)
class StepPartTest {
  private static final String STEP = "/steps/replace-drive";

  /** A failing disk of 1,000 GB was read, and a plan that replaces it is signed. */
  private static BenchJob decided(RunningServer.Shop shop, String customer, String serial)
      throws Exception {
    BenchJob job = BenchJob.begin(shop, 6, customer, "drive-a");
    job.read("drive-a", "worn-disk", serial);
    assertThat(
            job.act(
                    "/decisions",
                    Map.of("remedies", List.of("replace-drive"), "reason", "46 are pending."))
                .status())
        .isEqualTo(201);
    return job;
  }

  private static JsonNode step(BenchJob job) {
    return job.view().at("/work/steps/0");
  }

  private static JsonNode part(BenchJob job) {
    return step(job).get("part");
  }

  private static void intoStock(ShopClient shop, String model, long bytes) {
    Map<String, Object> drive = new HashMap<>();
    drive.put("kind", "drive");
    drive.put("model", model);
    drive.put("bus", "SATA");
    drive.put("form", "2.5 inch");
    drive.put("bytes", bytes);
    drive.put("place", "drawer 7");
    drive.put("pieces", 1);
    assertThat(shop.post("/api/stock/items", drive).status()).isEqualTo(201);
  }

  private static JsonNode inStock(BenchJob job, String model) {
    return part(job)
        .get("stock")
        .valueStream()
        .filter(item -> item.get("model").stringValue().equals(model))
        .findFirst()
        .orElse(null);
  }

  @Test
  void aDriveFromStockIsKnownAgainAndTheOldOneGoesNowhereUnsaid(RunningServer.Shop shop)
      throws Exception {
    try (BenchJob job = decided(shop, "Stina Varga", "OS7K-70001-B")) {
      intoStock(job.ines, "STEP-1000F", TestDrive.HELM.sizeBytes());
      intoStock(job.ines, "STEP-240F", TestDrive.GB_240);
      assertThat(part(job).get("need").stringValue())
          .isEqualTo("A SATA drive, 2.5 inch, 1,000 GB or more");
      assertThat(inStock(job, "STEP-240F").get("misfit").stringValue())
          .isEqualTo("it is smaller than the old one");
      JsonNode fitting = inStock(job, "STEP-1000F");
      assertThat(fitting.get("misfit").isNull()).isTrue();

      Map<String, Long> which = Map.of("stock", fitting.get("id").longValue());
      assertThat(job.act(STEP + "/part/take", which).status()).isEqualTo(204);
      assertThat(job.act(STEP + "/part/take", which).status()).isEqualTo(409);
      assertThat(part(job).get("supply").stringValue()).isEqualTo("HERE");
      assertThat(inStock(job, "STEP-1000F")).isNull();
      assertThat(job.act(STEP + "/part/put-back", Map.of()).status()).isEqualTo(204);
      assertThat(inStock(job, "STEP-1000F").get("pieces").intValue()).isEqualTo(1);
      assertThat(job.act(STEP + "/part/take", which).status()).isEqualTo(204);

      assertThat(job.act(STEP + "/part/old", Map.of("fate", "KEPT", "note", "")).status())
          .isEqualTo(409); // nothing is out
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(204);
      assertThat(part(job).get("fitted").stringValue()).isEqualTo("NOT_READ");
      assertThat(job.act(STEP + "/part/put-back", Map.of()).status()).isEqualTo(409);
      job.read("drive-a", "worn-disk", "OS7K-70001-B");
      assertThat(part(job).get("fittedWords").stringValue())
          .isEqualTo("The old one still answers: HELM-1000S OS7K-70001-B");
      job.read("drive-a", "sound-drive");
      assertThat(part(job).get("fittedWords").stringValue())
          .isEqualTo(
              "QUAY-240F %s is in, in place of HELM-1000S OS7K-70001-B"
                  .formatted(job.drive.serial()));

      assertThat(job.act("/check", Map.of("result", "GONE", "note", "")).status()).isEqualTo(204);
      assertThat(job.act("/proof-waiver", Map.of("signer", "Stina Varga")).status()).isEqualTo(204);
      ShopClient.Answer unsaid = handBack(job);
      assertThat(unsaid.status()).isEqualTo(423);
      assertThat(unsaid.body().get("detail").stringValue())
          .isEqualTo("Nobody has said what became of the old drive.");
      assertThat(old(job, "SCRAPPED", "").status()).isEqualTo(400);
      ShopClient.Answer locked = old(job, "SCRAPPED", "C-1");
      assertThat(locked.status()).isEqualTo(423);
      assertThat(locked.body().get("lock").stringValue()).isEqualTo(Lock.DATA_NOT_SAFE.name());
      assertThat(old(job, "RETURNED", "to her in a bag").status()).isEqualTo(204);
      assertThat(part(job).at("/old/fateWords").stringValue()).isEqualTo("returned to the owner");

      assertThat(handBack(job).status()).isEqualTo(204);
      assertThat(job.view().at("/handBack/done/takenBy").stringValue()).isEqualTo("Stina Varga");
      assertThat(job.view().at("/handBack/done/payment").stringValue())
          .isEqualTo("EUR 168.00 by card");
    }
  }

  private static ShopClient.Answer old(BenchJob job, String fate, String note) {
    return job.act(STEP + "/part/old", Map.of("fate", fate, "note", note));
  }

  private static ShopClient.Answer handBack(BenchJob job) {
    return job.act(
        "/hand-back", Map.of("takenBy", "Stina Varga", "paidHow", "CARD", "paid", 168, "note", ""));
  }

  /** The signature names the old drive; it holds wherever that drive is now. */
  @Test
  void whatItsOwnerSignedAwayMayBeScrapped(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = decided(shop, "Sune Varga", "OS7K-70002-B")) {
      assertThat(TestDrive.signAway(job.ines, job.number, "Sune Varga", "drive-a").status())
          .isEqualTo(201);
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(204);
      ShopClient.Answer unread = old(job, "SCRAPPED", "C-2");
      assertThat(unread.body().get("lock").stringValue())
          .isEqualTo(Lock.DRIVE_NOT_IDENTIFIED.name()); // which one came out, no reading told
      job.read("drive-a", "sound-drive");

      assertThat(old(job, "SCRAPPED", "C-2").status()).isEqualTo(204);
    }
  }

  @Test
  void whatIsOrderedHoldsTheStepUpUntilItComes(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = decided(shop, "Sara Varga", "OS7K-70003-B")) {
      LocalDate soon = LocalDate.now().plusDays(9);
      assertThat(order(job, soon).status()).isEqualTo(204);
      assertThat(order(job, soon).status()).isEqualTo(409);
      assertThat(step(job).get("state").stringValue()).isEqualTo("WAITS_FOR_PART");
      assertThat(part(job).get("supplyWords").stringValue())
          .startsWith("HELM-1000S ordered from Kvist, expected ");
      assertThat(job.view().at("/waits/what").stringValue()).isEqualTo("PART");
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(423);
      JsonNode onFloor =
          job.ines
              .get("/api/floor")
              .body()
              .get("jobs")
              .valueStream()
              .filter(lane -> lane.get("number").stringValue().equals(job.number))
              .findFirst()
              .orElseThrow();
      assertThat(Instant.parse(onFloor.at("/likelyEnd/early").stringValue()))
          .isAfter(Instant.now().plusSeconds(7 * 24 * 3600));

      assertThat(job.act(STEP + "/part/order-end", Map.of("came", true)).status()).isEqualTo(204);
      assertThat(job.view().get("waits").isNull()).isTrue();
      assertThat(step(job).get("state").stringValue()).isEqualTo("NEXT");
    }
  }

  @Test
  void whatDidNotComeInTimeSaysSo(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = decided(shop, "Sven Varga", "OS7K-70004-B")) {
      assertThat(order(job, LocalDate.now().minusDays(2)).status()).isEqualTo(204);

      assertThat(part(job).get("supplyWords").stringValue()).endsWith("it is late, ask for it");
      assertThat(job.act(STEP + "/part/order-end", Map.of("came", false)).status()).isEqualTo(204);
      assertThat(part(job).get("supply").stringValue()).isEqualTo("NEEDED");
    }
  }

  private static ShopClient.Answer order(BenchJob job, LocalDate day) {
    return job.act(
        STEP + "/part/order",
        Map.of("words", "HELM-1000S", "supplier", "Kvist", "expectedOn", day.toString()));
  }

  /** The machine may be worse off than before: nobody shows that it is mended. */
  @Test
  void whatBrokeOffIsDecidedAnew(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = decided(shop, "Siri Varga", "OS7K-70005-B")) {
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(204);
      assertThat(job.act("/check", Map.of("result", "BROKE_OFF", "note", "its screw")).status())
          .isEqualTo(204);

      assertThat(step(job).get("state").stringValue()).isEqualTo("BROKE_OFF");
      assertThat(job.view().at("/work/steps/1/state").stringValue())
          .isEqualTo("WAITS_FOR_DECISION");
      assertThat(job.view().get("contradicted").stringValue())
          .isEqualTo("“Replace drive A” broke off half way.");
    }
  }

  /** The owner may answer after the signature. */
  @Test
  void whatTheOwnerRefusesAfterTheSignatureIsNotBegun(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = decided(shop, "Sixten Varga", "OS7K-70006-B")) {
      long estimate =
          job.act("/estimates", Map.of("remedies", List.of("replace-drive")))
              .body()
              .get("id")
              .longValue();
      assertThat(answer(job, estimate, "PHONE", 9_000.005)).isEqualTo(400); // nobody can pay that
      assertThat(answer(job, estimate, "REFUSED", null)).isEqualTo(201);
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(423);
      assertThat(answer(job, estimate, "PHONE", 9_000.0)).isEqualTo(201);
      assertThat(job.act(STEP + "/begin", Map.of()).status()).isEqualTo(204);
    }
  }

  private static int answer(BenchJob job, long estimate, String how, Double upTo) {
    Map<String, Object> said = new HashMap<>();
    said.put("how", how);
    said.put("signer", "Sixten Varga");
    said.put("upTo", upTo);
    said.put("note", "");
    return job.act("/estimates/%d/answers".formatted(estimate), said).status();
  }
}
