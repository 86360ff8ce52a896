package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.openqa.selenium.By;
import tekmerion.launch.ShopClient;

/** A shop with something on every view, and what can be held against each. */
final class EveryView implements AutoCloseable {
  static final List<String> VIEWS =
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
          "/me",
          "/customer/{of J-2291}",
          "/ca");

  private final Whole whole = new Whole();
  private final Browser browser;
  private final String customer;

  EveryView() throws Exception {
    browser = whole.browserOf(Whole.PERSON);
    whole.startProbe(1, "sim:worn-disk,50,240", whole.signedIn().enrolmentCode(1));
    customer = whole.signedIn().get("/api/jobs/J-2291").body().get("customerId").asString();
    browser.open("/job/J-2291");
    browser.seeText("Bay 1 · probe on");
    browser.key("n");
    browser.seeHeading("Drive A is failing");
  }

  Browser browser() {
    return browser;
  }

  void speak(String language) {
    ShopClient shop = whole.signedIn();
    assertThat(shop.put("/api/me/language", Map.of("language", language)).status()).isEqualTo(204);
    browser.open("/");
    browser.see(By.cssSelector("html[lang='%s'] header nav".formatted(language.toLowerCase())));
  }

  Path home() {
    return whole.home().root();
  }

  void open(String view) {
    browser.open(view.replace("{of J-2291}", customer));
    browser.see(By.cssSelector("h1"));
  }

  /** Opens one view after the other and asks of each. */
  List<String> onEach(Supplier<List<String>> wrong) {
    List<String> all = new ArrayList<>();
    for (String view : VIEWS) {
      open(view);
      wrong.get().forEach(found -> all.add(view + ": " + found));
    }
    return all;
  }

  /** What axe finds, and what sticks out of the page at its right. */
  List<String> accessible(int width) {
    List<String> wrong = new ArrayList<>(browser.complaints());
    wrong.addAll(fits(width));
    return wrong;
  }

  /** Whether one would have to scroll aside. */
  List<String> fits(int width) {
    double sticksOut = browser.number("document.scrollingElement.scrollWidth") - width;
    return sticksOut > 0 ? List.of("%.0f px wider than %d".formatted(sticksOut, width)) : List.of();
  }

  /** Words that are cut, or run over others, at this width. */
  List<String> readable(int width, int height) {
    browser.size(width, height);
    List<String> wrong = new ArrayList<>(fits(width));
    wrong.addAll(browser.unreadable());
    return wrong.stream().map(found -> width + " wide, " + found).toList();
  }

  List<String> walked(Duration pause) {
    return browser.keyboardWalk(pause);
  }

  @Override
  public void close() {
    browser.close();
    whole.close();
  }
}
