package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.launch.ShopClient;
import tekmerion.link.ToProbe;
import tools.jackson.databind.JsonNode;

/** What an owner signs names drives, is the owner's, and opens for these and for no others. */
@ExtendWith(RunningServer.class)
class WaiverTest {
  private static final int BAY = 6;

  private static JsonNode waiver(BenchJob job) {
    JsonNode all = job.view().at("/data/waivers");
    return all.get(all.size() - 1);
  }

  private static ShopClient.Answer step(BenchJob job, ShopClient who, String step) {
    return job.actAs(
        who, "/waivers/%d/%s".formatted(waiver(job).get("id").longValue(), step), Map.of());
  }

  private static ShopClient.Answer writeDown(BenchJob job, String signer) {
    return TestDrive.sign(
        job.ines,
        job.number,
        signer,
        null,
        List.of(TestDrive.drive("drive-a", "ALL_DATA", List.of())));
  }

  @ParameterizedTest(name = "[{0}]")
  @ValueSource(strings = {"Aron Tide", ".", "\u200b", "\u2063\u2063", "Ferry", "Ferry  Desk 2"})
  void nobodyButTheCustomerSigns(String signer, RunningServer.Shop shop) throws Exception {
    try (BenchJob job = BenchJob.begin(shop, BAY, "Ferry desk", "drive-a")) {
      job.read("drive-a", "sound-drive");

      ShopClient.Answer refused = TestDrive.signAway(job.ines, job.number, signer, "drive-a");

      assertThat(refused.status()).isEqualTo(400);
      assertThat(job.view().at("/data/waivers")).isEmpty();
      assertThat(job.decide("CLEAN_INSTALL").body().get("lock").stringValue())
          .isEqualTo("DATA_NOT_SAFE");
    }
  }

  @Test
  void whatSomebodyWritesDownCountsWhenASecondPersonConfirmsIt(RunningServer.Shop shop)
      throws Exception {
    try (BenchJob job = BenchJob.begin(shop, BAY, "Phone caller", "drive-a")) {
      job.read("drive-a", "sound-drive");
      assertThat(writeDown(job, "Phone caller").status()).isEqualTo(201);
      assertThat(job.status()).isEqualTo("NOT_ASKED");
      assertThat(step(job, job.ines, "confirm").status()).isEqualTo(403); // wrote it down herself
      assertThat(job.decide("CLEAN_INSTALL").status()).isEqualTo(423);

      assertThat(step(job, shop.signedIn("bo"), "confirm").status()).isEqualTo(204);

      assertThat(job.status()).isEqualTo("NOT_WANTED");
      assertThat(waiver(job).get("wording").stringValue())
          .isEqualTo(
              "I do not need the data on the drive QUAY-240F, serial %s (240 GB). It may be erased"
                  .concat(" for good.")
                  .formatted(job.drive.serial()));
      assertThat(job.decide("CLEAN_INSTALL").status()).isEqualTo(201);
    }
  }

  /** Each of two drives is signed for, or asked about, by itself. */
  @Test
  void aSignatureOpensTheDriveThatItNamesAndNoOther(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = BenchJob.begin(shop, BAY, "Two drives", "drive-a", "drive-b")) {
      job.read("drive-a", "sound-drive");
      TestDrive.signAway(job.ines, job.number, "Two drives", "drive-a");
      assertThat(job.decide("CLEAN_INSTALL").status()).isEqualTo(201);

      job.read("drive-b", "worn-disk"); // a drive that is met later was not asked about

      assertThat(job.status()).isEqualTo("NOT_ASKED");
      assertThat(job.decide("CLEAN_INSTALL").body().get("detail").stringValue())
          .contains("the data on drive B is not asked yet");
      assertThat(job.lockOfErasing("drive-b")).isEqualTo("DATA_NOT_SAFE");
      assertThat(job.lockOfErasing("drive-a")).isEmpty();
      job.peer.next(ToProbe.StartRun.class);
    }
  }

  @Test
  void theSameDriveWantedInAnotherOpenJobIsNotErased(RunningServer.Shop shop) throws Exception {
    BenchJob first = BenchJob.begin(shop, BAY, "First owner", "drive-a");
    first.read("drive-a", "sound-drive");
    first.act("/data-status", Map.of("dataStatus", "WANTED"));
    first.close();
    try (BenchJob second = BenchJob.begin(shop, BAY, "Second owner", first.drive, "drive-a")) {
      second.read("drive-a", "sound-drive");
      TestDrive.signAway(second.ines, second.number, "Second owner", "drive-a");

      assertThat(second.status()).isEqualTo("NOT_WANTED");
      assertThat(second.decide("CLEAN_INSTALL").body().get("lock").stringValue())
          .isEqualTo("WANTED_IN_ANOTHER_JOB");
      assertThat(second.view().at("/data/drives/0/elsewhere/0").stringValue())
          .isEqualTo(first.number);
      end(second.ines, first.number);
      assertThat(second.decide("CLEAN_INSTALL").status()).isEqualTo(201);
    }
  }

  private static void end(ShopClient who, String job) {
    Map<String, Object> body = new HashMap<>(Map.of("how", "WITHDRAWN", "note", "settled"));
    body.put("version", JobVersion.of(who, "/api/jobs/" + job));
    assertThat(who.post("/api/jobs/%s/end".formatted(job), body).status()).isEqualTo(204);
  }

  private static BenchJob alone(RunningServer.Shop shop, String customer) throws Exception {
    BenchJob job = BenchJob.begin(shop, BAY, customer, "drive-a");
    job.read("drive-a", "sound-drive");
    return job;
  }

  private static UUID erasing(BenchJob job, String customer) throws Exception {
    TestDrive.signAway(job.ines, job.number, customer, "drive-a");
    assertThat(job.decide("CLEAN_INSTALL").status()).isEqualTo(201);
    assertThat(job.lockOfErasing("drive-a")).isEmpty();
    return job.peer.next(ToProbe.StartRun.class).requestId();
  }

  /** The probe is told at once; one that is not reached gets no new release. */
  @Test
  void takingTheSignatureBackEndsWhatIsBeingErased(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = alone(shop, "Second thoughts")) {
      UUID run = erasing(job, "Second thoughts");
      assertThat(job.release(run, job.drive)).isInstanceOf(ToProbe.ReleaseGiven.class);

      assertThat(step(job, job.ines, "revoke").status()).isEqualTo(204);

      ToProbe.StopRun stop = job.peer.next(ToProbe.StopRun.class);
      assertThat(stop.requestId()).isEqualTo(run);
      assertThat(stop.pause()).isFalse();
      assertThat(job.release(run, job.drive)).isInstanceOf(ToProbe.ReleaseRefused.class);
    }
  }

  @Test
  void anotherDecisionEndsWhatIsBeingErased(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = alone(shop, "Other plan")) {
      UUID run = erasing(job, "Other plan");

      assertThat(job.decide("REPAIR").status()).isEqualTo(201);

      assertThat(job.peer.next(ToProbe.StopRun.class).requestId()).isEqualTo(run);
      assertThat(job.release(run, job.drive)).isInstanceOf(ToProbe.ReleaseRefused.class);
    }
  }

  @Test
  void theOwnerWhoAsksForTheDataLaterIsAskedAboutTheNextDriveToo(RunningServer.Shop shop)
      throws Exception {
    try (BenchJob job = alone(shop, "Word of mouth")) {
      TestDrive.signAway(job.ines, job.number, "Word of mouth", "drive-a");

      // Saying so takes no signature back: that has a step of its own, which the history keeps.
      job.act("/data-status", Map.of("dataStatus", "WANTED"));
      assertThat(job.status()).isEqualTo("NOT_WANTED");
      step(job, job.ines, "revoke");
      assertThat(job.status()).isEqualTo("WANTED");
      assertThat(job.act("/data-status", Map.of("dataStatus", "NOT_WANTED")).status())
          .isEqualTo(400);
      assertThat(job.act("/data-status", Map.of("dataStatus", "COPY_VERIFIED")).status())
          .isEqualTo(400);
    }
  }
}
