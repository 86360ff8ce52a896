package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * Every view in every way that it is looked at: {@code ./tekmerion test views}, results in
 * docs/views.md. Not named as a test, so that it runs only when asked for.
 */
class EveryWay {
  private static final Duration A_LOOK = Duration.ofMillis(30);

  private record Screen(String name, int width, int height) {}

  private static final List<Screen> SCREENS =
      List.of(
          new Screen("screen", 1280, 800),
          new Screen("tablet", 820, 1180),
          new Screen("phone", 390, 844));

  private final Map<String, List<String>> found = new LinkedHashMap<>();

  @Test
  void everyViewInEveryWay() throws Exception {
    try (EveryView views = new EveryView()) {
      Browser browser = views.browser();
      for (String language : List.of("EN", "NB")) {
        views.speak(language);
        axe(views, language);
        browser.size(1280, 800);
        found.put(
            "Tab comes to everything, and its focus is seen, " + language,
            views.onEach(() -> views.walked(A_LOOK)));
        found.put(
            "No word is cut at 1280, 1024, and 640 (1280 at 200 %), " + language,
            views.onEach(() -> readable(views)));
      }
      browser.stretched(true);
      found.put("No word that is 40 % longer is cut", views.onEach(() -> readable(views)));
      browser.stretched(false);
      browser.size(1280, 800);
      browser.forcedColours(true);
      found.put("axe with forced colours", views.onEach(() -> views.accessible(1280)));
      write(views);
    }
    assertThat(found.values().stream().flatMap(List::stream)).isEmpty();
  }

  /** Each view is opened once and looked at six times. */
  private void axe(EveryView views, String language) {
    for (String view : EveryView.VIEWS) {
      views.open(view);
      for (String scheme : List.of("light", "dark")) {
        views.browser().scheme(scheme);
        for (Screen screen : SCREENS) {
          views.browser().size(screen.width(), screen.height());
          String way =
              "axe, %s, %s, %s of %d px".formatted(language, scheme, screen.name(), screen.width());
          List<String> wrong = found.computeIfAbsent(way, w -> new ArrayList<>());
          views.accessible(screen.width()).forEach(one -> wrong.add(view + ": " + one));
        }
      }
    }
    views.browser().scheme("light");
  }

  private static List<String> readable(EveryView views) {
    List<String> wrong = new ArrayList<>(views.readable(1280, 800));
    wrong.addAll(views.readable(1024, 768));
    wrong.addAll(views.readable(640, 400));
    return wrong;
  }

  private void write(EveryView views) throws IOException {
    StringBuilder text =
        new StringBuilder(
            """
            # Every view in every way

            Written by `./tekmerion test views`, which opens %d views of the demo shop in each way.
            A finding is a rule of WCAG 2.2 A or AA that axe holds against an element, a word that is cut or
            runs over what is beside it, or a stop that the Tab key never comes to.

            | way | findings |
            | --- | --- |
            """
                .formatted(EveryView.VIEWS.size()));
    found.forEach((way, wrong) -> text.append("| %s | %d |\n".formatted(way, wrong.size())));
    found.forEach((way, wrong) -> wrong.forEach(one -> System.out.println(way + " | " + one)));
    Files.writeString(views.home().resolve("docs/views.md"), text);
  }
}
