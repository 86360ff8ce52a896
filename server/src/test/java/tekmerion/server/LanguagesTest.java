package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static tekmerion.words.Words.say;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.words.Words;
import tools.jackson.databind.JsonNode;

/** What was kept once is read in the language of whoever asks; so is what is worked out now. */
@ExtendWith(RunningServer.class)
class LanguagesTest {

  private static ShopClient speaking(RunningServer.Shop shop, String language) {
    ShopClient client = shop.signedIn();
    client.speak(language);
    return client;
  }

  private static String takenIn(RunningServer.Shop shop, String complaint) throws Exception {
    Talk talk = Talk.begin(shop.signedIn("joao"));
    return talk.of("Elin Quist", "Ostrel", "14 laptop", complaint).takeIn();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "en| Taken in| Failing drive| Read its drive",
        "nb| Tatt imot| Sviktende disk| Les disken",
        "no-NO, en;q=0.5| Tatt imot| Sviktende disk| Les disken",
        "zxx| ⟦intake.taken-in⟧| ⟦knowhow.causes.failing-drive.name⟧| ⟦floor.read-its-drive⟧",
        "en-XA| [Tàkén în~~~]| [Fàîlîng drîvé~~~~~]| [Réàd îts drîvé~~~~~~]",
      })
  void aJobIsToldInTheLanguageThatIsAskedFor(
      String language, String taken, String cause, String next, RunningServer.Shop shop)
      throws Exception {
    String number = takenIn(shop, "The drive clicks");

    ShopClient reader = speaking(shop, language);
    JsonNode job = reader.get("/api/jobs/" + number).body();
    JsonNode floor = reader.get("/api/floor").body();

    assertThat(job.toString()).contains("\"" + taken + "\"", "\"" + cause + "\"");
    assertThat(floor.toString()).contains(number);
    assertThat(floor.toString()).contains(next);
  }

  /** A probe tells in messages, one within another, and the system's own words as they are. */
  @Test
  void whyARunCouldNotRunIsInTheReadersLanguage(RunningServer.Shop shop) throws Exception {
    String why =
        Words.kept(
            () ->
                say(
                    "probe.refused",
                    "why",
                    say("probe.it-cannot-be-opened", "why", "/dev/sda | busy")));
    try (BenchJob job = BenchJob.begin(shop, 6, "Sela Brandt", "drive-a")) {
      job.ines.post(
          job.path() + "/parts/drive-a/runs", Map.of("kind", RunKind.SURFACE_SAMPLE.name()));
      UUID id = job.peer.next(ToProbe.StartRun.class).requestId();
      job.end(
          id, "drive-a", RunKind.SURFACE_SAMPLE, LinkEvent.End.COULD_NOT_RUN, why, null, job.drive);

      assertThat(speaking(shop, "nb").get("/api/runs/" + id).body().get("why").stringValue())
          .isEqualTo("avvist av sonden: den kan ikke åpnes: /dev/sda | busy");
      assertThat(speaking(shop, "en").get(job.path()).body().toString())
          .contains("refused by the probe: it cannot be opened: /dev/sda | busy");
    }
  }

  @Test
  void aRefusalIsInTheLanguageToo(RunningServer.Shop shop) {
    JsonNode refusal = speaking(shop, "nb").get("/api/jobs/J-0").body();

    assertThat(refusal.get("detail").stringValue()).isEqualTo("Det finnes ingen jobb J-0.");
    assertThat(refusal.get("kept").stringValue()).isEqualTo("Ingenting ble endret.");
    assertThat(refusal.get("toDo").stringValue())
        .isEqualTo("Sjekk nummeret, eller gå til verkstedet.");
  }

  /** Kept in Norwegian's time, read in English: neither language is in the database. */
  @Test
  void whatOneWritesInOneLanguageAnotherReadsInAnother(RunningServer.Shop shop) throws Exception {
    String number = takenIn(shop, "It is slow");
    ShopClient norwegian = speaking(shop, "nb");
    long version = JobVersion.of(norwegian, "/api/jobs/" + number);
    assertThat(
            norwegian
                .post(
                    "/api/jobs/%s/take".formatted(number),
                    Map.of("version", version, "over", false))
                .status())
        .isEqualTo(204);

    JsonNode english = speaking(shop, "en").get("/api/jobs/" + number).body();
    JsonNode bokmal = norwegian.get("/api/jobs/" + number).body();

    assertThat(english.toString()).contains("\"Taken by Ines R.\"", "\"nobody had it\"");
    assertThat(bokmal.toString()).contains("\"Tatt av Ines R.\"", "\"ingen hadde den\"");
  }

  @Test
  void whatSomebodyTypesIsNoMessage(RunningServer.Shop shop) throws Exception {
    String number = takenIn(shop, "It says ⟦drive.flat⟧ at the start");

    assertThat(shop.signedIn().get("/api/jobs/" + number).body().get("complaint").stringValue())
        .isEqualTo("It says [drive.flat] at the start");
  }
}
