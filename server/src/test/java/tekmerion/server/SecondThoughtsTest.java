package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tools.jackson.databind.JsonNode;

/** What speaks against a decision, machines that are back, and what the shop knows of makers. */
@ExtendWith(RunningServer.class)
class SecondThoughtsTest {
  private static JsonNode job(ShopClient shop, String number) {
    return shop.get("/api/jobs/" + number).body();
  }

  private static void act(ShopClient shop, String number, String what, Map<String, Object> body) {
    Map<String, Object> all = new HashMap<>(body);
    all.put("version", JobVersion.of(shop, "/api/jobs/" + number));
    assertThat(shop.post("/api/jobs/%s/%s".formatted(number, what), all).status())
        .as(what)
        .isLessThan(300);
  }

  private static void made(ShopClient shop, String number, String move, Map<String, String> seen) {
    act(
        shop,
        number,
        "moves/%s/outcome".formatted(move),
        Map.of("part", "machine", "levels", seen, "note", ""));
  }

  private static String line(ShopClient shop, String number) {
    return StreamSupport.stream(shop.get("/api/floor").body().get("jobs").spliterator(), false)
        .filter(lane -> lane.get("number").stringValue().equals(number))
        .findFirst()
        .orElseThrow()
        .get("line")
        .stringValue();
  }

  @Test
  void aFailedTrialSpeaksAgainstTheDecisionOnTheFloorUntilItIsDecidedAnew(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    String number =
        Talk.begin(shop.signedIn("joao"))
            .of("Twice Haas", "Ostrel", "14 laptop", "It is slow")
            .takeIn();
    act(ines, number, "moves/power-profile-set/begin", Map.of("part", "machine"));
    made(ines, number, "power-profile-set", Map.of("cure.power-profile", "gone"));
    Map<String, Object> decision = Map.of("courses", List.of("REPAIR"), "reason", "profile set");
    act(ines, number, "decisions", decision);
    assertThat(job(ines, number).get("contradicted").isNull()).isTrue();

    act(ines, number, "trials", Map.of("failed", true, "note", ""));

    assertThat(job(ines, number).get("contradicted").stringValue())
        .isEqualTo("It failed again after it was mended.");
    assertThat(line(ines, number))
        .isEqualTo("Look at the decision again: it failed again after it was mended.");
    // What had mended it did not, so the complaint is tried on other things again.
    assertThat(job(ines, number).get("moves").findValuesAsString("move")).contains("bench-start");

    act(ines, number, "decisions", decision);
    assertThat(job(ines, number).get("contradicted").isNull()).isTrue();
  }

  @Test
  void findingsThatMoveTheWeighingAwaySpeakAgainstTheDecision(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    Talk talk =
        Talk.begin(shop.signedIn("joao"))
            .of("Dead Lind", "Ostrel", "14 laptop", "It is dead, no light at all");
    talk.say(Map.of("said", Map.of("boot-stage", List.of("nothing"), "kind", List.of("laptop"))));
    String number = talk.takeIn();
    made(ines, number, "adapter-measure", Map.of("adapter.voltage", "none"));
    JsonNode first = job(ines, number).at("/weighing/causes/0");
    assertThat(first.get("cause").stringValue()).isEqualTo("power-supply");
    act(ines, number, "decisions", Map.of("courses", List.of("REPAIR"), "reason", "adapter"));

    // The same move taken back: the meter had been set wrongly. Another adapter changes nothing,
    // behind the socket there is voltage, and there is damage to see on the board.
    act(ines, number, "moves/adapter-measure/take-back", Map.of("part", "machine"));
    made(ines, number, "other-adapter", Map.of("other-adapter.after", "same"));
    made(ines, number, "socket-voltage", Map.of("socket.voltage", "there"));
    made(ines, number, "board-look", Map.of("board.damage", "seen"));

    assertThat(job(ines, number).get("contradicted").stringValue())
        .startsWith("The decision was for")
        .contains("stands at");
  }

  @Test
  void aMachineThatIsBackBringsItsEarlierDecision(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    ShopClient joao = shop.signedIn("joao");
    String first = Talk.begin(joao).of("Back Brekke", "Norrvik", "mini", "It is slow").takeIn();
    act(ines, first, "decisions", Map.of("courses", List.of("NOTHING_FOUND"), "reason", "sound"));
    act(ines, first, "end", Map.of("how", "HANDED_BACK", "note", ""));
    long machine = shop.count("SELECT machine_id FROM job WHERE number = '%s'".formatted(first));

    String same = back(joao, machine, "It is slow again");
    String other = back(joao, machine, "No sound, it is dead");

    JsonNode cameBack = job(ines, same).get("cameBack");
    assertThat(cameBack.get("number").stringValue()).isEqualTo(first);
    assertThat(cameBack.get("days").intValue()).isZero();
    assertThat(cameBack.at("/decision/reason").stringValue()).isEqualTo("sound");
    assertThat(job(ines, other).get("cameBack").isNull()).isTrue();
    // A hundred days earlier it is no return any more.
    shop.asOwner(
        "UPDATE job SET ended_at = ended_at - INTERVAL 100 DAY WHERE number = '%s'"
            .formatted(first));
    assertThat(job(ines, same).get("cameBack").isNull()).isTrue();
  }

  private static String back(ShopClient counter, long machine, String complaint) {
    return Talk.begin(counter)
        .say(Map.of("customerName", "Back Brekke", "machineId", machine, "complaint", complaint))
        .takeIn();
  }

  @Test
  void aNoteHoldsForItsMakerItsLineOrItsModelTheClosestFirst(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();
    write(ines, "Velde", "", "TESTS_KEY", "Key above the left one.");
    write(ines, "Velde", "Bark", "TESTS_KEY", "Hold B.");
    write(ines, "Velde", "Barkas", "TESTS_KEY", "Another line, though it begins alike.");
    String of = "Maker Haas";
    String line = Talk.begin(shop.signedIn("joao")).of(of, "Velde", "Bark 12", "slow").takeIn();
    String rest = Talk.begin(shop.signedIn("joao")).of(of, "Velde", "Pinn 3", "slow").takeIn();

    assertThat(notesOfTests(ines, line)).containsExactly("Hold B.");
    assertThat(notesOfTests(ines, rest)).containsExactly("Key above the left one.");
    write(ines, "Velde", "Bark", "TESTS_KEY", "");
    assertThat(notesOfTests(ines, line)).containsExactly("Key above the left one.");

    JsonNode found = ines.get("/api/maker-notes?text=velde%20left").body();
    assertThat(found.findValuesAsString("text")).containsExactly("Key above the left one.");
    Map<String, Object> note =
        Map.of("maker", "Velde", "models", "", "topic", "CASE", "text", "Two screws.");
    assertThat(shop.signedIn("joao").post("/api/maker-notes", note).status()).isEqualTo(403);
  }

  private static void write(
      ShopClient shop, String maker, String models, String topic, String text) {
    assertThat(
            shop.post(
                    "/api/maker-notes",
                    Map.of("maker", maker, "models", models, "topic", topic, "text", text))
                .status())
        .isEqualTo(204);
  }

  private static List<String> notesOfTests(ShopClient shop, String number) {
    return StreamSupport.stream(job(shop, number).get("moves").spliterator(), false)
        .filter(move -> move.get("move").stringValue("").equals("built-in-tests"))
        .flatMap(move -> move.get("notes").findValuesAsString("text").stream())
        .toList();
  }
}
