package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.By;
import tekmerion.launch.ShopClient;

/** Every view, in the other language, in the other scheme, on a tablet and on a phone. */
class EveryViewTest {
  private static final List<String> VIEWS =
      List.of(
          "/",
          "/intake",
          "/job/J-2291",
          "/job/J-2291/decision",
          "/job/J-2291/report",
          "/job/J-2270",
          "/drive/J-2291/drive-a",
          "/rescue/J-2291/drive-a",
          "/memory/J-2294",
          "/battery/J-2290",
          "/work/J-2288",
          "/isolate/J-2294/outside",
          "/stock",
          "/prices",
          "/records",
          "/know-how",
          "/makers",
          "/me");

  private static Whole whole;
  private static Browser browser;

  @BeforeAll
  static void start() throws Exception {
    whole = new Whole();
    browser = whole.browserOf(Whole.PERSON);
    whole.startProbe(1, "sim:worn-disk,50,240", whole.signedIn().enrolmentCode(1));
    browser.open("/job/J-2291");
    browser.seeText("Bay 1 · probe on");
    browser.key("n");
    browser.seeHeading("Drive A is failing");
  }

  @AfterAll
  static void end() throws Exception {
    browser.close();
    whole.close();
  }

  private static void speak(String language) {
    ShopClient shop = whole.signedIn();
    assertThat(shop.put("/api/me/language", Map.of("language", language)).status()).isEqualTo(204);
    browser.open("/");
    browser.see(By.cssSelector("html[lang='%s'] header nav".formatted(language.toLowerCase())));
  }

  /** What axe finds, and what sticks out of the page at its right. */
  private static List<String> wrongAt(int width) {
    List<String> wrong = new ArrayList<>();
    for (String view : VIEWS) {
      browser.open(view);
      if (!browser.appears(By.cssSelector("h1"))) {
        wrong.add(view + " has no heading");
        continue;
      }
      browser.complaints().forEach(found -> wrong.add(view + ": " + found));
      double sticksOut = browser.number("document.scrollingElement.scrollWidth") - width;
      if (sticksOut > 0) {
        wrong.add("%s is %.0f px wider than %d".formatted(view, sticksOut, width));
      }
    }
    return wrong;
  }

  @ParameterizedTest(name = "{0}, {1}, {2} wide")
  @CsvSource({"NB, light, 390, 844", "NB, dark, 1280, 800", "EN, dark, 820, 1180"})
  void isAccessibleAndFitsItsScreen(String language, String scheme, int width, int height) {
    speak(language);
    browser.scheme(scheme);
    browser.size(width, height);
    assertThat(wrongAt(width)).isEmpty();
  }
}
