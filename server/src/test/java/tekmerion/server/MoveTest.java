package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** Moves made by hand on jobs of the demo shop that sit in no bay. */
@ExtendWith(RunningServer.class)
class MoveTest {
  private static final String LOOP = "/api/jobs/J-2287";

  private static JsonNode job(ShopClient shop, String job) {
    return shop.get(job).body();
  }

  private static ShopClient.Answer send(
      ShopClient shop, String job, String move, String what, Map<String, Object> more) {
    Map<String, Object> body = new HashMap<>(more);
    body.put("version", JobVersion.of(shop, job));
    body.putIfAbsent("part", "machine");
    return shop.post("%s/moves/%s/%s".formatted(job, move, what), body);
  }

  private static List<String> offered(ShopClient shop, String job) {
    return job(shop, job).get("moves").findValuesAsString("move");
  }

  private static double share(ShopClient shop, String job, String cause) {
    for (JsonNode one : job(shop, job).at("/weighing/causes")) {
      if (one.get("cause").stringValue().equals(cause)) {
        return one.get("probability").doubleValue();
      }
    }
    throw new AssertionError("no cause " + cause);
  }

  @Test
  void whatIsSeenIsWeighedAndCanBeTakenBack(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String battery =
        "/api/jobs/"
            + Talk.begin(shop.signedIn("joao"))
                .of("Moved Mika", "Norrvik", "13 laptop", "The battery lasts only ten minutes")
                .takeIn();
    double before = share(ines, battery, "battery-cells");
    assertThat(offered(ines, battery)).contains("battery-report");
    Map<String, Object> spent =
        Map.of(
            "levels",
            Map.of("battery.health", "spent", "battery.cycles", "many"),
            "note",
            "41 % of design");

    assertThat(send(ines, battery, "battery-report", "outcome", spent).status()).isEqualTo(204);

    assertThat(share(ines, battery, "battery-cells")).isGreaterThan(before);
    assertThat(offered(ines, battery)).doesNotContain("battery-report");
    JsonNode journal = job(ines, battery).get("journal");
    assertThat(journal.get(journal.size() - 1).get("detail").stringValue())
        .isEqualTo("Full charge against design: under 50 %; Cycles: 500 and more. 41 % of design");

    assertThat(send(ines, battery, "battery-report", "take-back", Map.of()).status())
        .isEqualTo(204);

    assertThat(share(ines, battery, "battery-cells")).isEqualTo(before);
    assertThat(offered(ines, battery)).contains("battery-report");
  }

  @Test
  void couldNotBeDoneTellsNothingAndIsNotOfferedAgain(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    double before = share(ines, LOOP, "half-update");

    ShopClient.Answer answer =
        send(ines, LOOP, "restart-once", "could-not", Map.of("why", "the owner said not to"));

    assertThat(answer.status()).isEqualTo(204);
    assertThat(share(ines, LOOP, "half-update")).isEqualTo(before);
    assertThat(offered(ines, LOOP)).doesNotContain("restart-once");
  }

  /** A correction is no second look: it counts once, as it was seen last. */
  @Test
  void aLookThatWasTakenBackCountsNoMore(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = "/api/jobs/J-2293"; // dead
    look(ines, job, "adapter-measure", Map.of("adapter.voltage", "holds"));
    double once = share(ines, job, "power-supply");

    assertThat(send(ines, job, "adapter-measure", "take-back", Map.of()).status()).isEqualTo(204);
    look(ines, job, "adapter-measure", Map.of("adapter.voltage", "holds"));

    assertThat(share(ines, job, "power-supply")).isCloseTo(once, within(1e-12));
  }

  private static void look(ShopClient shop, String job, String move, Map<String, String> levels) {
    Map<String, Object> seen = Map.of("levels", levels, "note", "");
    assertThat(send(shop, job, move, "outcome", seen).status()).as(move).isEqualTo(204);
  }

  @Test
  void thatADriveDidNotAnswerIsSeenAndTold(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = "/api/jobs/J-2287";
    double before = share(ines, job, "drive-electronics");
    Map<String, Object> silent = new HashMap<>(Map.of("why", "not a sound", "silent", true));

    assertThat(send(ines, job, "hold-power", "could-not", silent).status())
        .as("it is on no drive")
        .isEqualTo(400);
    silent.put("part", "drive-a");
    assertThat(send(ines, job, "drive-listen", "could-not", silent).status()).isEqualTo(204);
    double silentOnce = share(ines, job, "drive-electronics");
    assertThat(silentOnce).isGreaterThan(before);

    assertThat(send(ines, job, "dock-bench", "could-not", silent).status()).isEqualTo(204);
    Map<String, Object> onDrive = Map.of("part", "drive-a");
    assertThat(send(ines, job, "dock-bench", "take-back", onDrive).status()).isEqualTo(204);
    assertThat(share(ines, job, "drive-electronics"))
        .as("it was silent in the other move still")
        .isCloseTo(silentOnce, within(1e-12));
    assertThat(send(ines, job, "drive-listen", "take-back", onDrive).status()).isEqualTo(204);
    assertThat(share(ines, job, "drive-electronics")).isCloseTo(before, within(1e-12));
  }

  @Test
  void aMoveThatWritesIsLockedUntilTheDataIsSafe(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job =
        "/api/jobs/"
            + Talk.begin(shop.signedIn("joao"))
                .of("Locked Lund", "Tarnwick", "desk tower", "Keeps restarting, stuck update")
                .say(Map.of("said", Map.of("boot-stage", List.of("recovery"))))
                .takeIn();

    ShopClient.Answer begun = send(ines, job, "system-file-verify", "begin", Map.of());
    ShopClient.Answer told =
        send(
            ines,
            job,
            "system-file-verify",
            "outcome",
            Map.of("levels", Map.of("cure.system-files", "gone"), "note", ""));

    assertThat(begun.status()).isEqualTo(423);
    assertThat(begun.body().get("detail").stringValue()).contains("writes to the drive");
    assertThat(told.status()).isEqualTo(423);
  }

  @Test
  void aChangeIsBegunBeforeItIsToldAndIsTheOnlyOne(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    Map<String, Object> gone = Map.of("levels", Map.of("cure.fan", "same"), "note", "");
    String job = "/api/jobs/J-2289"; // stutters

    assertThat(send(ines, job, "clean-fan", "outcome", gone).status()).isEqualTo(423);
    assertThat(send(ines, job, "clean-fan", "begin", Map.of()).status()).isEqualTo(204);
    assertThat(job(ines, job).at("/openChange/what").stringValue())
        .isEqualTo("Clean fan and vents");
    assertThat(send(ines, job, "power-profile-set", "begin", Map.of()).status()).isEqualTo(423);
    assertThat(send(ines, job, "clean-fan", "outcome", gone).status()).isEqualTo(204);
    assertThat(job(ines, job).get("openChange").isNull()).isTrue();
  }

  @Test
  void whatIsNoOutcomeOfTheMoveIsRefused(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(
            send(
                    ines,
                    LOOP,
                    "battery-look",
                    "outcome",
                    Map.of("levels", Map.of("battery.shape", "blue"), "note", ""))
                .status())
        .isEqualTo(400);
    assertThat(send(ines, LOOP, "wave-a-wand", "could-not", Map.of("why", "x")).status())
        .isEqualTo(404);
  }

  @Test
  void anotherChangeThatIsOpenIsNotClosedByAMove(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = "/api/jobs/J-2288"; // slow
    Map<String, Object> change = new HashMap<>();
    change.put("version", JobVersion.of(ines, job));
    change.put("what", "memory reseated");
    assertThat(ines.post(job + "/changes", change).status()).isEqualTo(204);

    ShopClient.Answer told =
        send(
            ines,
            job,
            "clean-fan",
            "outcome",
            Map.of("levels", Map.of("cure.fan", "gone"), "note", ""));

    assertThat(told.status()).isEqualTo(423);
    assertThat(job(ines, job).at("/openChange/what").stringValue()).isEqualTo("memory reseated");
    Map<String, Object> check = new HashMap<>();
    check.put("version", JobVersion.of(ines, job));
    check.put("result", "SAME");
    check.put("note", "");
    assertThat(ines.post(job + "/check", check).status()).isEqualTo(204);
  }

  @Test
  void whatCameOfABegunMoveIsKeptWhateverIsOfferedMeanwhile(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = "/api/jobs/J-2270"; // memory errors
    assertThat(send(ines, job, "memory-reseat", "begin", Map.of()).status()).isEqualTo(204);
    Map<String, Object> cannot = Map.of("why", "no time");
    assertThat(send(shop.signedIn("mara"), job, "memory-reseat", "could-not", cannot).status())
        .isEqualTo(204);
    assertThat(offered(ines, job)).doesNotContain("memory-reseat");

    ShopClient.Answer told =
        send(
            ines,
            job,
            "memory-reseat",
            "outcome",
            Map.of("levels", Map.of("cure.memory-seat", "gone"), "note", "all four"));

    assertThat(told.status()).isEqualTo(204);
    JsonNode made = job(ines, job).at("/made/0");
    assertThat(made.get("title").stringValue()).isEqualTo("Reseat the memory");
    assertThat(made.get("words").stringValue()).isEqualTo("After reseating: the complaint is gone");
    assertThat(made.get("by").stringValue()).isEqualTo("Ines R.");
  }

  @Test
  void aPartThatTheMachineHasNotIsRefused(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    ShopClient.Answer answer =
        send(ines, LOOP, "drive-listen", "could-not", Map.of("part", "drive-q", "why", "x"));

    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.body().get("kept").stringValue()).isNotEmpty();
  }

  @Test
  void aFindingOfAMoveSaysThatItIsOne(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String job = "/api/jobs/J-2293"; // dead
    Map<String, Object> look = new HashMap<>();
    look.put("levels", Map.of("power.light", "none", "power.fan", "still"));
    look.put("note", "");

    assertThat(send(ines, job, "light-fan-beep", "outcome", look).status()).isEqualTo(204);

    List<String> kinds =
        job(ines, job).at("/weighing/causes").findValues("finding").stream()
            .filter(finding -> finding.get("id").stringValue().equals("power.light"))
            .map(finding -> finding.at("/basis/kind").stringValue())
            .distinct()
            .toList();
    assertThat(kinds).containsExactly("move");
  }
}
