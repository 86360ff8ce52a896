package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;

/** A drive keeps its identity when it moves; bays 2 and 3 stand for two machines. */
@ExtendWith(RunningServer.class)
class PartsTest {
  private static final String OPEN_PLACES =
      "SELECT COUNT(*) FROM part_place p JOIN part d ON d.id = p.part_id"
          + " WHERE d.serial = 'Q24F-90311-K' AND p.until IS NULL";

  private static List<PageNote> pages(boolean identityReadable) {
    PageSource drive =
        new SimMachines().open("sim:sound-drive,0").orElseThrow().drives().get(0).pages();
    List<PageNote> pages = new ArrayList<>();
    for (PageKind kind : drive.kinds()) {
      boolean silent = kind == PageKind.ATA_IDENTIFY && !identityReadable;
      pages.add(
          PageNote.of(
              kind, silent ? new PageAnswer.Got(new RawPage(new byte[512])) : drive.read(kind)));
    }
    return pages;
  }

  private static void read(RunningServer.Shop shop, int bay, boolean identityReadable)
      throws InterruptedException {
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, bay, UUID.randomUUID());
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      peer.send(
          new ToServer.Event(
              1,
              new LinkEvent.PartRead(
                  UUID.randomUUID(),
                  UUID.randomUUID(),
                  "drive-a",
                  Instant.now(),
                  pages(identityReadable))));
      peer.next(ToProbe.Acknowledge.class);
    }
    assertThat(ines.delete("/api/bays/%d/probe".formatted(bay)).status()).isEqualTo(204);
  }

  @Test
  void movesWithItsHistoryAndIsInOnePlaceAtATime(RunningServer.Shop shop) throws Exception {
    read(shop, 2, true);
    read(shop, 2, true);
    assertThat(shop.count(OPEN_PLACES)).isOne();

    read(shop, 3, true);

    assertThat(shop.count("SELECT COUNT(*) FROM part WHERE serial = 'Q24F-90311-K'")).isOne();
    assertThat(shop.count(OPEN_PLACES)).isOne();
    assertThat(
            shop.count(
                "SELECT COUNT(DISTINCT r.machine_id) FROM reading r JOIN part d ON d.id = r.part_id"
                    + " WHERE d.serial = 'Q24F-90311-K'"))
        .isEqualTo(2);
  }

  @Test
  void aDriveThatCannotSayWhoItIsCountsAsTheOneThatSatThere(RunningServer.Shop shop)
      throws Exception {
    read(shop, 3, true);
    long parts = shop.count("SELECT COUNT(*) FROM part");

    read(shop, 3, false);

    assertThat(shop.count("SELECT COUNT(*) FROM part")).isEqualTo(parts);
    assertThat(shop.count(OPEN_PLACES)).isOne();
    assertThat(
            shop.signedIn()
                .get("/api/jobs/J-2296")
                .body()
                .at("/drives/0/description")
                .stringValue())
        .isEqualTo("size and kind not readable");
  }

  @Test
  void equalPagesAreStoredOnce(RunningServer.Shop shop) throws Exception {
    read(shop, 3, true);
    read(shop, 3, true);
    long identities = shop.count("SELECT COUNT(*) FROM reading_page WHERE kind = 'ata-identify'");
    long stored =
        shop.count(
            "SELECT COUNT(DISTINCT r.sha256) FROM raw_page r"
                + " JOIN reading_page p ON p.sha256 = r.sha256 WHERE p.kind = 'ata-identify'");

    assertThat(identities).isGreaterThan(stored);
    assertThat(shop.count("SELECT COUNT(*) FROM raw_page WHERE sha256 <> UNHEX(SHA2(bytes, 256))"))
        .isZero();
  }

  /** A label read as 0 for O: offered, joined by a person, and taken apart again. */
  @Test
  void whatMayBeTheSamePartIsOfferedNeverMergedAndCanBeUndone(RunningServer.Shop shop)
      throws Exception {
    read(shop, 2, true); // Q24F-90311-K
    ShopClient ines = shop.signedIn();
    Talk talk = Talk.begin(shop.signedIn("joao")).say(Map.of("subject", "DRIVE"));
    talk.say(Map.of("serial", "024F-903I1-K")).of("Near Lobo", "", "SSD", "It is slow");
    String number = talk.takeIn();
    long typed = ines.get("/api/jobs/" + number).body().at("/drives/0/partId").longValue();
    JsonNode near = ines.get("/api/parts/" + typed).body().at("/near/0");
    String join = "/api/parts/%d/same/%d".formatted(typed, near.get("id").longValue());

    assertThat(near.get("serial").stringValue()).isEqualTo("Q24F-90311-K");
    assertThat(near.get("how").stringValue()).contains("look alike");
    assertThat(ines.get("/api/parts/" + typed).body().get("readings").size()).isZero();

    assertThat(ines.put(join, Map.of()).status()).isEqualTo(204);
    JsonNode joined = ines.get("/api/parts/" + typed).body();
    ShopClient.Answer again = ines.put(join, Map.of());
    assertThat(ines.delete(join).status()).isEqualTo(204);
    JsonNode apart = ines.get("/api/parts/" + typed).body();

    assertThat(joined.get("readings").size()).isPositive();
    assertThat(joined.get("stays").size()).isGreaterThan(1);
    assertThat(joined.at("/sameAs/0/serial").stringValue()).isEqualTo("Q24F-90311-K");
    assertThat(again.status()).isEqualTo(409);
    assertThat(apart.get("readings").size()).isZero();
    assertThat(apart.at("/near/0/serial").stringValue()).isEqualTo("Q24F-90311-K");
    assertThat(shop.count("SELECT COUNT(*) FROM part_same WHERE undone_at IS NOT NULL")).isOne();
  }

  /** "It is this one all the same" was wrong: correcting the intake undoes it. */
  @Test
  void aMachineHeldToBeAnOldOneCanBeTakenForItselfAgain(RunningServer.Shop shop) throws Exception {
    ShopClient joao = shop.signedIn("joao");
    JsonNode met = joao.get("/api/known?serial=OST17-22O7-118").body().at("/machines/0");
    assertThat(met.get("certain").booleanValue()).isFalse();
    Talk talk = Talk.begin(joao).of("Wrong Dunne", "Ostrel", "17 laptop", "It is slow");
    talk.say(Map.of("serial", "OST17-22O7-118", "machineId", met.get("id").longValue()));
    String number = talk.takeIn();
    String machines =
        "SELECT COUNT(DISTINCT machine_id) FROM job WHERE number IN ('J-2291', '%s')"
            .formatted(number);
    assertThat(shop.count(machines)).isOne();

    Map<String, Object> notThatOne = new HashMap<>();
    notThatOne.put("machineId", null);
    talk.say(notThatOne);
    talk.takeIn();

    assertThat(shop.count(machines)).isEqualTo(2);
    assertThat(joao.get("/api/jobs/J-2291").body().get("machineSerial").stringValue())
        .isEqualTo("OST17-2207-118"); // the old one kept its own
  }
}
