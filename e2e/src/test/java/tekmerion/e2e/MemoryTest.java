package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/**
 * A technician follows the proposed starts of the memory view; a made-up machine answers. Modules
 * are numbered from 0 by slot, -1 is an empty slot.
 */
class MemoryTest {
  private static Whole whole;
  private static Browser browser;
  private static ShopClient shop;

  @BeforeAll
  static void start() throws Exception {
    whole = new Whole();
    browser = whole.browserOf(Whole.PERSON);
    shop = whole.signedIn();
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  private static JsonNode memory(String job) {
    return shop.get("/api/jobs/%s/isolations/MEMORY".formatted(job)).body();
  }

  /**
   * Goes by what is proposed until something is named.
   *
   * @param fails whether a start with this placement fails
   * @return starts after the one as it came
   */
  private static int isolate(String job, Predicate<List<Integer>> fails) throws Exception {
    browser.open("/memory/" + job);
    browser.seeHeading("What sits in its memory slots?");
    browser.tabTo("Begin the isolation");
    browser.key(Keys.ENTER);
    browser.seeHeading("Start it as it came");
    assertThat(browser.complaints()).isEmpty();
    List<Integer> placement = List.of(0, 1);
    int made = 0;
    while (memory(job).get("named").isNull()) {
      String button = fails.test(placement) ? "It failed" : "It passed";
      browser.press(button);
      int wanted = ++made;
      Await.until("the start is kept", () -> memory(job).get("starts").size() == wanted);
      assertThat(made).as("starts").isLessThan(60);
      if (!memory(job).get("named").isNull()) {
        break;
      }
      List<Integer> next = new ArrayList<>();
      memory(job).at("/options/0/arrangement").forEach(m -> next.add(m.intValue()));
      browser.seeText("%d · Next".formatted(made + 1));
      placement = next;
    }
    return made - 1;
  }

  @Test
  void isolatesABadModuleInFourStarts() throws Exception {
    int starts = isolate("J-2270", placement -> placement.contains(1));

    browser.seeHeading("It is M2");
    browser.seeText("It may go home with only M1");
    assertThat(starts).isLessThanOrEqualTo(4);
    assertThat(browser.complaints()).isEmpty();
    browser.open("/job/J-2270");
    browser.press("Open the diagnosis"); // what was decided comes first
    browser.seeHeading("A memory module is bad");
  }

  @Test
  void isolatesABadSlot() throws Exception {
    isolate("J-2287", placement -> placement.get(0) >= 0);

    browser.seeHeading("It is slot 1");
    browser.seeText("slot 2");
  }

  @Test
  void isolatesTwoModulesThatFailTogetherNowAndThen() throws Exception {
    Random random = new Random(11);
    boolean[] first = {true};

    isolate(
        "J-2284",
        placement -> {
          boolean together = placement.contains(0) && placement.contains(1);
          boolean fails = together && (first[0] || random.nextDouble() < 0.6);
          first[0] = false;
          return fails;
        });

    browser.seeHeading("It is M1 together with M2");
  }
}
