package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/**
 * From plans side by side over the estimate to the signature, by the made-up shop's tariff: 66.00
 * an hour, 72.00 where a part is replaced, at least 25.00, all with 25 % tax.
 */
@ExtendWith(RunningServer.class)
class EstimateTest {
  private static String takenIn(RunningServer.Shop shop, String customer) {
    return "/api/jobs/"
        + Talk.begin(shop.signedIn("joao"))
            .of(customer, "Tarnwick", "desk tower", "It is dead, no light at all")
            .takeIn();
  }

  private static ShopClient.Answer send(
      ShopClient shop, String job, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", JobVersion.of(shop, job));
    return shop.post(job + what, all);
  }

  private static JsonNode row(JsonNode plans, String id) {
    for (JsonNode row : plans.get("rows")) {
      if (row.get("id").stringValue().equals(id)) {
        return row;
      }
    }
    throw new AssertionError("no plan " + id + " in " + plans);
  }

  private static ShopClient.Answer sign(ShopClient shop, String job, String... remedies) {
    return send(
        shop, job, "/decisions", Map.of("remedies", List.of(remedies), "reason", "Considered."));
  }

  private static ShopClient.Answer answer(
      ShopClient shop, String job, long estimate, String how, Double upTo) {
    Map<String, Object> said = new HashMap<>();
    said.put("how", how);
    said.put("signer", "Runa Sol");
    said.put("upTo", upTo);
    said.put("note", "at noon");
    return send(shop, job, "/estimates/%d/answers".formatted(estimate), said);
  }

  private static long estimate(ShopClient shop, String job, String... remedies) {
    ShopClient.Answer made = send(shop, job, "/estimates", Map.of("remedies", List.of(remedies)));
    assertThat(made.status()).isEqualTo(201);
    return made.body().get("id").longValue();
  }

  /** 4 minutes at 72.00 are 4.80, an adapter is 34.00: 38.80, with a quarter 48.50. */
  @Test
  void plansStandSideBySideWithTheirPriceAndOnesOwn(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = takenIn(shop, "Runa Sol");

    JsonNode plans = ines.get(job + "/plans?own=replace-adapter").body();

    assertThat(plans.get("currency").stringValue()).isEqualTo("EUR");
    JsonNode own = row(plans, "replace-adapter");
    assertThat(own.get("own").booleanValue()).isTrue();
    assertThat(own.get("certain").decimalValue()).isEqualByComparingTo("48.50");
    assertThat(own.get("atMost").decimalValue()).isEqualByComparingTo("48.50");
    assertThat(own.get("goneLow").doubleValue()).isLessThanOrEqualTo(own.get("gone").doubleValue());
    // To hand it back costs what the shop charges at least, 25.00 and a quarter.
    assertThat(row(plans, "hand-back").get("certain").decimalValue()).isEqualByComparingTo("31.25");
    assertThat(plans.get("enough").booleanValue()).isFalse();
    assertThat(plans.get("stop").stringValue()).startsWith("Test on: ");
    assertThat(ines.get(job + "/plans?own=wish").status()).isEqualTo(400);
  }

  /** Whoever makes it: the owner has to understand what they agree to. */
  @Test
  void anEstimateIsInTheOwnersLanguage(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job = takenIn(shop, "Runa Sol");
    long customer = ines.get(job).body().get("customerId").longValue();
    assertThat(
            ines.put("/api/customers/%d/language".formatted(customer), Map.of("language", "NB"))
                .status())
        .isEqualTo(204);

    long estimate = estimate(ines, job, "replace-adapter");

    assertThat(ines.get(job + "/estimates").body().at("/0/words").stringValue())
        .isEqualTo("Bytt adapteren");
    byte[] paper =
        ines.download(job + "/estimates/%d/estimate.pdf".formatted(estimate)).orElseThrow();
    try (PDDocument document = Loader.loadPDF(paper)) {
      assertThat(new PDFTextStripper().getText(document)).contains("Bytt adapteren");
    }
  }

  @Test
  void whatTheOwnerAgreedToIsAGateForWhatIsSigned(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job = takenIn(shop, "Runa Sol");
    long first = estimate(ines, job, "replace-adapter");

    assertThat(answer(ines, job, first, "PHONE", 40.0).status()).isEqualTo(400); // 48.50 is sure
    assertThat(answer(ines, job, first, "PHONE", null).status()).isEqualTo(400);
    assertThat(answer(ines, job, first, "PHONE", 60.0).status()).isEqualTo(201);
    ShopClient.Answer dearer = sign(ines, job, "replace-board");
    assertThat(dearer.status()).isEqualTo(423);
    assertThat(dearer.body().get("detail").stringValue()).contains("agreed to at most EUR 60.00");
    assertThat(sign(ines, job, "replace-adapter").status()).isEqualTo(201);

    JsonNode decision = ines.get(job).body().at("/decisions/0");
    assertThat(decision.at("/courses/0/course").stringValue()).isEqualTo("REPLACE_PART");
    assertThat(decision.at("/plan/id").stringValue()).isEqualTo("replace-adapter");
    assertThat(decision.at("/plan/steps/0/handsOn").intValue()).isEqualTo(4);
    JsonNode told = ines.get(job + "/estimates").body();
    assertThat(told.at("/0/answers/0/upTo").decimalValue()).isEqualByComparingTo("60.00");
    assertThat(told.at("/0/answers/0/wroteDown").stringValue()).isEqualTo("Ines R.");
    byte[] paper = ines.download(job + "/estimates/%d/estimate.pdf".formatted(first)).orElseThrow();
    try (PDDocument document = Loader.loadPDF(paper)) {
      assertThat(new PDFTextStripper().getText(document))
          .contains("Estimate: Replace the adapter")
          .contains("€48.50")
          .contains("All amounts are with 25 % tax.");
    }
  }

  @Test
  void aRefusedEstimateLeavesOnlyTheHandBack(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = takenIn(shop, "Runa Sol");
    long first = estimate(ines, job, "replace-adapter");
    long second = estimate(ines, job, "replace-supply");

    assertThat(answer(ines, job, first, "REFUSED", null).status()).isEqualTo(409);
    assertThat(answer(ines, job, second, "REFUSED", 10.0).status()).isEqualTo(400);
    assertThat(answer(ines, job, second, "REFUSED", null).status()).isEqualTo(201);
    assertThat(sign(ines, job, "replace-supply").status()).isEqualTo(423);
    // No way round it by naming courses instead of a plan.
    ShopClient.Answer round =
        send(
            ines,
            job,
            "/decisions",
            Map.of("courses", List.of("REPLACE_PART"), "reason", "Round."));
    assertThat(round.status()).isEqualTo(423);
    assertThat(round.body().get("detail").stringValue()).contains("The owner refused");
    assertThat(sign(ines, job).status()).isEqualTo(201);

    assertThat(ines.get(job).body().at("/decisions/0/courses/0/course").stringValue())
        .isEqualTo("NOTHING_FOUND");
  }

  @Test
  void aDecisionNamesAPlanOrCoursesNotBoth(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = takenIn(shop, "Runa Sol");

    assertThat(send(ines, job, "/decisions", Map.of("reason", "None.")).status()).isEqualTo(400);
    assertThat(
            send(
                    ines,
                    job,
                    "/decisions",
                    Map.of("remedies", List.of(), "courses", List.of("REPAIR"), "reason", "Both."))
                .status())
        .isEqualTo(400);
  }

  @Test
  void pricesAreTheLeadsAndAListIsTakenInWholeOrNotAtAll(RunningServer.Shop shop) {
    ShopClient mara = shop.signedIn("mara");
    String good = "part,words,price\nfan,Quiet fan,31.50\nsocket,Charging socket,18\n";
    String bad = "part,words,price\nfan,Loud fan,9.00\nsandwich,Cheese,2.00\nfan,,1\n";

    assertThat(shop.signedIn().post("/api/prices/list", Map.of("csv", good)).status())
        .isEqualTo(403);
    ShopClient.Answer refused = mara.post("/api/prices/list", Map.of("csv", bad));
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.body().get("detail").stringValue())
        .contains("Line 3 names no sort of part")
        .contains("Line 4 needs words");
    assertThat(mara.post("/api/prices/list", Map.of("csv", good)).body().get("lines").intValue())
        .isEqualTo(2);
    assertThat(mara.get("/api/prices").body().get("prices").toString())
        .contains("Quiet fan")
        .doesNotContain("Loud fan");
    Map<String, Object> off = new HashMap<>();
    off.put("part", "fan");
    off.put("words", "Quiet fan");
    off.put("amount", null);
    assertThat(mara.put("/api/prices/part", off).status()).isEqualTo(204);
    assertThat(mara.get("/api/prices").body().get("prices").toString()).doesNotContain("Quiet fan");
  }

  @Test
  void aTariffInNoCurrencyOrBelowNothingIsRefused(RunningServer.Shop shop) {
    ShopClient mara = shop.signedIn("mara");
    Map<String, Object> tariff = new HashMap<>();
    tariff.put("currency", "EUR");
    tariff.put("perHour", 66);
    tariff.put("perHourOf", Map.of("REPLACE_PART", 72, "RECOVER_DATA", 84));
    tariff.put("minimum", 25);
    tariff.put("taxPercent", 25);
    tariff.put("taxShown", true);

    assertThat(mara.put("/api/prices/tariff", tariff).status()).isEqualTo(204);
    tariff.put("currency", "QQQ");
    assertThat(mara.put("/api/prices/tariff", tariff).status()).isEqualTo(400);
    tariff.put("currency", "EUR");
    tariff.put("perHour", -1);
    assertThat(mara.put("/api/prices/tariff", tariff).status()).isEqualTo(400);
    assertThat(mara.get("/api/prices").body().at("/tariff/perHour").decimalValue())
        .isEqualByComparingTo("66");
  }
}
