package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
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

/** A drive's view over several visits, every number down to its bytes. */
@ExtendWith(RunningServer.class)
class DriveViewTest {
  private static final int BAY = 6;
  private static final Instant FIRST = Instant.parse("2026-09-01T10:00:00Z");

  /** The simulated drive lives by it. */
  private static final class Years extends Clock {
    private Instant now = FIRST;

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    @Override
    public Instant instant() {
      return now;
    }
  }

  /** A job that no other test uses, in the free bay; null takes it out again. */
  private static String job(ShopClient ines, RunningServer.Shop shop, int which, Integer bay)
      throws Exception {
    long number =
        shop.count(
            "SELECT CAST(SUBSTRING(number, 3) AS UNSIGNED) AS n FROM job WHERE ended_at IS NULL"
                + " AND id NOT IN (SELECT job_id FROM bay WHERE number <> 6 AND job_id IS NOT NULL)"
                + " ORDER BY n DESC LIMIT 1 OFFSET "
                + which);
    String job = "/api/jobs/J-" + number;
    Map<String, Object> into = new HashMap<>();
    into.put("version", JobVersion.of(ines, job));
    into.put("bay", bay);
    ShopClient.Answer put = ines.post(job + "/bay", into);
    assertThat(put.status()).as(put.body().toString()).isBetween(200, 204);
    return job;
  }

  /** The drive's pages under another serial: the one it has belongs to other tests. */
  private static PageAnswer read(PageSource drive, PageKind kind) {
    PageAnswer answer = drive.read(kind);
    if (kind != PageKind.ATA_IDENTIFY) {
      return answer;
    }
    byte[] page = answer.bytes().orElseThrow().bytes();
    page[20] = 'X'; // word 10: the second character of the serial (ACS-3, 7.12.7)
    page[511] = 0;
    page[511] -= (byte) new RawPage(page).sumModulo256();
    return new PageAnswer.Got(new RawPage(page));
  }

  @Test
  void followsADriveOverItsVisitsDownToTheBytes(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job = job(ines, shop, 0, BAY);
    Years clock = new Years();
    PageSource drive =
        new SimMachines(clock).open("sim:worn-disk,0").orElseThrow().drives().get(0).pages();
    List<UUID> readings = new ArrayList<>();
    try (LinkPeer peer =
        new LinkPeer(shop.address(), LinkPeer.enrol(ines, BAY, UUID.randomUUID()))) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      for (int i = 0; i < 5; i++) {
        ines.post(job + "/readings", Map.of("partKey", "drive-a"));
        UUID asked = peer.next(ToProbe.ReadPart.class).requestId();
        readings.add(UUID.randomUUID());
        peer.send(
            new ToServer.Event(
                i + 1,
                new LinkEvent.PartRead(
                    asked,
                    readings.get(i),
                    "drive-a",
                    clock.instant(),
                    drive.kinds().stream().map(k -> PageNote.of(k, read(drive, k))).toList())));
        peer.next(ToProbe.Acknowledge.class);
        clock.now = clock.now.plus(Duration.ofDays(2)); // it never rests: 48 h each
      }
    }

    job(ines, shop, 0, null);
    JsonNode view = ines.get(job + "/parts/drive-a").body();

    assertThat(view.get("visits")).hasSize(5);
    JsonNode hours = row(view, "9");
    assertThat(hours.at("/values/4").doubleValue() - hours.at("/values/0").doubleValue())
        .isEqualTo(4 * 48);
    JsonNode waiting = row(view, "197");
    assertThat(waiting.get("bad").booleanValue()).isTrue();
    assertThat(waiting.at("/values/4").doubleValue())
        .isGreaterThan(waiting.at("/values/0").doubleValue());
    JsonNode trend = view.at("/trends/0");
    assertThat(trend.get("points")).hasSize(5);
    assertThat(trend.get("slopePerThousandHours").doubleValue()).isPositive();
    assertThat(view.at("/outlook/days/1/low").doubleValue())
        .isLessThan(view.at("/outlook/days/1/high").doubleValue());

    // The row says where in which page its number lies: the bytes there are the number.
    JsonNode page =
        ines.get(
                "/api/readings/%s/pages/%s"
                    .formatted(readings.get(4), waiting.get("page").stringValue()))
            .body();
    byte[] bytes = HexFormat.of().parseHex(page.get("hex").stringValue());
    int at = waiting.get("offset").intValue();
    int count = Byte.toUnsignedInt(bytes[at]) | Byte.toUnsignedInt(bytes[at + 1]) << 8;
    assertThat((double) count).isEqualTo(waiting.at("/values/4").doubleValue());
    assertThat(page.get("fields").toString()).contains("Pending sectors: raw");

    JsonNode weighing = ines.get(job).body().get("weighing");
    assertThat(weighing.toString()).contains("drive.trend").contains("growing by");
  }

  private static JsonNode row(JsonNode view, String key) {
    for (JsonNode row : view.get("rows")) {
      if (row.get("key").stringValue().equals(key)) {
        return row;
      }
    }
    throw new AssertionError("no row " + key);
  }

  @Test
  void whatIsNotThereIsToldAndNotGuessed(RunningServer.Shop shop) {
    ShopClient ines = shop.signedIn();

    assertThat(ines.get("/api/jobs/J-1/parts/drive-a").status()).isEqualTo(404);
    assertThat(ines.get("/api/jobs/J-2291/parts/drive-z").status()).isEqualTo(404);
    assertThat(ines.get("/api/readings/%s/pages/ata-smart".formatted(UUID.randomUUID())).status())
        .isEqualTo(404);
    assertThat(ines.get("/api/readings/%s/pages/none".formatted(UUID.randomUUID())).status())
        .isEqualTo(404);
    assertThat(ines.get("/api/runs/" + UUID.randomUUID()).status()).isEqualTo(404);
  }

  @Test
  void tellsADecisiveFindingFirstAndOffersOnlyWhatTheDriveKnows(RunningServer.Shop shop)
      throws Exception {
    ShopClient ines = shop.signedIn();
    String job = job(ines, shop, 1, BAY);
    PageSource drive =
        new SimMachines().open("sim:worn-flash,0").orElseThrow().drives().get(0).pages();
    try (LinkPeer peer =
        new LinkPeer(shop.address(), LinkPeer.enrol(ines, BAY, UUID.randomUUID()))) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      ines.post(job + "/readings", Map.of("partKey", "drive-a"));
      peer.send(
          new ToServer.Event(
              1,
              new LinkEvent.PartRead(
                  peer.next(ToProbe.ReadPart.class).requestId(),
                  UUID.randomUUID(),
                  "drive-a",
                  Instant.now(),
                  drive.kinds().stream().map(k -> PageNote.of(k, drive.read(k))).toList())));
      peer.next(ToProbe.Acknowledge.class);
    }

    job(ines, shop, 1, null);
    JsonNode view = ines.get(job + "/parts/drive-a").body();

    assertThat(view.get("finding").stringValue()).contains("read-only");
    assertThat(view.get("decisive").stringValue()).isNotEmpty();
    assertThat(view.get("starts").findValuesAsString("kind"))
        .containsExactly("SURFACE_SCAN", "SURFACE_SAMPLE", "SELF_TEST_SHORT", "SELF_TEST_EXTENDED");
    assertThat(row(view, "availableSpare").get("bad").booleanValue()).isTrue();
  }
}
