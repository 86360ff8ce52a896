package tekmerion.e2e;

import java.time.Duration;
import java.util.List;
import java.util.function.Predicate;
import org.openqa.selenium.Keys;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;

/** The way through a page with the Tab key. */
final class Tabs {
  /** Three times around the longest page: one that is drawn anew begins from its top. */
  private static final int MAX_KEYS = 600;

  private final ChromeDriver driver;

  Tabs(ChromeDriver driver) {
    this.driver = driver;
  }

  /**
   * Tab until it is there. To ask the browser after each key takes most of a test's time, so as
   * many keys are pressed as the page has stops up to there, and Shift+Tab goes back if that was
   * too far. Where the stop cannot be foreseen it is one key at a time.
   *
   * @param told what is told of the focused element e, in the page's language
   */
  void until(String words, String told, Predicate<String> there) {
    driver.executeScript(
        """
        const told = (e) => String(%s);
        document.removeEventListener('focusin', window.tabbed?.keep, true);
        const went = [told(document.activeElement)];
        window.tabbed = { told, went, keep: (event) => went.push(told(event.target)) };
        document.addEventListener('focusin', window.tabbed.keep, true);
        """
            .formatted(told));
    List<String> went = focusWent(1);
    for (int pressed = 0; pressed < MAX_KEYS; ) {
      int at = firstOf(went, there);
      if (at >= 0) {
        int tooFar = went.size() - 1 - at;
        if (tooFar == 0) {
          return;
        }
        tab(true, tooFar);
        went = focusWent(tooFar);
        if (!went.isEmpty() && there.test(went.get(went.size() - 1))) {
          return;
        }
      }
      int steps = Math.max(1, firstOf(stopsAhead(), there) + 1);
      tab(false, steps);
      pressed += steps;
      went = focusWent(steps);
    }
    throw new AssertionError("Tab never comes to " + words);
  }

  /** So many times, with a pause after each in which the page can draw where the focus is. */
  void press(int times, Duration pause) {
    Actions keys = new Actions(driver);
    for (int i = 0; i < times; i++) {
      keys.sendKeys(Keys.TAB);
      if (!pause.isZero()) {
        keys.pause(pause);
      }
    }
    keys.perform();
  }

  private static int firstOf(List<String> told, Predicate<String> there) {
    for (int i = 0; i < told.size(); i++) {
      if (there.test(told.get(i))) {
        return i;
      }
    }
    return -1;
  }

  private void tab(boolean back, int times) {
    Actions keys = new Actions(driver);
    if (back) {
      keys.keyDown(Keys.SHIFT);
    }
    for (int i = 0; i < times; i++) {
      keys.sendKeys(Keys.TAB);
    }
    if (back) {
      keys.keyUp(Keys.SHIFT);
    }
    keys.perform();
  }

  /**
   * Where the focus has been since it was last asked. The keys are given to the browser at once,
   * but under load the focus follows later: who does not wait for it looks at where it was.
   */
  @SuppressWarnings("unchecked") // a list of words, as the script gives it
  private List<String> focusWent(int steps) {
    return (List<String>)
        driver.executeAsyncScript(
            """
            const [steps, done] = arguments, { went } = window.tabbed;
            // A key may lead nowhere, as after the last stop of a page: then nothing more comes.
            let had = went.length, quietSince = performance.now();
            (function look() {
              if (went.length !== had) {
                had = went.length;
                quietSince = performance.now();
              }
              if (went.length < steps && performance.now() - quietSince < 250)
                return setTimeout(look, 2);
              done(went.splice(0));
            })();
            """,
            steps);
  }

  /** What is told of each stop after this one, around the page. */
  @SuppressWarnings("unchecked") // a list of words, as the script gives it
  private List<String> stopsAhead() {
    return (List<String>)
        driver.executeScript(
            """
            const stops = [...document.querySelectorAll(
                'a[href],button,input,select,textarea,summary,[tabindex]')].filter(
              (e) => e.tabIndex >= 0 && !e.disabled && e.checkVisibility({ visibilityProperty: true })
                && !e.closest('[inert],[aria-hidden=true]'));
            const here = stops.indexOf(document.activeElement);
            return [...stops.slice(here + 1), ...stops.slice(0, here + 1)].map(window.tabbed.told);
            """);
  }
}
