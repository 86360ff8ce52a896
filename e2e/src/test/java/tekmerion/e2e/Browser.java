package tekmerion.e2e;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptException;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.TimeoutException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedConditions;
import org.openqa.selenium.support.ui.WebDriverWait;
import tekmerion.launch.Home;

/** Debian's Chromium, driven as a technician would: by what is written on the screen. */
final class Browser implements AutoCloseable {
  private final URI address;
  private final Path axe;
  private final Path profile;
  private final ChromeDriver driver;
  private final WebDriverWait wait;
  private final Tabs tabs;
  private final Layout layout;

  Browser(Home home, URI address) {
    this(home, address, List.of());
  }

  /**
   * @param more of Chromium's own arguments
   */
  Browser(Home home, URI address, List<String> more) {
    this.address = address;
    this.axe = home.root().resolve("web/node_modules/axe-core/axe.min.js");
    try {
      profile = Files.createTempDirectory("tekmerion-chromium");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    ChromeOptions options = new ChromeOptions();
    options.setBinary("/usr/bin/chromium");
    options.addArguments(
        "--headless=new",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-dev-shm-usage",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--no-first-run",
        "--user-data-dir=" + profile);
    options.addArguments(more);
    options.setExperimentalOption(
        "prefs",
        Map.of(
            "download.default_directory",
            downloads().toString(),
            "plugins.always_open_pdf_externally",
            true));
    ChromeDriverService service =
        new ChromeDriverService.Builder()
            .usingDriverExecutable(new File("/usr/bin/chromedriver"))
            .build();
    driver = new ChromeDriver(service, options);
    size(1280, 800);
    // Who tests was here before: the demo's tour is over.
    driver.executeCdpCommand(
        "Page.addScriptToEvaluateOnNewDocument",
        Map.of("source", "localStorage.setItem('tour-is-over', 'yes')"));
    driver.manage().timeouts().scriptTimeout(Await.PATIENCE.multipliedBy(2));
    wait = new WebDriverWait(driver, Await.PATIENCE, Duration.ofMillis(100));
    tabs = new Tabs(driver);
    layout = new Layout(driver);
  }

  /** The page itself, not the window with its frame, is so large. */
  void size(int width, int height) {
    driver.executeCdpCommand(
        "Emulation.setDeviceMetricsOverride",
        Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
  }

  /** What the browser says its user prefers: "light" or "dark". */
  void scheme(String scheme) {
    prefers("prefers-color-scheme", scheme);
  }

  /** As where somebody has set few colours of their own for the whole machine, or not. */
  void forcedColours(boolean on) {
    prefers("forced-colors", on ? "active" : "none");
  }

  private void prefers(String what, String value) {
    driver.executeCdpCommand(
        "Emulation.setEmulatedMedia",
        Map.of("features", List.of(Map.of("name", what, "value", value))));
  }

  /** Every word 40 % longer and in brackets, from the next page on; or as it is. */
  void stretched(boolean on) {
    driver.executeScript(
        on ? "localStorage.setItem('stretched', 'yes')" : "localStorage.removeItem('stretched')");
  }

  /** Words that are cut or run over others. */
  List<String> unreadable() {
    return layout.unreadable();
  }

  /** What Tab never comes to on this page; with a pause, also where the focus is not seen. */
  List<String> keyboardWalk(Duration pause) {
    return layout.keyboardWalk(tabs, pause);
  }

  private Path downloads() {
    return profile.resolve("downloads");
  }

  /** Waits for a download that a click began, and gives what came. */
  byte[] downloaded(String name) {
    Path file = downloads().resolve(name);
    new WebDriverWait(driver, Await.PATIENCE).until(d -> Files.exists(file));
    try {
      return Files.readAllBytes(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  void open(String path) {
    driver.get(address.resolve(path).toString());
  }

  String path() {
    return URI.create(driver.getCurrentUrl()).getPath();
  }

  /** Whether this address is open within some seconds. */
  boolean comesTo(String path) {
    try {
      return new WebDriverWait(driver, Duration.ofSeconds(3)).until(d -> path().equals(path));
    } catch (TimeoutException e) {
      return false;
    }
  }

  void signIn(String name, String password) {
    type("Name", name);
    type("Password", password);
    press("Sign in");
  }

  void type(String label, String text) {
    WebElement field =
        see(By.xpath("//label[normalize-space()='%s']/following-sibling::*".formatted(label)));
    // WebDriver's own clear() goes past React, which then puts the old text back.
    field.sendKeys(Keys.chord(Keys.CONTROL, "a"), text);
  }

  void press(String words) {
    click(By.xpath("//button[contains(normalize-space(),'%s')]".formatted(words)));
  }

  /** In a job: a place names its drives, and opens to their views when it is chosen. */
  void followTheReading() {
    click(By.xpath("//li[.//a[contains(@href,'/drive/')]]/button[@aria-expanded]"));
    follow("See the reading");
  }

  void follow(String words) {
    click(By.xpath("//a[contains(normalize-space(),'%s')]".formatted(words)));
  }

  void click(By what) {
    wait.until(ExpectedConditions.elementToBeClickable(what)).click();
  }

  /** A key with nothing focused. */
  void key(CharSequence key) {
    new Actions(driver).sendKeys(key).perform();
  }

  /** Several keys, one after the other, wherever the focus is. */
  void keys(CharSequence... keys) {
    for (CharSequence key : keys) {
      new Actions(driver).sendKeys(key).perform();
    }
  }

  /** Tab until the focus is on what bears these words, as text or as its label. */
  void tabTo(String words) {
    seeInPage(
        words,
        "document.querySelector(`[aria-label=${JSON.stringify(words)}]`)"
            + " || holders(document.body).some((e) => text(e) === words)",
        words);
    tabs.until(words, "e.getAttribute('aria-label') ?? e.textContent.trim()", words::equals);
  }

  /** The same for what only begins with these words, and for what can be ticked. */
  void tabToward(String words) {
    // A ticked course has its place in the order before its words.
    tabs.until(
        "what begins with: " + words,
        "e.getAttribute('aria-label')"
            + " ?? (e.labels && e.labels.length ? e.labels[0] : e).textContent.trim()",
        at -> at.replaceFirst("^[0-9]", "").startsWith(words) || at.startsWith(words));
  }

  /** Whoever was signed in before, and with whom beside: only this one is now. */
  void signInAnew(String person) {
    open("/");
    driver.manage().deleteAllCookies();
    open("/");
    signIn(person, Whole.PASSWORD);
    see(By.cssSelector("header nav"));
  }

  void moveTo(By what) {
    new Actions(driver).moveToElement(see(what)).perform();
  }

  /** Cuts the page off from the network, or lets it back. */
  void offline(boolean off) {
    driver.executeCdpCommand("Network.enable", Map.of());
    driver.executeCdpCommand(
        "Network.emulateNetworkConditions",
        Map.of("offline", off, "latency", 0, "downloadThroughput", -1, "uploadThroughput", -1));
  }

  void choose(String label, String option) {
    click(
        By.xpath(
            "//*[normalize-space()='%s']/following::button[@aria-haspopup='listbox'][1]"
                .formatted(label)));
    click(By.xpath("//*[@role='option'][normalize-space()='%s']".formatted(option)));
  }

  double number(String script) {
    return ((Number) driver.executeScript("return " + script)).doubleValue();
  }

  WebElement see(By what) {
    try {
      return wait.until(ExpectedConditions.visibilityOfElementLocated(what));
    } catch (TimeoutException e) {
      String page = driver.findElement(By.tagName("body")).getText();
      throw new AssertionError(
          "Not seen: %s. The page at %s says:%n%s".formatted(what, path(), page), e);
    }
  }

  /** Gives a file to the one place of the page that takes some, as its button's dialog would. */
  void giveFile(Path file) {
    wait.until(ExpectedConditions.presenceOfElementLocated(By.cssSelector("input[type=file]")))
        .sendKeys(file.toString());
  }

  /** Waits for these words; they may be spread over several text nodes. */
  void seeText(String words) {
    seeInPage("the words: " + words, "innermost().some(isVisible)", words);
  }

  /**
   * Waits in the page itself. Asked from outside ten times a second, an XPath over every element
   * takes more of a processor than the page does.
   *
   * @param condition in the page's language, of {@code words}
   */
  private void seeInPage(String what, String condition, String words) {
    String look =
        """
        const words = arguments[0], end = performance.now() + arguments[1], done = arguments[2];
        const text = (e) => e.textContent.replace(/\\s+/g, ' ').trim();
        const isVisible = (e) =>
          e.checkVisibility({ visibilityProperty: true }) && e.getClientRects().length > 0;
        // Only what holds the words is looked into.
        const holders = (e) =>
          text(e).includes(words) ? [e, ...[...e.children].flatMap(holders)] : [];
        const innermost = () => {
          const all = holders(document.body);
          return all.filter((e) => ![...e.children].some((c) => all.includes(c)));
        };
        (function look() {
          if (%s) return done(true);
          if (performance.now() > end) return done(false);
          setTimeout(look, 50);
        })();
        """
            .formatted(condition);
    Instant end = Instant.now().plus(Await.PATIENCE);
    boolean seen = false;
    while (!seen && Instant.now().isBefore(end)) {
      try {
        long left = Duration.between(Instant.now(), end).toMillis();
        seen = Boolean.TRUE.equals(driver.executeAsyncScript(look, words, left));
      } catch (JavascriptException e) {
        // The page was left for another while it was looked at: that one is looked at.
        if (!e.getMessage().contains("unloaded")) {
          throw e;
        }
      }
    }
    if (!seen) {
      String page = driver.findElement(By.tagName("body")).getText();
      throw new AssertionError(
          "Not seen: %s. The page at %s says:%n%s".formatted(what, path(), page));
    }
  }

  boolean hasText(String words) {
    return Boolean.TRUE.equals(
        driver.executeScript(
            "return document.body.textContent.replace(/\\s+/g, ' ').includes(arguments[0])",
            words));
  }

  void seeHeading(String words) {
    see(By.xpath("//h1[contains(normalize-space(),'%s')]".formatted(words)));
  }

  boolean has(By what) {
    return !driver.findElements(what).isEmpty();
  }

  String attribute(By what, String name) {
    return see(what).getDomAttribute(name);
  }

  List<String> texts(By what) {
    return driver.findElements(what).stream().map(WebElement::getText).toList();
  }

  /** A value that survives as long as the page is not loaded anew. */
  void markPage() {
    driver.executeScript("window.notReloaded = true");
  }

  boolean isPageStillMarked() {
    return Boolean.TRUE.equals(driver.executeScript("return window.notReloaded === true"));
  }

  /** Sends what no button would, from within the page, with its session and token. */
  long statusOf(String method, String path, String json) {
    Object status =
        driver.executeAsyncScript(
            "const [method, path, body, done] = arguments;"
                + "const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1];"
                + "fetch(path, {method, body, headers: {'Content-Type': 'application/json',"
                + " 'X-XSRF-TOKEN': decodeURIComponent(token)}}).then(r => done(r.status));",
            method,
            path,
            json);
    return (Long) status;
  }

  /** What axe has against the page, and what Chromium says about a broken security policy. */
  List<String> complaints() {
    return Stream.concat(
            accessibilityFindings().stream(),
            consoleErrors().stream().filter(line -> line.contains("Policy")))
        .toList();
  }

  /** What axe has against the page: WCAG 2.2 A and AA. One line a finding. */
  @SuppressWarnings("unchecked") // the shape is axe-core's
  private List<String> accessibilityFindings() {
    try {
      driver.executeScript(Files.readString(axe));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Object result =
        driver.executeAsyncScript(
            "const done = arguments[0];"
                + "axe.run({runOnly: ['wcag2a','wcag2aa','wcag21a','wcag21aa','wcag22aa']})"
                + ".then(r => done(r.violations.flatMap(v => v.nodes.map(n =>"
                + " ({id: v.id, at: n.target.join(' '), why: n.failureSummary})))));");
    return ((List<Map<String, Object>>) result).stream().map(Map::toString).toList();
  }

  /** Words that Chromium's console holds against the page, such as a policy that was broken. */
  private List<String> consoleErrors() {
    return driver.manage().logs().get("browser").getAll().stream()
        .map(Object::toString)
        .filter(line -> line.contains("SEVERE"))
        .toList();
  }

  void picture(Path file) {
    try {
      Thread.sleep(600); // marks settle
      Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void close() {
    driver.quit();
    try (Stream<Path> files = Files.walk(profile)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      System.err.println("Cannot delete " + profile + ": " + e.getMessage());
    }
  }
}
