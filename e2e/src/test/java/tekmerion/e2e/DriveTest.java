package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** A drive on the bench, tested from its own page: the story of one run, step by step. */
class DriveTest {
  private static final int BAY = 1;
  private static final String PAGE = "/drive/J-2291/drive-a";
  private static final String API = "/api/jobs/J-2291/parts/drive-a";
  private static final By PROFILE = By.cssSelector("canvas[aria-label^='Latency by position']");
  private static Whole whole;
  private static Browser browser;
  private static ShopClient shop;

  @BeforeAll
  static void start() throws Exception {
    whole = new Whole();
    browser = whole.browserOf(Whole.PERSON);
    shop = whole.signedIn();
    whole.startProbe(BAY, "sim:worn-disk,20,240", shop.enrolmentCode(BAY));
    browser.open("/job/J-2291");
    browser.seeText("Bay 1 · probe on");
    browser.key("n");
    Await.until("it is read", () -> drive().has("latestReading"));
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  private static JsonNode drive() {
    return shop.get(API).body();
  }

  private static JsonNode run() {
    return drive().at("/runs/0");
  }

  /** The move of that name, which other tests walk through. */
  private static void listen() {
    long version = shop.get("/api/jobs/J-2291").body().get("version").longValue();
    String heard =
        "{\"version\":%d,\"part\":\"drive-a\",\"note\":\"\",\"levels\":"
            .formatted(version)
            .concat("{\"drive.sound\":\"normal\",\"drive.hand-warm\":\"warm\"}}");
    assertThat(browser.statusOf("POST", "/api/jobs/J-2291/moves/drive-listen/outcome", heard))
        .isEqualTo(204);
  }

  /**
   * What was on its way when it was paused may come in still; a running pass tells every second.
   */
  private static double stoodStill() throws InterruptedException {
    for (int i = 0; i < 10; i++) {
      double kept = share();
      Thread.sleep(1_500);
      if (share() == kept) {
        return kept;
      }
    }
    throw new AssertionError("it is paused and goes on all the same");
  }

  private static double share() {
    return run().get("share").asDouble(0);
  }

  @Test
  void aSurfacePassFromItsStartToItsSectors() throws Exception {
    startsASurfacePassWithKeysAlone();
    showsItOnTheFloorAndInTheBay();
    pausesAndGoesOn();
    survivesSigkillOfProbeAndServer();
    locksWhatWouldLoadADriveThatIsFailing();
    zoomsToTheSectorWithKeys();
    tellsTheFieldUnderTheCursor();
  }

  private void startsASurfacePassWithKeysAlone() throws Exception {
    browser.open(PAGE);
    browser.seeText("Its surface has not been read yet");
    // Its owner heard it click once: until somebody has listened, nothing works it for long.
    assertThat(browser.statusOf("POST", API + "/runs", "{\"kind\":\"SURFACE_SCAN\"}"))
        .isEqualTo(423);
    listen();

    browser.tabTo("Test…");
    browser.key(Keys.ENTER);
    browser.seeText("reads a random sample");
    assertThat(browser.complaints()).isEmpty();
    browser.tabTo("Start this run: Surface scan");
    browser.key(Keys.ENTER);

    browser.seeText("With 95 % confidence at most");
    browser.seeText("Ends about");
    assertThat(browser.complaints()).isEmpty();
  }

  private void showsItOnTheFloorAndInTheBay() {
    browser.open("/");

    browser.see(By.xpath("//a[contains(.,'J-2291')][contains(.,'Surface')][contains(.,'%')]"));
  }

  private void pausesAndGoesOn() throws Exception {
    browser.open(PAGE);
    browser.press("Pause");
    browser.seeText("Kept as it is; it goes on from here.");
    double kept = stoodStill();

    browser.press("Go on with the run");

    Await.until("it goes on", () -> share() > kept);
  }

  private void survivesSigkillOfProbeAndServer() throws Exception {
    String id = run().get("id").asString();
    double before = share();
    whole.killProbe(BAY);
    whole.killServer();

    whole.startServer();
    whole.startProbe(BAY, "sim:worn-disk,20,240", null);

    Await.until("it goes on", () -> share() > before);
    assertThat(run().get("id").asString()).isEqualTo(id);
    Await.until("it ends", () -> run().get("state").asString().equals("ENDED"));
    // It leans to failing by what was read of it: the pass is gentle and gives up among damage.
    assertThat(run().get("end").asString()).isEqualTo("STOPPED_BY_RULE");
    assertThat(run().at("/result/bad").size()).isGreaterThanOrEqualTo(10);
    assertThat(whole.count("SELECT COUNT(*) FROM run_result")).isOne();
    browser.open(PAGE);
    browser.see(By.xpath("//h1[contains(.,'Drive A')]"));
    browser.seeText("stopped to spare it");
  }

  private void locksWhatWouldLoadADriveThatIsFailing() {
    browser.press("Test…");

    browser.seeText("and drive A must be spared");
    browser.see(By.cssSelector("button[aria-label='Start this run: Surface scan'][disabled]"));
    browser.see(
        By.cssSelector("button[aria-label='Start this run: Surface sample']:not([disabled])"));
    assertThat(browser.statusOf("POST", API + "/runs", "{\"kind\":\"SURFACE_SCAN\"}"))
        .isEqualTo(423);
    browser.key(Keys.ESCAPE);
  }

  private void zoomsToTheSectorWithKeys() {
    browser.see(PROFILE).click();

    browser.keys("+", "+", "+", "+");
    browser.see(By.xpath("//span[@aria-live='polite'][contains(.,'shown')]"));
    String place = browser.see(PROFILE).getDomAttribute("aria-label");
    browser.key(Keys.ARROW_RIGHT);
    assertThat(browser.see(PROFILE).getDomAttribute("aria-label")).isNotEqualTo(place);
    browser.key("0");

    browser.see(By.xpath("//span[@aria-live='polite'][not(contains(.,'shown'))]"));
  }

  private void tellsTheFieldUnderTheCursor() {
    browser.seeText("pages as they came from the drive");
    browser.follow("IDENTIFY DEVICE");
    browser.see(By.cssSelector("[role=region][aria-label^='Bytes of']")).click();

    // ACS-3 7.12.7.13: words 27..46 are the model; the 54th byte is the first of word 27.
    browser.moveTo(By.cssSelector("td[data-at='54']"));

    browser.seeText("HELM-1000S");
    assertThat(browser.texts(By.cssSelector("td[data-marked]"))).hasSize(40);
    assertThat(browser.complaints()).isEmpty();
  }
}
