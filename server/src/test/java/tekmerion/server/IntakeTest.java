package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.LuminanceSource;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.CopyOnWriteArrayList;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Taking in, through the API as the counter's screen uses it. */
@ExtendWith(RunningServer.class)
class IntakeTest {
  private static JsonNode job(ShopClient shop, String number) {
    return shop.get("/api/jobs/" + number).body();
  }

  @Test
  void whatIsSkippedStaysUnknownAndWhatIsDeniedIsNo(RunningServer.Shop shop) throws Exception {
    Talk talk = Talk.begin(shop.signedIn("joao"));
    talk.of("Elin Quist", "Ostrel", "14 laptop", "It is slow")
        .say(Map.of("said", Map.of("senses", List.of()), "unknown", List.of("boot-stage")));

    String number = talk.takeIn();

    String findings =
        "SELECT COUNT(*) FROM job_finding s JOIN job j ON j.id = s.job_id WHERE j.number = '"
            + number
            + "' AND s.finding_id = ";
    assertThat(shop.count(findings + "'noise.clicks' AND s.level = 'quiet'")).isOne();
    assertThat(shop.count(findings + "'boot-stage'")).isZero();
    assertThat(shop.count(findings + "'change.update'")).isZero();
    assertThat(job(shop.signedIn(), number).get("bootStage").isNull()).isTrue();
  }

  @Test
  void everyAnswerWeighsAndTheRestIsRankedByWhatItWouldTell(RunningServer.Shop shop) {
    Talk talk = Talk.begin(shop.signedIn("joao"));
    talk.say(Map.of("complaint", "Freezes on the logo"));
    assertThat(talk.view().at("/families/0").stringValue()).isEqualTo("mount-failure");
    double before = failingDrive(talk);
    double bits = talk.view().at("/ask/0/bits").doubleValue();

    talk.say(Map.of("said", Map.of("senses", List.of("clicks"))));

    assertThat(failingDrive(talk)).isGreaterThan(before);
    assertThat(bits).isPositive();
    assertThat(talk.view().get("ask").valueStream().map(a -> a.get("question").stringValue()))
        .doesNotContain("senses");
    assertThat(talk.view().get("ask").valueStream().mapToDouble(a -> a.get("bits").doubleValue()))
        .isSortedAccordingTo((a, b) -> Double.compare(b, a));
  }

  private static double failingDrive(Talk talk) {
    return talk.view()
        .get("causes")
        .valueStream()
        .filter(c -> c.get("name").stringValue().equals("Failing drive"))
        .findFirst()
        .orElseThrow()
        .get("probability")
        .doubleValue();
  }

  @Test
  void aJobNeedsAnOwnerAThingAndAComplaint(RunningServer.Shop shop) {
    Talk talk = Talk.begin(shop.signedIn("joao")).say(Map.of("customerName", "Elin Quist"));

    ShopClient.Answer answer = talk.tryToTakeIn();

    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.body().get("detail").stringValue())
        .isEqualTo("Still missing: which machine it is, the complaint.");
    assertThat(talk.patch(Map.of("waiver", Map.of("name", "forged"))).status()).isEqualTo(400);
    assertThat(talk.patch(Map.of("favouriteColour", "green")).status()).isEqualTo(400);
    assertThat(talk.patch(Map.of("maker", "x".repeat(121))).status()).isEqualTo(400);
  }

  @Test
  void twoAtOneDraftBothKeepTheirsOrAreToldWhoWasFaster(RunningServer.Shop shop) {
    Talk joao = Talk.begin(shop.signedIn("joao")).say(Map.of("customerName", "Net loft"));
    Talk mara = joao.seenBy(shop.signedIn("mara"));

    joao.say(Map.of("maker", "Tarnwick", "model", "desk tower"));
    mara.say(Map.of("complaint", "It is slow")); // another answer: both are kept
    ShopClient.Answer same = mara.seenBy(shop.signedIn("mara")).patch(Map.of("maker", "Tarnwick"));
    ShopClient.Answer late =
        shop.signedIn("bo")
            .patch(
                "/api/intakes/" + joao.view().get("id").stringValue(),
                Map.of("version", 1, "changes", Map.of("maker", "Ostrel")));

    JsonNode answers = joao.refresh().view().get("answers");
    assertThat(answers.get("maker").stringValue()).isEqualTo("Tarnwick");
    assertThat(answers.get("complaint").stringValue()).isEqualTo("It is slow");
    assertThat(same.status()).isEqualTo(200); // the same answer is no conflict
    assertThat(late.status()).isEqualTo(409);
    assertThat(late.body().get("detail").stringValue())
        .isEqualTo("João P. has changed the same answer meanwhile.");
  }

  @Test
  void twoCountersAtOnceGetTwoNumbers(RunningServer.Shop shop) throws Exception {
    Talk one = Talk.begin(shop.signedIn("joao")).of("One", "Ostrel", "a", "slow");
    Talk two = Talk.begin(shop.signedIn("mara")).of("Two", "Ostrel", "b", "slow");
    List<String> numbers = new CopyOnWriteArrayList<>();
    Thread first = new Thread(() -> numbers.add(one.takeIn()));
    Thread second = new Thread(() -> numbers.add(two.takeIn()));

    first.start();
    second.start();
    first.join();
    second.join();

    assertThat(numbers).hasSize(2).doesNotHaveDuplicates();
    assertThat(one.tryToTakeIn().status()).isEqualTo(200); // again: a correction, not a second job
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM job j JOIN customer c ON c.id = j.customer_id"
                    + " WHERE c.display_name = 'One'"))
        .isOne();
  }

  @Test
  void aCorrectionIsAddedNotWrittenOver(RunningServer.Shop shop) throws Exception {
    ShopClient joao = shop.signedIn("joao");
    Talk talk = Talk.begin(joao).of("Dag Holm", "Ostrel", "till 12", "It is slow");
    talk.say(Map.of("said", Map.of("boot-stage", List.of("loader"))));
    String number = talk.takeIn();

    talk.say(
        Map.of("said", Map.of("boot-stage", List.of("desktop")), "complaint", "It is slow, hot"));
    talk.takeIn();
    JsonNode job = job(joao, number);
    talk.say(Map.of("said", Map.of()));
    talk.takeIn();

    assertThat(job.get("bootStage").stringValue()).isEqualTo("desktop");
    assertThat(job.get("journal").toString())
        .contains("Intake corrected")
        .contains("complaint, what was said");
    assertThat(job(joao, number).get("bootStage").isNull()).isTrue();
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM job_finding s JOIN job j ON j.id = s.job_id WHERE j.number = '"
                    + number
                    + "' AND s.finding_id = 'boot-stage'"))
        .isEqualTo(3); // loader, desktop, taken back
    assertThat(job(joao, number).at("/weighing/causes/0/weights").toString())
        .doesNotContain("as far as");
  }

  @Test
  void theOwnersSignatureIsKeptWithItsWording(RunningServer.Shop shop) throws Exception {
    ShopClient joao = shop.signedIn("joao");
    Talk talk = Talk.begin(joao).of("Kaja Lobo", "Norrvik", "mini", "It is dead");
    Map<String, ?> drawn =
        Map.of("version", talk.version(), "name", "Kaja Lobo", "strokes", "M1 2 L30 40 L31 41 ");
    ShopClient.Answer script =
        talk.post(
            "waiver", Map.of("version", talk.version(), "name", "x", "strokes", "M1 2 <script>"));

    assertThat(talk.post("waiver", drawn).status()).isEqualTo(200);
    String number = talk.takeIn();

    assertThat(script.status()).isEqualTo(400);
    assertThat(job(joao, number).at("/data/status").stringValue()).isEqualTo("NOT_ASKED");
    assertThat(job(joao, number).at("/data/saidBy").stringValue()).isEqualTo("Kaja Lobo");
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM data_status_entry WHERE signer = 'Kaja Lobo' AND wording ="
                    + " 'I do not need the data on the drives of this machine. Each may be erased for"
                    + " good once it is named to me.'"))
        .isOne();
  }

  @Test
  void thePasswordIsSealedOpenedOnlyOnTheJobAndGoneAtHandBack(RunningServer.Shop shop)
      throws Exception {
    ShopClient ines = shop.signedIn();
    Talk talk = Talk.begin(shop.signedIn("joao")).of("Noor Sato", "Ostrel", "17", "It is slow");
    talk.put("secret", Map.of("secret", "kelp&salt"));
    String number = talk.takeIn();
    String path = "/api/jobs/" + number;

    assertThat(shop.count("SELECT COUNT(*) FROM sealed_secret WHERE sealed LIKE '%kelp%'"))
        .isZero();
    assertThat(shop.signedIn("joao").post(path + "/secret", null).status()).isEqualTo(403);
    assertThat(ines.post(path + "/secret", null).status()).isEqualTo(403); // not on the job yet
    ines.post(path + "/take", Map.of("version", version(ines, number)));
    ShopClient.Answer opened = ines.post(path + "/secret", null);
    ines.post(
        path + "/end", Map.of("version", version(ines, number), "how", "HANDED_BACK", "note", ""));

    assertThat(opened.body().get("secret").stringValue()).isEqualTo("kelp&salt");
    assertThat(job(ines, number).get("journal").toString()).contains("Owner’s password opened");
    assertThat(ines.post(path + "/secret", null).status()).isEqualTo(409);
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM sealed_secret s JOIN intake i ON i.id = s.intake_id"
                    + " JOIN job j ON j.id = i.job_id WHERE j.number = '"
                    + number
                    + "' AND s.sealed IS NULL AND s.wiped_at IS NOT NULL"))
        .isOne();
  }

  private static long version(ShopClient shop, String number) {
    return JobVersion.of(shop, "/api/jobs/" + number);
  }

  @Test
  void aLooseDriveIsAJobAndIsKnownWhenItAnswers(RunningServer.Shop shop) throws Exception {
    ShopClient joao = shop.signedIn("joao");
    Talk talk = Talk.begin(joao);
    talk.say(Map.of("subject", "DRIVE", "serial", "LD-90871-Q"))
        .of("Oda Ferro", "", "outside drive", "It asks to format");

    String number = talk.takeIn();

    JsonNode job = job(joao, number);
    assertThat(job.get("machine").stringValue()).isEqualTo("outside drive");
    assertThat(job.at("/drives/0/identity").stringValue()).isEqualTo("outside drive · LD-90871-Q");
    assertThat(joao.get("/api/known?serial=ld90871q").body().at("/parts/0/certain").booleanValue())
        .isTrue();
  }

  @Test
  void theLabelsSymbolLeadsBackToTheJob(RunningServer.Shop shop) throws Exception {
    byte[] pdf = shop.signedIn().download("/api/jobs/J-2291/label.pdf").orElseThrow();

    try (PDDocument document = Loader.loadPDF(pdf)) {
      BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 300);
      int[] pixels = page.getRGB(0, 0, page.getWidth(), page.getHeight(), null, 0, page.getWidth());
      LuminanceSource light = new RGBLuminanceSource(page.getWidth(), page.getHeight(), pixels);
      String code =
          new QRCodeReader().decode(new BinaryBitmap(new HybridBinarizer(light))).getText();

      assertThat(code).isEqualTo("TKJ22913"); // check character: LabelCode's test
      assertThat(document.getPage(0).getMediaBox().getWidth()).isBetween(175.7f, 175.8f); // 62 mm
      assertThat(Objects.requireNonNull(document.getDocumentInformation().getTitle()))
          .isEqualTo("Label of J-2291");
    }
    assertThat(shop.signedIn().get("/api/search?q=TKJ22913").body().at("/hits/0/number"))
        .hasToString("\"J-2291\"");
  }

  @Test
  void aDraftCanBePutAsideAndBroughtBack(RunningServer.Shop shop) {
    ShopClient joao = shop.signedIn("joao");
    Talk talk = Talk.begin(joao).say(Map.of("customerName", "Put Aside"));
    String path = "/api/intakes/" + talk.view().get("id").stringValue();

    joao.delete(path);
    String without = joao.get("/api/intakes").body().toString();
    ShopClient.Answer change = talk.patch(Map.of("maker", "Ostrel"));
    joao.post(path + "/bring-back", Map.of());

    assertThat(without).doesNotContain("Put Aside");
    assertThat(change.status()).isEqualTo(409);
    assertThat(joao.get("/api/intakes").body().toString()).contains("Put Aside");
  }
}
