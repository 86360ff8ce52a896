package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tekmerion.launch.ShopClient;
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
