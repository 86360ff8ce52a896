package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** A technician's first day, in one browser: one story, as each step needs those before it. */
class JourneyTest {
  private static final By CAUSES = By.cssSelector("[aria-label='Causes, likeliest first'] > li");
  private static final By WEIGHTS = By.cssSelector("section[aria-label^='Why'] li");
  private static Whole whole;
  private static Browser browser;

  @BeforeAll
  static void start() {
    whole = new Whole();
    browser = new Browser(whole.home(), whole.address());
  }

  @AfterAll
  static void stop() {
    browser.close();
    whole.close();
  }

  @Test
  void aTechniciansFirstDay() {
    signsIn();
    putsAProbeOnTheBayWithACodeFromTheScreen();
    readsTheDriveLiveWithoutAReload();
    showsWhatItCouldBeAndWhy();
    rulesButNotOverTheOwnersData();
    findsItAllAgainAfterARestartOfEverything();
    theHealthyAndTheGarbledEndAreSeenToo();
  }

  private void signsIn() {
    browser.open("/");
    browser.signIn(Whole.PERSON, "guess");
    browser.seeText("Name and password do not go together.");
    assertAccessible();

    browser.signIn(Whole.PERSON, Whole.PASSWORD);

    browser.seeHeading("Ten machines need a person");
    assertAccessible();
  }

  private void putsAProbeOnTheBayWithACodeFromTheScreen() {
    browser.follow("J-2291");
    browser.seeText("There is no probe in bay 1.");
    browser.press("Bay 1 · no probe");
    browser.press("Show an enrolment code");
    String command =
        browser.see(By.xpath("//*[starts-with(text(),'./tekmerion probe')]")).getText();
    String code = command.replaceFirst(".*--code (\\S+).*", "$1").replaceAll("\\s", "");
    assertThat(code).matches("[A-Z2-9]{4}-[A-Z2-9]{4}");
    assertAccessible();
    browser.press("Close");

    whole.startProbe(1, "sim:worn-disk,900", code);

    browser.seeText("Bay 1 · probe on");
  }

  private void readsTheDriveLiveWithoutAReload() {
    browser.markPage();

    browser.key("n");

    browser.seeText("Reading SMART READ DATA");
    browser.seeText("sectors are pending");
    browser.seeText("HELM-1000S · OS7K-44019-B");
    assertThat(browser.isPageStillMarked()).isTrue();
  }

  private void showsWhatItCouldBeAndWhy() {
    browser.seeHeading("Drive A is failing");
    browser.click(By.xpath("//button[contains(.,'more, each under')]"));
    assertThat(browser.texts(CAUSES)).hasSizeGreaterThanOrEqualTo(6);
    assertThat(browser.texts(WEIGHTS))
        .anyMatch(row -> row.matches("(?s).*sectors are pending.*\\+\\d.*"));
    browser.click(By.xpath("//button[contains(.,'against it')]"));
    assertThat(browser.texts(WEIGHTS)).anyMatch(row -> row.contains("−"));
    assertAccessible();

    browser.click(
        By.xpath(
            "//section[starts-with(@aria-label,'Why')]//button[contains(.,'sectors are pending')]"));
    browser.seeText("Pinheiro, Weber");
    browser.click(By.xpath("//a[contains(.,'of the page')]"));

    browser.seeHeading("sectors are pending");
    assertThat(browser.texts(By.cssSelector("td[data-marked]"))).hasSize(12).startsWith("c5");
    assertAccessible();
  }

  private void rulesButNotOverTheOwnersData() {
    browser.key("1");
    browser.press("Decide");
    browser.seeHeading("Recover the data, then replace drive A");
    assertAccessible();
    browser.press("Put together your own");
    browser.see(
        By.xpath(
            "//label[contains(.,'Reset the system, erasing')][contains(.,'Cannot be signed yet')]"));
    assertAccessible();
    browser.press("Leave it");

    long version = whole.signedIn().get("/api/jobs/J-2291").body().get("version").longValue();
    String erase =
        "{\"version\":%d,\"courses\":[\"RESET_ERASING\"],\"reason\":\"forced\"}".formatted(version);
    assertThat(browser.statusOf("POST", "/api/jobs/J-2291/decisions", erase)).isEqualTo(423);

    browser.type("In your words, for the next of us", "Count grows, self-test fails on reading.");
    browser.press("Sign the decision");

    browser.seeText("Signed and kept.");
    browser.seeText("Count grows, self-test fails on reading.");
    browser.seeHeading("Decided: Recover the data, then replace drive A");
  }

  private void findsItAllAgainAfterARestartOfEverything() {
    whole.stopProbes();
    whole.stopServer();
    whole.stopDatabase();

    whole.startDatabase();
    whole.startServer();
    whole.startProbe(1, "sim:worn-disk,100", null);
    browser.open("/job/J-2291");

    browser.press("Open the diagnosis");
    browser.seeHeading("Drive A is failing");
    browser.seeText("Decided by Ines R.");
    browser.seeText("Bay 1 · probe on");
    browser.follow("See the reading");
    browser.seeHeading("sectors are pending");
  }

  private void theHealthyAndTheGarbledEndAreSeenToo() {
    var shop = whole.signedIn();
    whole.startProbe(2, "sim:sound-drive,50", shop.enrolmentCode(2));
    whole.startProbe(3, "sim:bad-bridge,50", shop.enrolmentCode(3));

    browser.key("2");
    browser.seeText("Bay 2 · probe on");
    browser.key("n");
    browser.seeText("240 GB solid-state drive");
    browser.followTheReading();
    browser.seeHeading("The drive reports no trouble with its sectors");

    browser.key("3");
    browser.seeText("Bay 3 · probe on");
    browser.key(Keys.chord("n"));
    browser.seeHeading("Perhaps the cable, port or adapter of drive A is bad");
    browser.followTheReading();
    browser.seeHeading("SMART READ DATA fails its own checksum: it cannot be trusted");
    browser.seeText("The bytes are kept");
    assertAccessible();
  }

  private static void assertAccessible() {
    assertThat(browser.complaints()).isEmpty();
  }
}
