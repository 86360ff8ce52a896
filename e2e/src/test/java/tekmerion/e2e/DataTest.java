package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import tekmerion.launch.Child;
import tekmerion.launch.ShopClient;

/** The owner's data, from why a disk cannot be opened to what the owner takes home. */
class DataTest {
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

  /** It asks to be formatted; its boot sector is gone, its files are not. */
  @Test
  @Tag("nightly")
  void anUnreadableOutsideDiskToItsReasonAndItsFilesOffIt() {
    whole.startProbe(4, "sim:outside-disk,5,6000", shop.enrolmentCode(4));
    browser.open("/job/J-2279");
    browser.press("Take the reading"); // what is copied counts for the drive that told who it is
    browser.seeText("HX2T");
    browser.follow("Its data");
    browser.seeHeading("not looked at yet");

    browser.click(By.xpath("//button[@aria-label='Start this run: Survey']"));

    browser.seeHeading("the boot sector or superblock of a volume is damaged");
    browser.seeText("exFAT, 2 TB");
    browser.seeText("a copy of it is intact");
    browser.seeText("68 files, 64.2 MB");
    browser.press("Copy these files");
    browser.seeText("68 files of Partition 1, CHOIR copied and verified");
    browser.seeText("Data copy verified");

    browser.open("/job/J-2279");
    browser.seeText("The partition table or boot sector is damaged");
    browser.seeText("Data copy verified");

    putBackAndTakenBack();
  }

  /** Its data is safe by now; the name is wanted once for the writing and once for its undoing. */
  private static void putBackAndTakenBack() {
    browser.open("/rescue/J-2279/drive-a");
    browser.press("Write it anew from its copy…");
    nameTheOutsideDisk();
    browser.seeText("1 of 1 written and read back the same");
    browser.seeText("Now: Its tables and file systems are sound");

    browser.press("Take the mending back…");
    nameTheOutsideDisk();
    browser.seeText("1 of 1 taken back");
    browser.seeText("Now: The boot sector or superblock of a volume is damaged");
  }

  private static void nameTheOutsideDisk() {
    browser.type("Size, such as 1 TB or 500 GB", "2 TB");
    browser.type("Model", "HX2T");
    browser.type("Last four of its serial", "20-C");
    browser.press("Write to the drive that I named");
  }

  @Test
  void aFailingDriveToAVerifiedCopyToItsReplacementAndTheReport() throws Exception {
    Child probe = whole.startProbe(1, "sim:worn-disk,5,6000", shop.enrolmentCode(1));
    browser.open("/job/J-2291");
    browser.press("Take the reading");
    browser.seeText("sectors are pending");
    browser.open("/rescue/J-2291/drive-a");
    browser.click(By.xpath("//button[@aria-label='Start this run: Survey']"));
    browser.seeText("Partition 1");
    browser.click(
        By.xpath("//button[@aria-label='Start this run: Rescue image of what is in use']"));
    browser.seeHeading("copied, not verified yet, 2 files lost something");
    browser.seeText("Users/quay/Order book/2025 whole year.pdf");
    browser.seeText("Data copied, not all of it verified");
    browser.click(By.xpath("//button[@aria-label='Start this run: Check of the image']"));
    browser.seeHeading("copied and verified, 2 files lost something");

    browser.open("/job/J-2291/decision");
    browser.seeText("Sign the decision");
    browser.type(
        "In your words, for the next of us", "46 sectors are pending, its copy is verified.");
    browser.press("Sign the decision");
    browser.seeHeading("Decided:");

    probe.close();
    whole.startProbe(1, "sim:worn-disk,5,6000,new", null);
    browser.open("/job/J-2291");
    browser.seeText("probe on");
    browser.open("/drive/J-2291/drive-a");
    browser.press("Read again");
    browser.seeText("Q96F-00218-M");

    browser.open("/job/J-2291");
    browser.press("▾");
    browser.click(By.xpath("//*[@role='menuitem'][.='Report']"));
    browser.seeHeading("What became of your Ostrel 17 laptop");
    browser.seeText("We replaced the faulty part.");
    browser.seeText("2 files could not be read whole");
    browser.follow("PDF, A4");
    try (PDDocument pdf = Loader.loadPDF(browser.downloaded("J-2291.pdf"))) {
      assertThat(text(pdf))
          .contains("We are sure: the drive in it is failing.")
          .contains("We copied your data and checked the copy: it is the same as what we read.")
          .contains("among them Users/quay/")
          .contains("Drive A: QUAY-960F.")
          .contains("The evidence behind it")
          .contains("Check of the image of drive-a: the same as what was read");
    }
  }

  private static String text(PDDocument pdf) throws IOException {
    return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
  }

  /** Given up, decided, read: and still not erased, for another disk is named. */
  @Test
  void theWrongDiskIsNotErased() throws Exception {
    whole.startProbe(2, "sim:sound-drive,5,60000", shop.enrolmentCode(2));
    browser.open("/job/J-2294");
    browser.press("Take the reading");
    browser.seeText("QUAY-240F");
    browser.open("/rescue/J-2294/drive-a");
    browser.seeText("Locked: It erases");
    say(
        "waivers",
        "{\"version\":%d,\"signer\":\"Rowing club\",\"signature\":\"M10 10 L20 40 L30 12 L44 60 L70 20"
            + " L90 55 \",\"drives\":[{\"partKey\":\"drive-a\",\"scope\":\"ALL_DATA\",\"holdings\":[]}]}");
    say("decisions", "{\"version\":%d,\"courses\":[\"CLEAN_INSTALL\"],\"reason\":\"as wanted\"}");
    browser.seeText("Only its name is wanted");

    browser.press("Erase this drive…");
    browser.type("Size, such as 1 TB or 500 GB", "1 TB");
    browser.type("Model", "HELM-1000S");
    browser.type("Last four of its serial", "19-B");
    browser.press("Erase the drive that I named");

    browser.seeText("Not erased. The size is not that of this drive.");
    browser.press("Leave it as it is");
    browser.click(By.xpath("//button[@aria-label='Start this run: Survey']"));
    browser.seeText("Its tables and file systems are sound");

    browser.press("Erase this drive…");
    browser.type("Size, such as 1 TB or 500 GB", "240 GB");
    browser.type("Model", "QUAY-240F");
    browser.type("Last four of its serial", "11-K");
    browser.press("Erase the drive that I named");
    browser.seeText("240 GB of 240 GB written over");
    browser.click(By.xpath("//button[@aria-label='Start this run: Survey']"));
    browser.seeHeading("it is blank");
  }

  /** As the job's other pages would, which other tests walk through. */
  private static void say(String what, String json) {
    long version = shop.get("/api/jobs/J-2294").body().get("version").longValue();
    assertThat(browser.statusOf("POST", "/api/jobs/J-2294/" + what, json.formatted(version)))
        .isBetween(200L, 204L);
  }
}
