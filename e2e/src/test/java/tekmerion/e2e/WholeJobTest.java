package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import tekmerion.core.port.PageKind;
import tekmerion.launch.Child;
import tekmerion.launch.ShopClient;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;

/** Machines from the counter to the hand-back, without a mouse. */
class WholeJobTest {

  /** Rungs of the ladder by their digits. */
  private static final String DESKTOP = "7";

  private static final String NOTHING = "0";
  private static Whole whole;
  private static Browser browser;
  private static Conversation talk;

  @BeforeAll
  static void start() {
    whole = new Whole();
    browser = whole.browserOf(Whole.PERSON);
    talk = new Conversation(browser);
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  @AfterEach
  void nothingIsHeldAgainstThePage() {
    assertThat(browser.complaints()).isEmpty();
  }

  /** From the counter to the hand-back: nothing of it is skipped, and the new drive is read. */
  @Test
  void aFailingDriveWhoseDataIsWanted() throws Exception {
    String job = takenIn("Fenna Brandt", "14 laptop", "It is slow and hangs for minutes", "7", "1");
    menu("Put in a bay");
    browser.tabTo("Bay 6");
    browser.keys(Keys.ENTER);
    closed();
    Child probe = whole.startProbe(6, "sim:worn-disk,20,2400", whole.signedIn().enrolmentCode(6));
    browser.seeText("Bay 6 · probe on");

    browser.tabTo("Take the reading Read what drive A says about itself");
    browser.keys(Keys.ENTER);
    browser.seeText("46 sectors are pending");
    toTheDecision();
    estimated("By phone…", "Fenna Brandt", "The owner agreed by phone");
    signed("Recover the data, then replace drive A", "46 pending, its own test stops.");
    copied(job);
    browser.open("/job/" + job);
    browser.seeText("Recover the data, then replace drive A: step 2 of");
    browser.tabTo("Take it: QUAY-1000F");
    browser.keys(Keys.ENTER);
    browser.seeText("QUAY-1000F is set aside for this job");
    browser.tabTo("Begin this step: Replace drive A");
    browser.keys(Keys.ENTER);
    browser.seeText("No reading since it was begun has told which drive is in");
    probe.close();
    whole.startProbe(6, "sim:worn-disk,20,2400,new", null);
    readWhichOneIsIn();
    browser.seeText("QUAY-960F Q96F-00218-M is in, in place of HELM-1000S OS7K-44019-B");
    browser.tabTo("It is gone");
    browser.keys(Keys.ENTER);
    browser.seeText("done, the complaint was gone");
    assertThat(browser.complaints()).isEmpty();
    browser.tabTo("Returned to the owner");
    browser.keys(Keys.ENTER);
    browser.seeText("Taken out: HELM-1000S OS7K-44019-B, returned to the owner");
    handBack(job);
  }

  /** Once the new probe is there. */
  private static void readWhichOneIsIn() throws Exception {
    Await.until(
        "the probe is back",
        () -> browser.has(By.xpath("//button[.='Read which one is in'][not(@disabled)]")));
    browser.tabTo("Read which one is in");
    browser.keys(Keys.ENTER);
  }

  /** Surveyed, copied and the copy read again, from the view that the step leads to. */
  private static void copied(String job) throws Exception {
    browser.tabTo("Survey and copy its data ›");
    browser.keys(Keys.ENTER);
    run("Survey");
    browser.seeText("Partition 1");
    run("Rescue image of what is in use");
    await(job, "copied, not verified yet");
    run("Check of the image");
    await(job, "copied and verified");
  }

  private static void run(String words) {
    browser.tabTo("Start this run: " + words);
    browser.keys(Keys.ENTER);
  }

  private static void await(String job, String finding) throws Exception {
    ShopClient shop = whole.signedIn();
    Await.until(
        finding,
        () ->
            shop.get("/api/jobs/%s/parts/drive-a/data".formatted(job))
                .body()
                .get("finding")
                .stringValue()
                .contains(finding));
  }

  @Test
  @Tag("nightly")
  void aBadModule() throws Exception {
    String job =
        takenIn("Olle Quist", "desk tower", "The memory test failed, error screen", "7", "1");

    make("Run on one module at a time", "One fails and the other runs");
    make("Put in a module that is known good", "The complaint is gone");
    browser.seeText("A memory module is bad");
    rule("Replace the memory module", "Fails alone, a known good one runs.");
    change("Replace the memory module", "It is gone");
    handBack(job);
  }

  @Test
  @Tag("nightly")
  void aBatteryReplacedAndProved() throws Exception {
    String job =
        takenIn("Mika Sund", "13 laptop", "The battery lasts only ten minutes", DESKTOP, "1");

    makeAll("Read what the battery says about itself", "Under 50 %", "500 and more");
    makeAll("Run it down under a steady load", "Under 50 %", "Within 10 %");
    browser.seeText("The battery is worn");
    rule("Replace the battery", "A third of its charge left, measured and by its self-report.");
    change("Replace the battery", "It is gone");
    handBack(job);
  }

  /** What its owner refuses cannot be signed; handing it back can, and then it is. */
  @Test
  void aRefusedEstimateLeadsToTheHandBack() throws Exception {
    String job =
        takenIn("Ida Brekke", "13 laptop", "The battery lasts only ten minutes", DESKTOP, "1");

    makeAll("Read what the battery says about itself", "Under 50 %", "500 and more");
    makeAll("Run it down under a steady load", "Under 50 %", "Within 10 %");
    toTheDecision();
    estimated("Refused…", "Ida Brekke", "The owner refused it");
    sign("A third of its charge left.");
    browser.seeText("The owner refused the last estimate.");
    browser.tabTo("Choose: Nothing found, hand back");
    browser.keys(Keys.ENTER);
    browser.seeText("It is handed back as it came.");
    sign("The owner buys a new one.");
    browser.seeHeading("Decided: Nothing found, hand back");
    browser.open("/job/" + job);
    browser.seeText("Hand it back");
    handedTo(job);
  }

  /** The owner is told what it costs, and what they say is kept. */
  private static void estimated(String how, String owner, String then) throws Exception {
    browser.tabTo("Make the estimate");
    browser.keys(Keys.ENTER);
    browser.seeText("Print or send");
    browser.tabTo(how);
    browser.keys(Keys.ENTER);
    browser.seeText("Who said so");
    browser.tabToward("Who said so");
    browser.keys(owner);
    browser.tabTo("Keep it");
    browser.keys(Keys.ENTER);
    closed();
    browser.seeText(then);
    assertThat(browser.complaints()).isEmpty();
  }

  /** The adapter is decided on, then cleared: the plan is called into question by itself. */
  @Test
  void aPlanThatIsContradictedByWhatIsFoundNext() throws Exception {
    taken("Pia Holm", "14 laptop", "It is dead, no light at all", NOTHING, true, "1");

    make("Try an adapter that is known good", "It charges or comes on");
    rule("Replace the adapter", "It comes on with ours.");
    browser.seeText("Nothing speaks against it so far");
    browser.tabTo("Open the diagnosis");
    browser.keys(Keys.ENTER);
    browser.tabTo("Take back: Try an adapter that is known good"); // it was another laptop
    browser.keys(Keys.ENTER);
    makeAll("Look for light, fan and beep", "No light at all", "It stays still", "None");
    make("Try an adapter that is known good", "The same");
    make("Drain what charge is left", "The same");
    make("Measure behind the charging socket", "As at the plug");
    make("Start it past its power switch", "Still nothing");
    make("Start it with no memory", "Nothing");
    make("Start the bare board", "Nothing");
    browser.seeText("Perhaps the board is failing");
    make("Look at the board", "Corroded or burnt");

    browser.seeText("The board is failing");
    browser.seeText("Look at the decision again");
    browser.seeText("The decision was for");
    browser.tabTo("Decide anew");
    browser.keys(Keys.ENTER);
    browser.seeText("Sign the decision");
  }

  /** Hardware that is sound, a reset that breaks off, and what comes then: it erases by name. */
  @Test
  void aResetThatFailsAndTheInstallationAfterIt() throws Exception {
    String job = takenIn("Runa Moreau", "mini", "Keeps restarting, stuck update", "5", "1");
    notWanted(job, "Runa Moreau");

    make("Start it from our boot medium", "It runs");
    make("Dock drive A on the bench machine", "It reads there");
    make("Let the stuck update go on for an hour", "It hangs at the same place");
    begin("Verify the system's own files");
    answer("Damaged and not mended");
    answer("The same");
    browser.tabTo("Keep what was seen");
    browser.keys(Keys.ENTER);
    browser.seeText("Verify the system's own files");
    browser.see(By.id("made"));
    ruleOtherwise(
        "Reset the system, keeping files", "Files cannot be mended; the hardware is sound.");
    browser.tabTo("Show the steps: Reset the system, keeping files");
    browser.keys(Keys.ENTER);
    browser.tabTo("Begin this change");
    browser.keys(Keys.ENTER);
    answer("The reset failed");
    closed();
    browser.seeText("begun, and broke off half way");
    browser.seeText("the complaint is still there: decide anew");
    browser.seeText("What comes then: Install the system anew");
    browser.tabTo("Decide on it ›");
    browser.keys(Keys.ENTER);
    browser.seeText("Sign the decision");
    signed("Install the system anew", "The reset broke off at a third.");
    browser.tabToward("Size, such as 500 GB");
    browser.keys("240 GB", Keys.TAB, "QUAY-240F", Keys.TAB, lastFourOf(job));
    browser.tabTo("Begin this step: Install the system anew");
    browser.keys(Keys.ENTER);
    browser.seeText("begun: look whether the complaint is gone");
    browser.tabTo("It is gone");
    browser.keys(Keys.ENTER);
    browser.seeText("done, the complaint was gone");
    handBack(job);
  }

  /** From its label. */
  private static String lastFourOf(String job) {
    String identity =
        whole.signedIn().get("/api/jobs/" + job).body().at("/drives/0/identity").stringValue();
    return identity.substring(identity.length() - 4);
  }

  /**
   * @param reach the digit of its rung
   * @param wanted 1: the data is wanted
   */
  private static String takenIn(
      String owner, String model, String complaint, String reach, String wanted) throws Exception {
    return taken(owner, model, complaint, reach, false, wanted);
  }

  private static String taken(
      String owner, String model, String complaint, String reach, boolean portable, String wanted)
      throws Exception {
    browser.open("/intake");
    browser.seeHeading("The counter is free");
    browser.keys(Keys.ENTER);
    talk.asked("Whose is it?");
    browser.keys(owner, Keys.ENTER);
    talk.asked("Which machine is it?");
    browser.keys(Keys.TAB, "Calder", Keys.TAB, model, Keys.ENTER);
    talk.asked("What is wrong with it?");
    browser.keys(complaint);
    browser.see(By.cssSelector("button[aria-pressed='true'], button[data-selected]"));
    browser.keys(Keys.ENTER);
    talk.skipTo("How far does it get");
    browser.keys(reach, Keys.ENTER);
    if (portable) {
      talk.skipTo("What kind of machine is it?");
      browser.keys("1", Keys.ENTER);
    }
    talk.skipTo("Is the data on it wanted?");
    browser.keys(wanted, Keys.ENTER);
    talk.skipTo("what was skipped stays unknown");
    browser.keys(Keys.ENTER);
    browser.seeText("is taken in");
    String job = browser.path().replace("/job/", "");
    browser.tabTo("Stay with the job");
    browser.keys(Keys.ENTER);
    browser.seeText(owner);
    return job;
  }

  /** The drive was read elsewhere, and its pages are dropped onto the job: now it has a name. */
  private static void dropPages(String job) {
    List<Map<String, String>> files = new ArrayList<>();
    var pages = new SimMachines().open("sim:sound-drive,0").orElseThrow().drives().get(0).pages();
    for (PageKind kind : pages.kinds()) {
      pages
          .read(kind)
          .bytes()
          .ifPresent(
              raw ->
                  files.add(
                      Map.of(
                          "name",
                          "capture-" + files.size(),
                          "content",
                          Base64.getEncoder().encodeToString(raw.bytes()))));
    }
    assertThat(
            whole
                .signedIn()
                .post(
                    "/api/jobs/%s/captures".formatted(job),
                    Map.of("partKey", "drive-a", "files", files))
                .status())
        .isEqualTo(200);
  }

  /** The owner says so on the telephone: one writes it down, another heard it too. */
  private static void notWanted(String job, String owner) throws Exception {
    dropPages(job);
    browser.seeText("QUAY-240F");
    browser.tabToward("Data wanted");
    browser.keys(Keys.ENTER);
    browser.seeText("What %s does not need any more".formatted(owner));
    browser.tabToward("All of drive A");
    browser.keys(Keys.SPACE);
    browser.tabToward("Customer’s full name");
    browser.keys(owner);
    browser.tabTo("Write down the owner’s word");
    browser.keys(Keys.ENTER);
    closed();
    ShopClient bo = whole.signedIn("bo");
    JsonNode seen = bo.get("/api/jobs/" + job).body();
    String confirm =
        "/api/jobs/%s/waivers/%d/confirm".formatted(job, seen.at("/data/waivers/0/id").longValue());
    assertThat(bo.post(confirm, Map.of("version", seen.get("version").longValue())).status())
        .isEqualTo(204);
    browser.seeText("Data not wanted, signed");
  }

  /** Opens a move's dialog from the list, all moves unfolded. */
  private static void open(String move) {
    if (!browser.has(By.xpath("//button[.='Only the best']"))) {
      browser.tabToward(browser.texts(By.xpath("//button[contains(.,'more moves')]")).get(0));
      browser.keys(Keys.ENTER);
      browser.see(By.xpath("//button[.='Only the best']"));
    }
    browser.tabTo("Show the steps " + move);
    browser.keys(Keys.ENTER);
    browser.see(By.xpath("//*[@role='dialog']"));
  }

  private static void begin(String move) {
    open(move);
    browser.tabTo("Begin this change");
    browser.keys(Keys.ENTER);
  }

  private static void answer(String seen) {
    browser.tabTo(seen);
    browser.keys(Keys.ENTER);
  }

  private static void make(String move, String seen) throws Exception {
    open(move);
    answer(seen);
    closed();
  }

  private static void makeAll(String move, String... seen) throws Exception {
    open(move);
    for (String one : seen) {
      answer(one);
    }
    answer("Keep what was seen");
    closed();
  }

  private static void closed() throws Exception {
    Await.until("the dialog closed", () -> !browser.has(By.xpath("//*[@role='dialog']")));
  }

  private static void toTheDecision() {
    browser.tabTo("Decide");
    browser.keys(Keys.ENTER);
    browser.seeText("Sign the decision");
    assertThat(browser.complaints()).isEmpty();
  }

  /** As it leans. */
  private static void rule(String plan, String reason) {
    toTheDecision();
    signed(plan, reason);
  }

  /** Another plan than those that are offered. */
  private static void ruleOtherwise(String remedy, String reason) {
    toTheDecision();
    browser.tabTo("Put together your own…");
    browser.keys(Keys.ENTER);
    browser.seeText("Compare it");
    browser.tabToward(remedy);
    browser.keys(Keys.SPACE);
    browser.tabTo("Compare it");
    browser.keys(Keys.ENTER);
    browser.seeText("your own ·");
    signed(remedy, reason);
  }

  private static void sign(String reason) {
    browser.tabToward("In your words, for the next of us");
    browser.keys(reason);
    browser.tabTo("Sign the decision");
    browser.keys(Keys.ENTER);
  }

  private static void signed(String plan, String reason) {
    sign(reason);
    browser.seeHeading("Decided: " + plan);
    browser.open(browser.path().replace("/decision", ""));
    browser.seeText("Show that it is gone");
    assertThat(browser.complaints()).isEmpty();
  }

  /** The open step of the plan; what is seen then. */
  private static void change(String step, String then) {
    browser.tabTo("Begin this step: " + step);
    browser.keys(Keys.ENTER);
    browser.seeText("begun: look whether the complaint is gone");
    browser.tabTo(then);
    browser.keys(Keys.ENTER);
    browser.seeText("done, the complaint was gone");
  }

  /** Not before it is shown. */
  private static void handBack(String job) throws Exception {
    menu("Ready to hand back");
    browser.seeText("It is not shown yet that the complaint is gone.");
    int needed = browser.texts(By.cssSelector("[role=img][aria-label*='clean trials'] > *")).size();
    for (int clean = 1; clean <= needed; clean++) {
      browser.tabTo("It ran clean");
      browser.keys(Keys.ENTER);
      String words =
          clean == needed ? "Print the report, with our advice" : clean + " of " + needed;
      browser.seeText(words);
    }
    handedTo(job);
  }

  /** Said to be ready, then taken by somebody who signs. */
  private static void handedTo(String job) throws Exception {
    browser.tabTo("It is ready, call the owner");
    browser.keys(Keys.ENTER);
    Await.until(
        "ready",
        () ->
            whole.count(
                    "SELECT COUNT(*) FROM job WHERE number = '%s' AND stage = 'HAND_BACK'"
                        .formatted(job))
                == 1);
    // The page has to have seen that, or its next change would name an older state of the job.
    Await.until(
        "the page knows",
        () -> !browser.has(By.xpath("//button[.='It is ready, call the owner']")));
    browser.tabTo("Hand it back…");
    browser.keys(Keys.ENTER);
    browser.seeText("I have the machine");
    browser.tabToward("Customer’s full name");
    browser.keys("Whoever Came");
    browser.tabToward("Amount");
    browser.keys("120"); // what stands there is selected by coming to it
    browser.tabTo("It is handed back");
    browser.keys(Keys.ENTER);
    Await.until(
        "handed back",
        () ->
            whole.count(
                    "SELECT COUNT(*) FROM job j JOIN hand_back h ON h.job_id = j.id WHERE"
                        + " j.number = '%s' AND j.ended_how = 'HANDED_BACK' AND h.paid = 120"
                            .formatted(job))
                == 1);
    browser.seeText("This job is ended: handed back");
    assertThat(browser.complaints()).isEmpty();
  }

  /** What is done with the job as a whole, from its menu. */
  private static void menu(String item) {
    browser.tabTo(
        browser.attribute(
            By.xpath("//button[contains(@aria-label,'what can be done')]"), "aria-label"));
    browser.keys(Keys.ENTER);
    browser.see(By.xpath("//*[@role='menu']"));
    List<String> items = browser.texts(By.xpath("//*[@role='menuitem']"));
    for (int i = items.indexOf(item); i > 0; i--) {
      browser.keys(Keys.ARROW_DOWN);
    }
    browser.keys(Keys.ENTER);
  }
}
