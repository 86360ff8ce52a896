package tekmerion.e2e;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tekmerion.launch.BenchMorning;
import tekmerion.launch.ShopClient;

/**
 * Takes docs/screenshots anew: {@code ./tekmerion pictures}. Not named as a test, so that it runs
 * only when asked for.
 */
class Pictures {
  /** A Monday on which the shop is open: the same pictures whenever they are taken. */
  private static final String MORNING = "2026-11-30T10:20";

  @Test
  void ofEveryView() throws Exception {
    try (Whole whole = new Whole(true, MORNING);
        Browser browser = new Browser(whole.home(), whole.address())) {
      Path folder = whole.home().root().resolve("docs/screenshots");
      Files.createDirectories(folder);
      browser.open("/");
      browser.seeHeading("Sign in");
      browser.signIn(Whole.PERSON, Whole.PASSWORD);
      browser.seeHeading("machines need a person");
      ShopClient shop = whole.signedIn();
      BenchMorning.MACHINES.forEach(
          (bay, machine) -> whole.startProbe(bay, machine, shop.enrolmentCode(bay)));
      new BenchMorning(shop, whole::exchange).work();
      takeTheMorning(browser, folder);
      PlansTable.write(shop, folder.resolveSibling("demo-plans.md"));
      whole.startProbe(1, "sim:worn-disk,50,240", shop.enrolmentCode(1));
      whole.startProbe(3, "sim:bad-bridge,50", shop.enrolmentCode(3));

      browser.key("3");
      browser.seeText("Bay 3 · probe on");
      browser.key("n");
      browser.seeText("SMART READ DATA fails its own checksum");
      browser.followTheReading();
      browser.seeHeading("cannot be trusted");

      browser.key("1");
      browser.seeText("Bay 1 · probe on");
      browser.key("n");
      browser.seeHeading("Drive A is failing");
      browser.picture(folder.resolve("job.png"));
      browser.follow("See the reading");
      browser.seeHeading("sectors are pending");
      browser.click(By.xpath("//button[contains(.,'Pending sectors')]"));
      browser.picture(folder.resolve("reading.png"));
      takeRescue(whole, browser, folder);
      takeDrive(whole, browser, folder);
      browser.key("1");
      browser.press("Decide");
      browser.seeText("Sign the decision");
      browser.press("Make the estimate");
      browser.seeText("Print or send");
      browser.picture(folder.resolve("decision.png"));
      takeSteps(browser, folder);

      browser.follow("tekmerion");
      browser.seeHeading("machines need a person");
      browser.picture(folder.resolve("floor.png"));
      browser.open("/wall");
      browser.seeHeading("machines need a person");
      browser.picture(folder.resolve("wall.png"));
      takeIntakeAndTheRest(whole, browser, shop, folder);
    }
  }

  /** What stands in the jobs when the demo is opened for the first time. */
  private static void takeTheMorning(Browser browser, Path folder) {
    browser.open("/memory/J-2270");
    browser.seeText("all in byte lane 2");
    browser.picture(folder.resolve("memory.png"));
    browser.open("/battery/J-2290");
    browser.seeHeading("of what a new one does, measured");
    browser.picture(folder.resolve("battery.png"));
    browser.open("/work/J-2288");
    browser.seeText("between the two samples");
    browser.picture(folder.resolve("work.png"));
    browser.open("/memory/J-2294");
    browser.seeText("3 · Next");
    browser.picture(folder.resolve("isolate.png"));
    browser.open("/rescue/J-2279/drive-a");
    browser.seeText("paused");
    browser.picture(folder.resolve("rescue.png"));
  }

  /** The signed plan, step by step. */
  private static void takeSteps(Browser browser, Path folder) {
    browser.type("In your words, for the next of us", "Pending sectors grow, its self-test stops.");
    browser.press("Sign the decision");
    browser.seeHeading("Decided:");
    browser.open("/job/J-2291");
    browser.seeText("Open the diagnosis");
    browser.picture(folder.resolve("steps.png"));
  }

  /** A failing drive copied and verified, with what its copy lost; and its report. */
  private static void takeRescue(Whole whole, Browser browser, Path folder) throws Exception {
    ShopClient shop = whole.signedIn();
    browser.open("/rescue/J-2291/drive-a");
    browser.click(By.xpath("//button[@aria-label='Start this run: Survey']"));
    browser.seeText("Partition 1");
    browser.click(
        By.xpath("//button[@aria-label='Start this run: Rescue image of what is in use']"));
    Await.until(
        "the drive is copied",
        () ->
            shop.get("/api/jobs/J-2291/parts/drive-a/data")
                .body()
                .get("finding")
                .stringValue()
                .contains("copied, not verified yet"));
    browser.click(By.xpath("//button[@aria-label='Start this run: Check of the image']"));
    browser.seeHeading("copied and verified");
    browser.open("/job/J-2291");
    browser.press("Data copied");
    browser.seeText("The data is");
    browser.seeText("Each drive is named");
    browser.picture(folder.resolve("data.png"));
    browser.press("Leave it as it is");
    browser.open("/job/J-2291/report");
    browser.seeHeading("What became of your");
    browser.picture(folder.resolve("report.png"));
    browser.open("/stock");
    browser.seeText("models met");
    browser.picture(folder.resolve("stock.png"));
  }

  /** Its owner heard clicks: until somebody has listened nothing works it for long. */
  private static void listen(ShopClient shop) {
    ShopClient.Answer heard =
        shop.post(
            "/api/jobs/J-2291/moves/drive-listen/outcome",
            Map.of(
                "version",
                shop.get("/api/jobs/J-2291").body().get("version").longValue(),
                "part",
                "drive-a",
                "levels",
                Map.of("drive.sound", "normal", "drive.hand-warm", "warm"),
                "note",
                ""));
    if (heard.status() != 204) {
      throw new IllegalStateException("not heard: " + heard.body());
    }
  }

  /** In the middle of a surface scan, with its visits of before. */
  private static void takeDrive(Whole whole, Browser browser, Path folder) throws Exception {
    ShopClient shop = whole.signedIn();
    listen(shop);
    browser.open("/drive/J-2291/drive-a");
    browser.press("Test…");
    browser.click(By.cssSelector("button[aria-label='Start this run: Surface scan']"));
    Await.until(
        "the pass has met damage",
        () ->
            shop.get("/api/jobs/J-2291/parts/drive-a").body().at("/runs/0/result/bad").size() > 0);
    browser.seeText("sectors lost");
    browser.picture(folder.resolve("drive.png"));
  }

  private static void takeIntakeAndTheRest(
      Whole whole, Browser browser, ShopClient shop, Path folder) {
    browser.open("/intake");
    browser.press("Take something in");
    browser.seeText("Whose is it?");
    browser.keys("Mina Torvald", Keys.ENTER, "TWA24-0990", Keys.TAB, "Tarnwick", Keys.TAB);
    browser.keys("all-in-one", Keys.ENTER, "Stops with an error screen twice a day", Keys.ENTER);
    browser.keys("MEMORY_REFERENCE", Keys.ENTER);
    browser.seeText("How far does it get");
    browser.keys("6");
    browser.seeText("Draft kept");
    browser.picture(folder.resolve("intake.png"));

    browser.open("/");
    browser.seeHeading("need a person");
    browser.keys("/");
    browser.see(By.cssSelector("[role=combobox]"));
    browser.keys("tarn");
    browser.seeText("type more to narrow it");

    whole.stopProbes();
    whole.startProbe(5, "sim:worn-disk,20", shop.enrolmentCode(5)); // the drive of bay 1
    browser.open("/job/J-2292");
    browser.seeText("Bay 5 · probe on");
    browser.press("Take the reading");
    browser.seeText("met before");
    browser.follow("Its history");
    browser.seeHeading("has been in 2 machines");
    browser.picture(folder.resolve("part.png"));
    browser.open("/");
    browser.seeHeading("need a person");
    browser.press("Ines R.");
    browser.press("Sign out");
    browser.seeHeading("Sign in");
    browser.signIn("mara", Whole.PASSWORD);
    browser.see(By.linkText("People"));
    browser.open("/people");
    browser.seeHeading("people work here");
    browser.open("/know-how");
    browser.seeHeading("findings rest on judgement alone");
    browser.seeText("mended jobs");
    browser.picture(folder.resolve("know-how.png"));
    browser.open("/makers");
    browser.seeHeading("What differs from maker to maker");
    browser.seeText("All of Ostrel");
    browser.open("/records?months=24");
    browser.seeHeading("jobs ended");
    browser.picture(folder.resolve("records.png"));
  }
}
