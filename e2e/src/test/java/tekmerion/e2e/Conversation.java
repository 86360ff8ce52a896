package tekmerion.e2e;

import java.util.List;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** The intake conversation, question by question. */
record Conversation(Browser browser) {
  private static final By QUESTION = By.cssSelector("[role=group] > div > h2");

  void asked(String question) {
    browser.see(By.xpath("//h2[contains(normalize-space(),'%s')]".formatted(question)));
  }

  /** Skips with Escape until this one is asked. */
  void skipTo(String question) throws Exception {
    By here = By.xpath("//h2[contains(normalize-space(),'%s')]".formatted(question));
    for (int i = 0; i < 14 && !browser.has(here); i++) {
      // Between two questions there may be none for a moment, and the last page has none.
      Await.until("a question", () -> browser.has(here) || !asked().isEmpty());
      List<String> before = asked();
      if (browser.has(here) || before.isEmpty()) {
        continue;
      }
      browser.keys(Keys.ESCAPE);
      Await.until("the next question", () -> !asked().equals(before));
    }
    browser.see(here);
  }

  private List<String> asked() {
    return browser.texts(QUESTION);
  }
}
