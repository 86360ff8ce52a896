package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import tekmerion.launch.Child;
import tekmerion.launch.ShopClient;

/** Memory, battery and work of machines with probes on them, from the browser to the weighing. */
class PartRunsTest {
  private static Whole whole;
  private static Browser browser;
  private static ShopClient shop;

  @BeforeAll
  static void start() {
    whole = new Whole();
    shop = whole.signedIn();
    browser = whole.browserOf(Whole.PERSON);
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  @AfterEach
  void nothingIsHeldAgainstThePage() {
    assertThat(browser.complaints()).isEmpty();
  }

  /** Module B is bad; it is known again in the other slot by its serial. */
  @Test
  void aMarchNamesTheLaneAndTheModuleIsKnownWhereverItSits() throws Exception {
    Child probe = whole.startProbe(7, "sim:bad-module,5,2000", shop.enrolmentCode(7));
    browser.open("/memory/J-2270");
    browser.seeText("2 of its 2 slots filled");
    browser.seeText("5D01A7F9");

    browser.press("Start this run");
    browser.seeText("all in byte lane 2");
    browser.seeHeading("Its memory errs: which module, or which slot?");
    browser.press("Begin the isolation");
    browser.seeText("No start yet");
    browser.press("It failed");
    browser.see(By.xpath("//td[.='1']"));
    probe.close();
    whole.startProbe(7, "sim:bad-module,5,2000,-B", null);

    browser.seeText("The machine tells that it sits so now");
    String second =
        shop.get("/api/jobs/J-2270/memory").body().at("/isolation/things/1/name").stringValue();
    assertThat(browser.texts(By.cssSelector("button[aria-haspopup='listbox']")).get(1))
        .contains(second);
    browser.open("/job/J-2270");
    browser.press("Open the diagnosis"); // what was decided comes first
    browser.seeText("A memory module");
  }

  @Test
  void aBatteryIsRunDownAndMeasured() {
    whole.startProbe(8, "sim:tired-battery,5,400", shop.enrolmentCode(8));
    browser.open("/battery/J-2290");
    browser.seeHeading("It says that it holds 47 % of what a new one does");

    browser.press("Start this run");
    browser.seeText("It is being run down");
    browser.seeHeading("of what a new one does, measured");

    browser.seeText("self-report");
    browser.open("/job/J-2290");
    browser.press("Open the diagnosis");
    browser.seeText("The battery is worn");
  }

  @Test
  void aChangeIsSeenInTheMachinesWork() throws Exception {
    Child busy = whole.startProbe(9, "sim:busy-drive,5,6000", shop.enrolmentCode(9));
    browser.open("/work/J-2288");
    browser.press("Start this run");
    browser.seeHeading("Drive sda is busy for 97 % of the time; file indexer takes 31 %");
    busy.close();
    browser.seeText("Not now: No probe is connected in bay 9.");
    whole.startProbe(9, "sim:busy-drive,5,6000,calm", null);

    browser.see(
        By.xpath("//button[@aria-label='Start this run: Sample its work' and not(@disabled)]"));
    browser.press("Start this run");

    // Calm, its drive is busy for about 11 % of the time.
    browser.seeHeading("Drive sda fell from 97 to 1");
    browser.seeHeading("%, certain");
  }
}
