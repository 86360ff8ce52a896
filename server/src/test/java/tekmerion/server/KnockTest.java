package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.launch.ShopClient.Answer;
import tekmerion.link.BenchLink;
import tekmerion.link.Knock;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tools.jackson.databind.JsonNode;

/** Machines that ask to be let in, and those that only say so. Without TLS, so no certificate. */
@ExtendWith(RunningServer.class)
class KnockTest {
  private static final int FREE_BAY = 6;
  private static final int MAX_FROM_ONE_ADDRESS = 8;
  private static int made;

  private final List<Machine> machines = new ArrayList<>();
  private final RunningServer.Shop shop;
  private final ShopClient ines;

  KnockTest(RunningServer.Shop shop) {
    this.shop = shop;
    this.ines = shop.signedIn();
  }

  /** The machine's side, driven by hand. */
  private final class Machine {
    private final byte[] nonce = new byte[Knock.BYTES];
    private final ShopClient wire = shop.stranger();
    private final Answer knocked;

    Machine(String serial) {
      nonce[0] = (byte) ++made;
      knocked =
          wire.post(
              BenchLink.KNOCK_PATH,
              new Knock.Request(
                  HexFormat.of().formatHex(Knock.commitment(nonce)),
                  "1",
                  UUID.randomUUID(),
                  new MachineNote("Ostrel", "17", serial, "test", List.of(), List.of())));
      machines.add(this);
    }

    String id() {
      return knocked.body().get("id").stringValue();
    }

    Answer asks(byte[] with) {
      return wire.post(
          BenchLink.KNOCK_PATH + "/" + id(), new Knock.Opening(HexFormat.of().formatHex(with)));
    }

    Answer asks() {
      return asks(nonce);
    }

    String digits() {
      byte[] servers = HexFormat.of().parseHex(knocked.body().get("nonce").stringValue());
      return Knock.digits(nonce, servers, Optional.empty());
    }

    String notItsDigits() {
      return digits().equals("000000") ? "000001" : "000000";
    }

    Answer letIn(String digits, int bay, String job) {
      Map<String, Object> how = new HashMap<>(Map.of("digits", digits, "bay", bay));
      how.put("job", job);
      return ines.post("/api/knocks/%s/let-in".formatted(id()), how);
    }

    Optional<JsonNode> seen() {
      return ines.get("/api/knocks")
          .body()
          .valueStream()
          .filter(k -> k.get("id").stringValue().equals(id()))
          .findFirst();
    }
  }

  @AfterEach
  void turnAllAway() {
    machines.stream()
        .filter(machine -> machine.knocked.status() == 200)
        .forEach(
            machine -> ines.post("/api/knocks/%s/turn-away".formatted(machine.id()), Map.of()));
  }

  @Test
  void isSeenOnceItsNumberIsToldAndLetInByItsDigits() throws Exception {
    Machine machine = new Machine("");
    assertThat(machine.seen()).isEmpty();

    assertThat(machine.asks().body().get("stage").stringValue()).isEqualTo("WAITS");
    assertThat(machine.seen().orElseThrow().toString())
        .contains("Ostrel 17")
        .doesNotContain(machine.digits());
    assertThat(machine.letIn(machine.digits(), FREE_BAY, null).status()).isEqualTo(204);

    JsonNode granted = machine.asks().body().get("granted");
    assertThat(granted.get("bay").stringValue()).isEqualTo("bay " + FREE_BAY);
    // An answer may be lost: it is given again until the machine was seen with it.
    JsonNode again = machine.asks().body().get("granted");
    try (LinkPeer peer = new LinkPeer(shop.address(), again.get("token").stringValue())) {
      peer.hello(0);
      assertThat(peer.next(ToProbe.Welcome.class).bay()).isEqualTo("bay " + FREE_BAY);
    }
    assertThat(machine.asks().status()).isEqualTo(410);
    assertThat(machine.seen()).isEmpty();
  }

  @Test
  void threeTimesTheWrongDigitsTurnItAway() {
    Machine machine = new Machine("");
    machine.asks();

    Answer first = machine.letIn(machine.notItsDigits(), FREE_BAY, null);
    assertThat(first.status()).isEqualTo(409);
    assertThat(first.body().get("toDo").stringValue()).contains("2 more tries");
    machine.letIn(machine.notItsDigits(), FREE_BAY, null);
    assertThat(machine.letIn(machine.notItsDigits(), FREE_BAY, null).body().toString())
        .contains("It was turned away", "somebody may sit between")
        .doesNotContain("Nothing was changed");

    assertThat(machine.letIn(machine.digits(), FREE_BAY, null).status()).isEqualTo(409);
    assertThat(machine.asks().body().get("stage").stringValue()).isEqualTo("TURNED_AWAY");
  }

  /** Who sits between may not choose its number after it has seen the server's. */
  @Test
  void anotherNumberThanTheOneItIsBoundToIsNotTaken() {
    Machine machine = new Machine("");

    assertThat(machine.asks(new byte[Knock.BYTES]).status()).isEqualTo(410);
    assertThat(machine.seen()).isEmpty();
    assertThat(machine.asks().status()).isEqualTo(200);
  }

  @Test
  void theJobWithItsSerialIsProposedAndIsPutInTheFreeBay() throws SQLException {
    shop.asOwner(
        "UPDATE machine SET serial = 'K-77', serial_plain = 'K77' WHERE id ="
            + " (SELECT machine_id FROM job WHERE number = 'J-2291')");
    Machine machine = new Machine("k 77");
    machine.asks();

    JsonNode proposed = machine.seen().orElseThrow().get("job");
    assertThat(proposed.get("number").stringValue()).isEqualTo("J-2291");
    int before = proposed.get("bay").intValue();
    assertThat(machine.letIn(machine.digits(), FREE_BAY, "J-2291").status()).isEqualTo(204);
    assertThat(bayOf("J-2291")).isEqualTo(FREE_BAY);

    // Where another machine stands nothing is changed, and it still knocks.
    Machine other = new Machine("");
    other.asks();
    int taken = bayOf("J-2291");
    String unplaced = jobInAnotherBay(taken);
    int its = bayOf(unplaced);
    assertThat(other.letIn(other.digits(), taken, unplaced).status()).isEqualTo(409);
    assertThat(bayOf(unplaced)).isEqualTo(its);
    assertThat(other.seen()).isPresent();
    shop.asOwner("UPDATE bay SET job_id = NULL WHERE number = %d".formatted(FREE_BAY));
    shop.asOwner(
        "UPDATE bay SET job_id = (SELECT id FROM job WHERE number = 'J-2291') WHERE number = %d"
            .formatted(before));
  }

  private int bayOf(String job) {
    return ines.get("/api/floor")
        .body()
        .get("bays")
        .valueStream()
        .filter(bay -> bay.at("/job/number").asString("").equals(job))
        .findFirst()
        .orElseThrow()
        .get("number")
        .intValue();
  }

  private String jobInAnotherBay(int than) {
    return ines.get("/api/floor")
        .body()
        .get("bays")
        .valueStream()
        .filter(bay -> bay.get("number").intValue() != than && bay.get("job").isObject())
        .findFirst()
        .orElseThrow()
        .at("/job/number")
        .stringValue();
  }

  @Test
  void oneAddressCannotFillTheDoor() {
    List<Integer> answers =
        IntStream.rangeClosed(0, MAX_FROM_ONE_ADDRESS)
            .mapToObj(i -> new Machine("").knocked.status())
            .toList();

    assertThat(answers.subList(0, MAX_FROM_ONE_ADDRESS)).containsOnly(200);
    assertThat(answers.get(MAX_FROM_ONE_ADDRESS)).isEqualTo(429);
    machines.stream().filter(m -> m.knocked.status() == 200).forEach(Machine::asks);
  }

  @Test
  void whatIsNoKnockIsRefused() {
    Answer answer =
        shop.stranger()
            .post(
                BenchLink.KNOCK_PATH,
                new Knock.Request("xyz", "1", UUID.randomUUID(), LinkPeer.MACHINE));

    assertThat(answer.status()).isEqualTo(400);
  }
}
