package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Every view, in the other language, in the other scheme, on a tablet and on a phone; all ways that
 * there are: {@link EveryWay}.
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
  }

  @ParameterizedTest(name = "{0}, {1}, {2} wide")
  @CsvSource({"NB, light, 390, 844", "NB, dark, 1280, 800", "EN, dark, 820, 1180"})
  void isAccessibleAndFitsItsScreen(String language, String scheme, int width, int height) {
    views.speak(language);
    views.browser().scheme(scheme);
    views.browser().size(width, height);
    assertThat(views.onEach(() -> views.accessible(width))).isEmpty();
  }

  @Test
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
