package tekmerion.e2e;

import java.time.Duration;
import java.util.List;
import org.openqa.selenium.chrome.ChromeDriver;

/** Looks, in the page itself, for words that cannot be read whole. */
final class Layout {
  /** A pixel is rounding; letters with tails stick out of short lines a little. */
  private static final String LOOK =
      """
      const ASIDE = 1.5, ABOVE = 4;
      const wrong = [];
      const named = (e) => {
        const label = e.closest('[aria-label]')?.getAttribute('aria-label');
        const type = e.tagName.toLowerCase() + (e.getAttribute('role') ? '[' + e.getAttribute('role') + ']' : '');
        return type + (label ? ' in "' + label.slice(0, 40) + '"' : '');
      };
      // For screen readers alone: a box of a pixel.
      const unseen = (e) => {
        for (let a = e; a && a !== document.body; a = a.parentElement) {
          const box = a.getBoundingClientRect(), style = getComputedStyle(a);
          if (style.position === 'absolute' && box.width <= 1 && box.height <= 1) return true;
          if (style.clipPath !== 'none' || style.opacity === '0') return true;
        }
        return !e.checkVisibility({ visibilityProperty: true });
      };
      // Whoever cuts a long name on purpose gives it whole in its title.
      const givenWhole = (e, text) => {
        const title = e.closest('[title]')?.getAttribute('title');
        return title !== null && title !== undefined && title.includes(text.slice(0, 20));
      };
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const text = node.textContent.trim(), e = node.parentElement;
        if (text === '' || !e || e.closest('script,style,option') || unseen(e)) continue;
        const range = document.createRange();
        range.selectNodeContents(node);
        const rects = [...range.getClientRects()].filter((r) => r.width > 0 && r.height > 0);
        if (rects.length === 0) continue;
        const left = Math.min(...rects.map((r) => r.left)), right = Math.max(...rects.map((r) => r.right));
        const top = Math.min(...rects.map((r) => r.top)), bottom = Math.max(...rects.map((r) => r.bottom));
        for (let a = e; a && a !== document.documentElement; a = a.parentElement) {
          const style = getComputedStyle(a), box = a.getBoundingClientRect();
          const isPicture = a.tagName.toLowerCase() === 'svg';
          const cut = (overflow) => overflow === 'hidden' || overflow === 'clip';
          const scrolls = (overflow) => overflow === 'auto' || overflow === 'scroll';
          if (scrolls(style.overflowX) && scrolls(style.overflowY)) break;
          const aside = (cut(style.overflowX) || isPicture) && (left < box.left - ASIDE || right > box.right + ASIDE);
          const above = (cut(style.overflowY) || isPicture) && (top < box.top - ABOVE || bottom > box.bottom + ABOVE);
          if ((aside || above) && !givenWhole(e, text)) {
            wrong.push('cut ' + (aside ? 'at its side' : 'in its height') + ': "' + text.slice(0, 60) + '" in ' + named(a));
            break;
          }
          if (scrolls(style.overflowX) || scrolls(style.overflowY)) break;
        }
        // Words that leave their own button, cell or field run over what is beside them.
        const home = e.closest('button,a,td,th,label,li,input,h1,h2,h3,p,dt,dd');
        if (home && !e.closest('svg')) {
          const box = home.getBoundingClientRect();
          if (box.width > 0 && getComputedStyle(home).display !== 'inline' &&
              (left < box.left - ASIDE || right > box.right + ASIDE) && !givenWhole(e, text))
            wrong.push('runs over: "' + text.slice(0, 60) + '" out of ' + named(home));
        }
      }
      return [...new Set(wrong)];
      """;

  private static final String STOPS =
      """
      const told = (e) => e.tagName.toLowerCase() + ' "' +
        (e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent ?? e.textContent).trim().slice(0, 50) + '"';
      const stops = () => [...document.querySelectorAll(
          'a[href],button,input,select,textarea,summary,[tabindex]')].filter(
        (e) => e.tabIndex >= 0 && !e.disabled && e.checkVisibility({ visibilityProperty: true })
          && !e.closest('[inert],[aria-hidden=true]'));
      const isSeen = (e) => {
        const box = (e.labels?.[0] ?? e).getBoundingClientRect();
        return box.bottom > 0 && box.top < innerHeight && box.right > 0 && box.left < innerWidth;
      };
      const isMarked = (e) => {
        for (let a = e.labels?.[0] ?? e, n = 0; a && n < 3; a = a.parentElement, n++) {
          const style = getComputedStyle(a);
          if ((style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0) || style.boxShadow !== 'none')
            return true;
        }
        return getComputedStyle(e).outlineStyle !== 'none';
      };
      const been = new Set(), wrong = [];
      window.walk = {
        begin() {
          document.activeElement?.blur();
          scrollTo(0, 0);
          document.addEventListener('focusin', (event) => {
            const e = event.target;
            been.add(e);
            // The page scrolls to it first.
            requestAnimationFrame(() => requestAnimationFrame(() => {
              if (document.activeElement !== e) return;
              if (!isSeen(e)) wrong.push('focus is out of sight: ' + told(e));
              if (!isMarked(e)) wrong.push('focus is not marked: ' + told(e));
            }));
          }, true);
          return stops().length;
        },
        end() {
          // Of radio buttons one is a stop, and the arrows go on.
          const reached = (e) => been.has(e) ||
            (e.type === 'radio' && [...been].some((b) => b.type === 'radio' && b.name === e.name));
          stops().filter((e) => !reached(e)).forEach((e) => wrong.push('Tab never comes to ' + told(e)));
          return [...new Set(wrong)];
        },
      };
      """;

  /** What scrolls and holds no stop is one of its own in Chromium. */
  private static final int SCROLLERS = 15;

  private final ChromeDriver driver;

  Layout(ChromeDriver driver) {
    this.driver = driver;
  }

  /** Words that are cut or run over others. One line each. */
  @SuppressWarnings("unchecked") // a list of words, as the script gives it
  List<String> unreadable() {
    return (List<String>) driver.executeScript(LOOK);
  }

  /**
   * A walk with the Tab key from the top of the page: what it never came to, and where the focus
   * could not be seen. A page that is drawn anew in the midst of it is walked once more.
   *
   * @param pause after each key; without one nobody looks whether the focus can be seen
   */
  List<String> keyboardWalk(Tabs tabs, Duration pause) {
    List<String> wrong = oneWalk(tabs, pause);
    return wrong.isEmpty() ? wrong : oneWalk(tabs, pause).stream().filter(wrong::contains).toList();
  }

  @SuppressWarnings("unchecked") // a list of words, as the script gives it
  private List<String> oneWalk(Tabs tabs, Duration pause) {
    driver.executeScript(STOPS);
    long stops = (Long) driver.executeScript("return window.walk.begin()");
    tabs.press((int) stops + SCROLLERS, pause);
    return (List<String>)
        driver.executeAsyncScript(
            "const done = arguments[0]; setTimeout(() => done(window.walk.end()), 400);");
  }
}
