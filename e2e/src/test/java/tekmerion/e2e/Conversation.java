package tekmerion.e2e;

import java.time.Duration;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** The intake conversation, question by question. */
record Conversation(Browser browser) {
  private static final Duration SOON = Duration.ofSeconds(10);
  private static final By QUESTION = By.cssSelector("[role=group] > div > h2");

  void asked(String question) {
    browser.see(By.xpath("//h2[contains(normalize-space(),'%s')]".formatted(question)));
  }

  /** Skips with Escape until this one is asked. */
  void skipTo(String question) throws Exception {
    By here = By.xpath("//h2[contains(normalize-space(),'%s')]".formatted(question));
    for (int i = 0; i < 14 && !browser.has(here); i++) {
      String before = browser.texts(QUESTION).get(0);
      browser.keys(Keys.ESCAPE);
      Await.until("the next question", SOON, () -> !browser.texts(QUESTION).contains(before));
    }
    browser.see(here);
  }
}
