package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every view that no other test of the whole opens: at its own address, and nothing to complain of.
 */
class ViewsTest {
  private static Whole whole;
  private static Browser browser;

  @BeforeAll
  static void start() throws Exception {
    whole = new Whole();
    browser = whole.browserOf("mara");
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "/know-how, rest on judgement alone",
    "/know-how?text=fan.state, rest on judgement alone",
    "/makers, What differs from maker to maker",
    "/makers?text=hinge, What differs from maker to maker",
    "/people, people work here",
    "/me, Mara T.",
    "/job/J-2288, in 100",
    "/memory/J-2270, What sits in its memory slots?"
  })
  void opensAtItsAddressWithoutAComplaint(String address, String heading) {
    browser.open(address);

    browser.seeHeading(heading);
    assertThat(browser.complaints()).isEmpty();
  }
}
