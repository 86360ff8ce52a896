package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.MachineNote;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/**
 * What one view says of a job no other view contradicts: every job of the demo shop, every view.
 */
@ExtendWith(RunningServer.class)
class AgreementTest {
  private static final List<String> NOT_OF_A_LOOSE_DRIVE = List.of("power", "memory");

  /** One that fails, one that is sound, one behind a bridge that garbles: by bay and job. */
  private static void read(RunningServer.Shop shop, int bay, String job, String machine)
      throws Exception {
    ShopClient ines = shop.signedIn();
    try (LinkPeer peer =
        new LinkPeer(shop.address(), LinkPeer.enrol(ines, bay, UUID.randomUUID()))) {
      List<MachineNote.DriveNote> drives = List.of(new MachineNote.DriveNote("drive-a", "A", ""));
      peer.send(
          new ToServer.Hello(
              BenchLink.PROTOCOL,
              "test",
              new MachineNote("Made up", machine, "", "bench", drives, List.of()),
              0));
      peer.next(ToProbe.Welcome.class);
      TestDrive.read(ines, job, peer, 1, "drive-a", machine, null);
    }
  }

  @Test
  void noViewContradictsAnother(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    read(shop, 1, "J-2291", "worn-disk");
    read(shop, 9, "J-2288", "sound-drive");
    read(shop, 3, "J-2296", "bad-bridge");
    List<String> drivesSeen = new ArrayList<>();
    int loose = 0;
    JsonNode floor = ines.get("/api/floor").body();
    for (JsonNode lane : floor.get("jobs")) {
      String number = lane.get("number").stringValue();
      JsonNode job = ines.get("/api/jobs/" + number).body();
      floorAgrees(lane, job);
      decisionAgrees(ines.get("/api/jobs/%s/plans".formatted(number)).body(), job);
      for (JsonNode drive : job.get("drives")) {
        driveAgrees(ines, job, drive);
        drivesSeen.add(drive.get("suspicion").stringValue());
      }
      looseDriveHasNoMachine(job);
      loose += job.get("looseDrive").booleanValue() ? 1 : 0;
      for (String view : List.of("report", "memory", "battery", "work")) {
        assertThat(ines.get("/api/jobs/%s/%s".formatted(number, view)).status())
            .as("%s of %s", view, number)
            .isEqualTo(200);
      }
    }
    for (JsonNode bay : floor.get("bays")) {
      bandAgrees(ines, bay);
    }
    assertThat(floor.get("jobs")).hasSizeGreaterThanOrEqualTo(12);
    assertThat(loose).isPositive();
    assertThat(drivesSeen).contains("IMPLICATED").hasSizeGreaterThanOrEqualTo(3);
  }

  private static void floorAgrees(JsonNode lane, JsonNode job) {
    String number = lane.get("number").stringValue();
    JsonNode first = job.at("/weighing/causes/0");
    assertThat(lane.get("headline")).as(number).isEqualTo(job.at("/weighing/headline"));
    assertThat(lane.get("suspicion")).as(number).isEqualTo(first.get("suspicion"));
    assertThat(lane.get("dataStatus")).as(number).isEqualTo(job.at("/data/status"));
    assertThat(lane.get("promisedAt")).as(number).isEqualTo(job.get("promisedAt"));
    boolean isDecided = List.of("WORK", "HAND_BACK").contains(job.get("stage").stringValue());
    assertThat(job.get("decisions").isEmpty())
        .as("%s is at %s and says what was decided", number, job.get("stage"))
        .isEqualTo(!isDecided);
    JsonNode contradicted = job.get("contradicted");
    assertThat(lane.get("line").stringValue().startsWith("Look at the decision again"))
        .as("%s: %s", number, lane.get("line"))
        .isEqualTo(!contradicted.isNull());
    job.at("/work/steps")
        .valueStream()
        .filter(step -> step.get("state").stringValue().equals("NEXT"))
        .filter(step -> step.get("id").stringValue().equals("show"))
        .forEach(
            step ->
                assertThat(lane.get("line").stringValue())
                    .as(number)
                    .isEqualTo("Show that it is gone"));
    boolean waits = !job.get("waits").isNull();
    assertThat(lane.get("acts").stringValue().equals("OUTSIDE")).as(number).isEqualTo(waits);
  }

  private static void decisionAgrees(JsonNode plans, JsonNode job) {
    String number = job.get("number").stringValue();
    JsonNode best = plans.at("/rows/0");
    JsonNode told = job.at("/plans/0");
    assertThat(best.get("id")).as(number).isEqualTo(told.get("id"));
    if (best.get("onlyIf").stringValue().isEmpty()) {
      assertThat(best.get("words")).as(number).isEqualTo(told.get("words"));
    }
    assertThat(best.get("gone").doubleValue())
        .as(number)
        .isCloseTo(1 - told.get("fails").doubleValue(), within(1e-9));
    assertThat(plans.get("stop")).as(number).isEqualTo(job.get("stop"));
    assertThat(plans.get("enough")).as(number).isEqualTo(job.get("enough"));
    if (!job.get("work").isNull()) {
      assertThat(job.at("/work/words")).as(number).isEqualTo(job.at("/decisions/0/plan/words"));
    }
  }

  private static void driveAgrees(ShopClient ines, JsonNode job, JsonNode drive) {
    String number = job.get("number").stringValue();
    String key = drive.get("key").stringValue();
    String what = "%s of %s".formatted(key, number);
    JsonNode view = ines.get("/api/jobs/%s/parts/%s".formatted(number, key)).body();
    JsonNode data = ines.get("/api/jobs/%s/parts/%s/data".formatted(number, key)).body();
    assertThat(view.get("suspicion")).as(what).isEqualTo(drive.get("suspicion"));
    assertThat(view.get("decisive")).as(what).isEqualTo(data.get("decisive"));
    assertThat(view.get("serial")).as(what).isEqualTo(data.get("serial"));
    assertThat(job.at("/data/drives").valueStream())
        .as(what)
        .anyMatch(
            held ->
                held.get("partKey").stringValue().equals(key)
                    && held.get("status").equals(data.get("dataStatus")));
    boolean implicated =
        job.at("/weighing/causes")
            .valueStream()
            .anyMatch(
                cause ->
                    cause.get("cause").stringValue().equals("failing-drive")
                        && cause.get("part").stringValue().equals(key)
                        && cause.get("suspicion").stringValue().equals("IMPLICATED"));
    if (implicated) {
      // A drive that is blamed is one to be spared, wherever somebody looks.
      assertThat(data.get("decisive").isNull()).as(what).isFalse();
      assertThat(view.get("finding").stringValue()).as(what).doesNotContain("sound");
    }
  }

  private static void looseDriveHasNoMachine(JsonNode job) {
    if (job.get("looseDrive").booleanValue()) {
      assertThat(job.get("places").valueStream().map(p -> p.get("id").stringValue()))
          .as(job.get("number").stringValue())
          .doesNotContainAnyElementsOf(NOT_OF_A_LOOSE_DRIVE);
    }
  }

  private static void bandAgrees(ShopClient ines, JsonNode bay) {
    if (bay.get("job").isNull()) {
      return;
    }
    String number = bay.at("/job/number").stringValue();
    JsonNode job = ines.get("/api/jobs/" + number).body();
    assertThat(bay.at("/job/suspicion"))
        .as(number)
        .isEqualTo(job.at("/weighing/causes/0/suspicion"));
    assertThat(bay.at("/job/line").stringValue().equals("decided"))
        .as("bay of " + number)
        .isEqualTo(job.get("stage").stringValue().equals("WORK") && job.get("waits").isNull());
    assertThat(job.at("/bay/number")).as(number).isEqualTo(bay.get("number"));
  }
}
