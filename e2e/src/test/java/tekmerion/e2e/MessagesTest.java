package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.launch.Child;
import tekmerion.launch.FreePort;
import tekmerion.launch.Home;
import tekmerion.launch.ProbeProcess;
import tekmerion.launch.ServerProcess;
import tekmerion.launch.ShopClient;

/** When something is wrong, each says what happened and what to do; nobody sees a stack trace. */
class MessagesTest {
  private static final int REFUSED = 3;
  private static Whole whole;

  @BeforeAll
  static void start() {
    whole = new Whole();
  }

  @AfterAll
  static void stop() {
    whole.close();
  }

  @Test
  void theDatabaseIsDownAtStart(@TempDir Path folder) {
    int nobody = FreePort.any();
    String url = "jdbc:mariadb://127.0.0.1:%d/tekmerion".formatted(nobody);
    try (ServerProcess server =
        ServerProcess.launch(
            Home.find(), folder, FreePort.any(), Map.of("TEKMERION_DB_URL", url))) {
      assertThat(server.child().waitFor(Await.PATIENCE)).isTrue();

      assertThat(server.child().exitCode()).isNotZero();
      assertThat(server.child().output())
          .contains("The database at %s does not answer.".formatted(url))
          .contains("what is in it is safe")
          .contains("Start MariaDB, or set TEKMERION_DB_URL")
          .doesNotContain("\tat ");
    }
  }

  @Test
  void aWrongEnrolmentCode() {
    Child probe = whole.startProbe(4, "sim:sound-drive", "AAAA-2222");

    assertThat(probe.waitFor(Await.PATIENCE)).isTrue();
    assertThat(probe.exitCode()).isEqualTo(REFUSED);
    assertThat(probe.output().strip())
        .isEqualTo(
            "This enrolment code is wrong, used or older than 15 minutes. Ask for a new code in the bay and start the probe with it.");
  }

  @Test
  void aProbeWithoutACodeKnocksAndSaysSoOnce() throws Exception {
    Child probe = whole.startProbe(5, "sim:sound-drive", null);

    String digits = Knocks.digitsOn(probe);
    ShopClient shop = whole.signedIn();
    String id = shop.get("/api/knocks").body().get(0).get("id").stringValue();
    assertThat(shop.post("/api/knocks/" + id + "/turn-away", Map.of()).status()).isEqualTo(204);

    assertThat(probe.waitFor(Await.PATIENCE)).isTrue();
    assertThat(probe.exitCode()).isEqualTo(REFUSED);
    assertThat(probe.output().lines())
        .containsExactly(
            "Knocks at the shop's server. Let it in there with %s.".formatted(digits),
            "The shop turned this machine away. Ask who is at the bench, then knock again or link it"
                + " with a code from the bay.");
  }

  @Test
  void aRevokedProbe() throws Exception {
    ShopClient shop = whole.signedIn();
    Child probe = whole.startProbe(2, "sim:sound-drive", shop.enrolmentCode(2));
    Await.until("it is on", () -> probe.output().contains("On the bench link, in bay 2"));

    assertThat(shop.delete("/api/bays/2/probe").status()).isEqualTo(204);

    assertThat(probe.waitFor(Await.PATIENCE)).isTrue();
    assertThat(probe.exitCode()).isEqualTo(REFUSED);
    assertThat(probe.output()).contains("This probe was revoked. Ask for a new code in the bay");

    Child again = whole.startProbe(2, "sim:sound-drive", null);
    assertThat(again.waitFor(Await.PATIENCE)).isTrue();
    assertThat(again.output()).contains("it was revoked").contains("What it read is kept");

    Child anew = whole.startProbe(2, "sim:sound-drive", shop.enrolmentCode(2));
    Await.until("it is on again", () -> anew.output().contains("On the bench link, in bay 2"));
  }

  @Test
  void theServerIsNotThereYet(@TempDir Path folder) throws Exception {
    Child probe =
        ProbeProcess.start(
            Home.find(),
            folder,
            URI.create("http://127.0.0.1:" + FreePort.any()),
            "sim:sound-drive",
            "AAAA-2222");
    try (probe) {
      Await.until("it says so", () -> probe.output().contains("nothing is lost"));
      assertThat(probe.isAlive()).isTrue();
      assertThat(probe.output()).contains("No link to http://127.0.0.1:").doesNotContain("\tat ");
    }
  }

  @Test
  void anExpiredSessionInTheBrowser() throws Exception {
    try (Browser browser = new Browser(whole.home(), whole.address())) {
      browser.open("/job/J-2294");
      browser.signIn(Whole.PERSON, Whole.PASSWORD);
      browser.seeText("Tarnwick all-in-one 24");

      whole.execute("DELETE FROM SPRING_SESSION");
      browser.key("3");

      browser.seeText("The session of Ines R. has ended.");
      browser.signIn(Whole.PERSON, Whole.PASSWORD);
      browser.seeText("Norrvik mini"); // where it was going
      assertThat(browser.path()).isEqualTo("/job/J-2296");
    }
  }

  @Test
  void theServerGoesAwayWhileThePageIsOpen() throws Exception {
    try (Browser browser = new Browser(whole.home(), whole.address())) {
      browser.open("/");
      browser.signIn(Whole.PERSON, Whole.PASSWORD);
      browser.seeHeading("machines need a person");

      whole.killServer();
      browser.seeText("The server does not send changes at the moment.");
      whole.startServer();

      Await.until("the page catches up by itself", () -> !browser.hasText("does not send changes"));
    }
  }
}
