package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.PageNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;

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
    for (PageKind kind : PageKind.values()) {
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
              new LinkEvent.DriveRead(
                  UUID.randomUUID(),
                  UUID.randomUUID(),
                  "drive-a",
                  Instant.now(),
                  pages(identityReadable))));
      peer.next(ToProbe.Acknowledge.class);
    }
    ines.delete("/api/bays/%d/probe".formatted(bay));
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
}
