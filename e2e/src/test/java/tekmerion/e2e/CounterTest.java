package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tekmerion.launch.Child;
import tekmerion.launch.ProbeProcess;
import tekmerion.launch.ShopClient;

/** The counter and a shared bench screen, in a browser; each test signs in anew. */
class CounterTest {
  private static Whole whole;
  private static Browser browser;
  private static Conversation talk;

  @BeforeAll
  static void start() {
    whole = new Whole();
    browser = new Browser(whole.home(), whole.address());
    talk = new Conversation(browser);
  }

  @AfterAll
  static void stop() {
    browser.close();
    whole.close();
  }

  @BeforeEach
  void signInAtTheCounter() {
    browser.signInAnew("joao");
  }

  /**
   * As on a telephone whose browser reads no codes by itself: the label as it is printed, before
   * the camera, once with nothing before it.
   */
  @Test
  void theCameraOpensTheJobOfALabel(@TempDir Path folder) throws Exception {
    byte[] pdf = whole.signedIn().download("/api/jobs/J-2291/label.pdf").orElseThrow();
    Path pictures = folder.resolve("label.y4m");
    HeldBeforeACamera.write(pictures, pdf);
    List<String> camera =
        List.of(
            "--use-fake-device-for-media-stream",
            "--use-fake-ui-for-media-stream",
            "--use-file-for-fake-video-capture=" + pictures);
    try (Browser phone = new Browser(whole.home(), whole.address(), camera)) {
      phone.size(390, 844);
      phone.open("/");
      phone.signIn("ines", Whole.PASSWORD);
      phone.seeHeading("need a person");
      phone.see(By.xpath("//button[@aria-label='Find a job, serial or customer']")).click();
      phone.press("Scan with the camera");
      Await.until("the label's job", () -> phone.path().equals("/job/J-2291"));
    }
  }

  /** Everybody sees that it knocks; who works at the bench lets it in. */
  @Test
  void aMachineThatKnocksIsLetInByTheDigitsOfItsScreen(@TempDir Path folder) throws Exception {
    browser.open("/");
    Child probe =
        ProbeProcess.start(whole.home(), folder, whole.address(), "sim:sound-drive", null);
    browser.seeText("A machine knocks");
    assertThat(browser.hasText("Let it in")).isFalse();

    browser.signInAnew("ines");
    browser.seeText("A machine knocks");
    browser.press("Let it in");
    browser.see(By.name("digits"));
    assertAccessible();
    browser.see(By.name("digits")).sendKeys(Knocks.digitsOn(probe), Keys.ENTER);

    Await.until("it is on", () -> probe.output().contains("On the bench link"));
    Await.until("nothing knocks any more", () -> !browser.hasText("A machine knocks"));
    probe.close();
  }

  private static void assertAccessible() {
    assertThat(browser.complaints()).isEmpty();
  }

  /** Only keys; what the owner does not say is skipped. */
  @Test
  void takesAMachineInWithTheKeyboardAloneAndCorrectsIt() throws Exception {
    browser.open("/intake");
    browser.see(By.xpath("//button[normalize-space()='Take something in']"));
    assertAccessible();
    long began = System.nanoTime();
    browser.keys(Keys.ENTER);
    talk.asked("Whose is it?");
    browser.keys("Mina Torvald", Keys.TAB, "0611 22 33", Keys.ENTER);
    talk.asked("Which machine is it?");
    browser.keys("TWA24-O456"); // letter O where the one met before has a zero
    browser.seeText("differs only in letters and digits that look alike");
    assertAccessible();
    browser.keys(Keys.TAB, "Tarnwick", Keys.TAB, "all-in-one", Keys.ENTER);
    talk.asked("What is wrong with it?");
    browser.keys("It stops with an error screen and clicked");
    browser.see(By.cssSelector("button[aria-pressed='true'], button[data-selected]"));
    browser.keys(Keys.ENTER);
    talk.asked("What exactly does the screen say?");
    browser.keys(Keys.ESCAPE);
    talk.asked("Any noise, smell, heat or swelling?"); // tells most after what was said
    browser.keys("1", Keys.ENTER);
    talk.skipTo("How far does it get");
    assertAccessible();
    browser.keys("6", Keys.ENTER);
    talk.skipTo("Is the data on it wanted?");
    browser.keys("1", Keys.ENTER);
    talk.asked("What stays here with it?");
    browser.keys("1", Keys.ENTER);
    talk.asked("Does it need a password?");
    browser.keys("kelp", Keys.ENTER);
    talk.asked("When shall it be ready?");
    assertAccessible();
    browser.keys("2", Keys.ENTER);
    talk.asked("what was skipped stays unknown");
    browser.keys(Keys.ENTER);
    browser.seeText("is taken in");
    String taken = browser.path().replace("/job/", "");
    browser.keys(Keys.TAB, Keys.ENTER);
    browser.see(By.cssSelector("a[href='/job/%s']".formatted(taken)));
    browser.seeText("Mina Torvald");
    double seconds = (System.nanoTime() - began) / 1e9;
    System.out.printf("A machine was taken in with the keyboard in %.0f s%n", seconds);

    assertThat(browser.path()).isEqualTo("/");
    assertThat(browser.texts(By.cssSelector("a[href='/job/%s']".formatted(taken))).get(0))
        .contains("Tarnwick all-in-one")
        .contains("nobody has it");
    assertAccessible();
    correctsPhraseByPhrase(taken);
  }

  private void correctsPhraseByPhrase(String taken) {
    browser.open("/job/" + taken);
    browser.press("▾");
    browser.click(By.xpath("//*[@role='menuitem'][.='Correct what was said']"));
    browser.seeHeading(taken + ": correct what was said");
    browser.seeText("a limited start");
    browser.press("a limited start");
    talk.asked("How far does it get");
    browser.keys("7", Keys.ENTER);
    browser.press("Keep the correction");

    browser.seeText("Intake corrected");
    browser.see(By.xpath("//ol[@aria-label='How far it gets: Desktop']"));
  }

  @Test
  void twoAtOneDraftKeepBothOrChoose() throws Exception {
    ShopClient mara = whole.signedIn("mara");
    browser.open("/intake");
    browser.press("Take something in");
    talk.asked("Whose is it?");
    String id = browser.path().replace("/intake/", "");
    browser.keys("Two Hands");
    browser.seeText("Draft kept");

    other(mara, id, "complaint", "It is slow"); // another answer
    browser.seeText("It is slow");
    browser.seeText("Two Hands");

    browser.offline(true);
    browser.keys(" Ltd");
    other(mara, id, "customerName", "Two Hands and Sons");
    browser.offline(false);
    browser.keys("."); // sent together with what could not be sent

    browser.seeText("Two people changed the same answer");
    browser.seeText("Mara T. has changed the same answer meanwhile.");
    assertAccessible();
    browser.press("Put mine");
    Await.until(
        "the answer put through",
        () ->
            mara.get("/api/intakes/" + id)
                .body()
                .at("/answers/customerName")
                .asString("")
                .equals("Two Hands Ltd."));
  }

  private static void other(ShopClient who, String id, String field, String value) {
    long version = who.get("/api/intakes/" + id).body().get("version").longValue();
    ShopClient.Answer answer =
        who.patch(
            "/api/intakes/" + id, Map.of("version", version, "changes", Map.of(field, value)));
    assertThat(answer.status()).isEqualTo(200);
  }

  @Test
  void aScannedLabelOpensItsJobFromAnywhereEvenFromAField() {
    browser.open("/");
    browser.seeText("J-2291");
    scan("TKJ22913", "/job/J-2291");
    browser.seeText("Bakery on the quay");

    browser.open("/intake");
    browser.press("Take something in");
    talk.asked("Whose is it?");
    scan("TKJ22921", "/job/J-2292"); // 4, 1, 9, 0 → (12 − 0) mod 11 = 1
    browser.seeText("Net loft");
  }

  /** A scanner is told by how fast it types. On a machine that stalls it is held again. */
  private static void scan(String code, String opens) {
    boolean isOpen = false;
    for (int i = 0; i < 3 && !isOpen; i++) {
      browser.keys(code + Keys.ENTER);
      isOpen = browser.comesTo(opens);
    }
    assertThat(browser.path()).isEqualTo(opens);
  }

  @Test
  void findsWithTheKeyboardAlone() {
    browser.open("/");
    browser.seeText("J-2291");
    browser.keys("/");
    browser.see(By.cssSelector("[role=combobox]"));
    browser.keys("2207-1");
    browser.seeText("1 found");
    assertThat(browser.texts(By.tagName("mark"))).contains("2207-1");
    assertAccessible();
    browser.keys(Keys.ENTER);
    browser.seeText("Freezes on the logo");
    assertThat(browser.path()).isEqualTo("/job/J-2291");
  }

  @Test
  void aDriveInAnotherMachineBringsItsHistory() {
    ShopClient shop = whole.signedIn();
    browser.open("/job/J-2291");
    whole.startProbe(1, "sim:worn-disk,20", shop.enrolmentCode(1));
    browser.seeText("Bay 1 · probe on");
    browser.keys("n");
    browser.seeText("HELM-1000S");
    whole.stopProbes();

    whole.startProbe(5, "sim:worn-disk,20", shop.enrolmentCode(5)); // the same drive
    browser.keys("5");
    browser.seeText("Bay 5 · probe on");
    browser.press("Take the reading"); // whatever else tells more by now
    browser.seeText("met before: J-2291, Ostrel 17 laptop");
    browser.seeText("Drive A met before");
    browser.follow("Its history");

    browser.seeHeading("Drive that has been in 2 machines");
    assertThat(browser.texts(By.cssSelector("main li"))).anyMatch(row -> row.contains("– now"));
    assertAccessible();
  }

  @Test
  void theBellRingsAndWhatIsLateStandsOut() throws SQLException {
    whole.execute(
        "UPDATE job SET promised_at = UTC_TIMESTAMP() + INTERVAL 4 MINUTE WHERE number = 'J-2291'");
    whole.execute(
        "UPDATE job SET promised_at = UTC_TIMESTAMP() - INTERVAL 4 MINUTE WHERE number = 'J-2292'");
    browser.open("/");

    browser.see(By.xpath("//a[@href='/job/J-2291'][contains(.,'likely late')]"));
    browser.see(By.xpath("//a[@href='/job/J-2292'][contains(.,'promised time has passed')]"));
    browser.seeHeading("are late or will be");
    assertAccessible();
  }

  @Test
  void theWallIsReadFromFourMetres() {
    browser.open("/wall");
    browser.see(By.cssSelector("main ul a b"));
    assertThat(browser.has(By.cssSelector("header nav"))).isFalse();
    // 4 m at about 26 px on a 1280-pixel wide screen of a metre: over 0.25 degrees.
    assertThat(
            browser.number(
                "Math.min(...[...document.querySelectorAll('main ul a b, main ul a span, main h2')]"
                    + ".filter(e => e.getBoundingClientRect().width > 2)"
                    + ".map(e => parseFloat(getComputedStyle(e).fontSize)))"))
        .isGreaterThanOrEqualTo(26);
    assertAccessible();
    browser.follow("Leave the wall screen");
  }

  @Test
  void theScreenIsSwitchedWithAPin() {
    pinFor("bo", "4711");
    browser.press("João P.");
    browser.type("Sign-in name", "bo");
    browser.type("Their password", Whole.PASSWORD);
    browser.press("Sign in beside");
    browser.see(By.xpath("//button[contains(@aria-label,'Bo K.')]"));
    browser.press("Bo K.");
    browser.type("Sign-in name", "joao");
    browser.type("Their password", Whole.PASSWORD);
    browser.press("Sign in beside");
    browser.see(By.xpath("//button[contains(@aria-label,'João P.')]"));

    browser.press("João P.");
    browser.type("PIN of Bo K.", "1234");
    browser.press("Switch");
    browser.seeText("The PIN is wrong.");
    assertAccessible();
    browser.type("PIN of Bo K.", "4711");
    browser.press("Switch");

    browser.see(By.xpath("//button[contains(@aria-label,'Bo K.')]"));
    browser.open("/me");
    browser.seeHeading("Bo K., with a PIN");
    assertAccessible();
  }

  private static void pinFor(String name, String pin) {
    ShopClient.Answer answer =
        whole.signedIn(name).put("/api/me/pin", Map.of("password", Whole.PASSWORD, "pin", pin));
    assertThat(answer.status()).isEqualTo(204);
  }

  @Test
  void filtersByPersonAndAnsweredViewsAreAccessible() {
    browser.signInAnew("bo");
    browser.open("/");
    browser.seeHeading("need");
    int all = browser.texts(By.cssSelector("main ul > li")).size();
    browser.choose("Whose", "mine");
    List<String> mine = browser.texts(By.cssSelector("main ul > li"));
    assertThat(mine).hasSizeLessThan(all).allMatch(row -> row.contains("yours"));

    long customer =
        whole.signedIn("bo").get("/api/jobs/J-2279").body().get("customerId").longValue();
    browser.open("/customer/" + customer);
    browser.seeHeading("Choir library: 1 machine in the shop");
    assertAccessible();
  }

  @Test
  void aLeadInvitesAndSomebodyNewJoins() {
    browser.press("João P.");
    browser.type("Sign-in name", "mara");
    browser.type("Their password", Whole.PASSWORD);
    browser.press("Sign in beside");
    browser.see(By.linkText("People"));
    browser.follow("People");
    browser.seeHeading("4 people work here");
    browser.type("Name of somebody new", "Kaja V.");
    browser.press("Invite");
    String code =
        browser.see(By.xpath("//*[@role='status']/*[last()][string-length(.) = 9]")).getText();
    assertAccessible();

    browser.open("/join/" + code);
    browser.seeHeading("Join with your invitation");
    assertAccessible();
    browser.type("Sign-in name", "kaja");
    browser.type("New password, at least 10 characters", "long enough 1");
    browser.press("Join");

    browser.see(By.xpath("//button[contains(@aria-label,'Kaja V.')]"));
    browser.seeHeading("need");
  }
}
