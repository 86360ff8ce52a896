package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Every view, in the other language and scheme on a phone, and with longer words. The other tests
 * look at theirs in English on a screen; all ways that there are: {@link EveryWay}.
 */
class EveryViewTest {
  private static EveryView views;

  @BeforeAll
  static void start() throws Exception {
    views = new EveryView();
  }

  @AfterAll
  static void end() throws Exception {
    views.close();
  }

  @AfterEach
  void asItWas() {
    views.browser().stretched(false);
    views.browser().scheme("light");
    views.speak("EN");
  }

  @Test
  void isAccessibleAndFitsItsScreen() {
    views.speak("NB");
    views.browser().scheme("dark");
    views.browser().size(390, 844);
    assertThat(views.onEach(() -> views.accessible(390))).isEmpty();
  }

  @Test
  @Tag("nightly")
  void cutsNoWordsThatAreFortyPercentLongerAndTabComesToEverything() {
    views.browser().stretched(true);
    assertThat(
            views.onEach(
                () -> {
                  List<String> wrong = new ArrayList<>(views.readable(1280, 800));
                  wrong.addAll(views.readable(1024, 768));
                  wrong.addAll(views.walked(Duration.ZERO));
                  return wrong;
                }))
        .isEmpty();
  }
}
