package tekmerion.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import tekmerion.launch.ShopClient;

/**
 * Takes docs/screenshots anew: {@code ./tekmerion pictures}. Not named as a test, so that it runs
 * only when asked for.
 */
class Pictures {
  @Test
  void ofEveryView() throws IOException {
    try (Whole whole = new Whole();
        Browser browser = new Browser(whole.home(), whole.address())) {
      Path folder = whole.home().root().resolve("docs/screenshots");
      Files.createDirectories(folder);
      browser.open("/");
      browser.seeHeading("Sign in");
      browser.picture(folder.resolve("sign-in.png"));
      browser.signIn(Whole.PERSON, Whole.PASSWORD);
      browser.seeHeading("Three machines");
      ShopClient shop = whole.signedIn();
      whole.startProbe(1, "sim:worn-disk,50", shop.enrolmentCode(1));
      whole.startProbe(3, "sim:bad-bridge,50", shop.enrolmentCode(3));

      browser.key("3");
      browser.seeText("Bay 3 · probe on");
      browser.key("n");
      browser.seeHeading("Perhaps the cable");
      browser.picture(folder.resolve("job-garbled.png"));
      browser.follow("See the reading");
      browser.seeHeading("cannot be trusted");
      browser.picture(folder.resolve("reading-garbled.png"));

      browser.key("1");
      browser.seeText("Bay 1 · probe on");
      browser.key("n");
      browser.seeText("HELM-1000S");
      browser.picture(folder.resolve("job.png"));
      browser.follow("See the reading");
      browser.seeHeading("sectors wait");
      browser.click(By.xpath("//button[contains(.,'Sectors waiting')]"));
      browser.picture(folder.resolve("reading.png"));
      browser.key("1");
      browser.press("Rule on it");
      browser.seeText("Sign the ruling");
      browser.picture(folder.resolve("ruling.png"));

      browser.key("4");
      browser.press("Show an enrolment code");
      browser.seeText("works once");
      browser.picture(folder.resolve("bay.png"));
      browser.press("Close");
      browser.follow("tekmerion");
      browser.seeHeading("machines need a person");
      browser.picture(folder.resolve("floor.png"));
    }
  }
}
