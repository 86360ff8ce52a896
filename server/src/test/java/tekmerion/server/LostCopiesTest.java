package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.link.EraseResult;
import tekmerion.link.HeldCopy;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** Copies that are gone, and drives that are in two jobs: what a copy is worth then. */
@ExtendWith(RunningServer.class)
class LostCopiesTest {
  private static final int BAY = 6;
  private static final String DRIVE = "drive-a";

  /** A job whose drive was surveyed, copied into an image, and the image checked. */
  private static BenchJob copied(RunningServer.Shop shop, String customer) throws Exception {
    BenchJob job = BenchJob.begin(shop, BAY, customer, DRIVE);
    job.read(DRIVE, "sound-drive");
    job.run(DRIVE, RunKind.SURVEY, CopiesTest.SURVEY, job.drive);
    job.run(DRIVE, RunKind.RESCUE_IN_USE, CopiesTest.rescue("aa", null), job.drive);
    job.run(DRIVE, RunKind.VERIFY_IMAGE, CopiesTest.rescue("aa", true), job.drive);
    assertThat(job.status()).isEqualTo("COPY_VERIFIED");
    return job;
  }

  private static JsonNode data(BenchJob job) {
    return job.ines.get(job.path() + "/parts/drive-a/data").body();
  }

  /** What the probe says of its folder; and an event of before, whose answer says it was taken. */
  private static void holds(RunningServer.Shop shop, BenchJob job, boolean image) throws Exception {
    shop.asOwner("UPDATE run_result SET received_at = received_at - INTERVAL 11 SECOND");
    shop.asOwner("UPDATE run SET copy_missing_at = copy_missing_at - INTERVAL 11 SECOND");
    job.peer.send(
        new ToServer.CopiesHeld(List.of(new HeldCopy(job.number, DRIVE, image, Set.of(), false))));
    job.peer.send(
        new ToServer.Event(0, new LinkEvent.CommandRefused(UUID.randomUUID(), Instant.now(), "")));
    job.peer.next(ToProbe.Acknowledge.class);
  }

  /** Its folder was deleted, or its disk is gone; back again, it counts once it was read again. */
  @Test
  void aCopyThatIsGoneFromItsProbeCountsForNothing(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = copied(shop, "Lost locker")) {
      holds(shop, job, true);
      assertThat(job.status()).isEqualTo("COPY_VERIFIED");

      holds(shop, job, false);
      assertThat(job.status()).isEqualTo("NOT_ASKED");
      assertThat(data(job).get("finding").stringValue())
          .isEqualTo("its copy is not where it was made");
      assertThat(data(job).at("/copy/missingSince").isNull()).isFalse();
      assertThat(job.decide("REPAIR_FILE_SYSTEM").status()).isEqualTo(423);
      assertThat(job.view().get("journal").toString())
          .containsOnlyOnce("The image of QUAY-240F %s is not".formatted(job.drive.serial()));

      holds(shop, job, true);
      assertThat(job.status()).isEqualTo("NOT_ASKED"); // there; whether it is sound is not known
      assertThat(data(job).get("next").stringValue()).startsWith("Check the image");
      job.run(DRIVE, RunKind.VERIFY_IMAGE, CopiesTest.rescue("aa", true), job.drive);
      assertThat(job.status()).isEqualTo("COPY_VERIFIED");
    }
  }

  /** A probe that says now this, now that within seconds fills no history. */
  @Test
  void whatChangesWithinSecondsIsNotToldAgain(RunningServer.Shop shop) throws Exception {
    try (BenchJob job = copied(shop, "Flicker light")) {
      holds(shop, job, false);
      for (boolean there : new boolean[] {true, false, true}) {
        job.peer.send(
            new ToServer.CopiesHeld(
                List.of(new HeldCopy(job.number, DRIVE, there, Set.of(), false))));
      }
      job.run(DRIVE, RunKind.SURVEY, CopiesTest.SURVEY, job.drive);

      assertThat(job.view().get("journal").toString())
          .containsOnlyOnce("is not where it was made")
          .doesNotContain("is there again");
    }
  }

  /** The drive is in two jobs: what one of them finds on it counts for the copies of the other. */
  @Test
  void whatWasFoundOnADriveCountsInEveryJobThatItIsIn(RunningServer.Shop shop) throws Exception {
    BenchJob first = copied(shop, "First owner");
    first.close();
    try (BenchJob second = again(shop, "Second owner", first)) {
      TestDrive.signAway(second.ines, second.number, "Second owner", DRIVE);
      assertThat(second.decide("CLEAN_INSTALL").status()).isEqualTo(201);

      second.run(DRIVE, RunKind.SURVEY, more(), second.drive); // than what the first's copy holds

      assertThat(second.decide("CLEAN_INSTALL").body().get("lock").stringValue())
          .isEqualTo("WANTED_IN_ANOTHER_JOB");
    }
  }

  /** Nothing was written in the first job; the drive was erased in the next, by another owner. */
  @Test
  void theCopyOfADriveThatAnotherJobErasedMayBeTheOnlyOne(RunningServer.Shop shop)
      throws Exception {
    BenchJob first = copied(shop, "Sold it on");
    first.close();
    first.act("/end", Map.of("how", "WITHDRAWN", "note", "settled"));
    String erasing = first.path() + "/parts/drive-a/copy/erase";
    assertThat(first.ines.post(erasing, Map.of()).status()).isEqualTo(409); // its probe is away
    try (BenchJob second = again(shop, "Bought it", first)) {
      TestDrive.signAway(second.ines, second.number, "Bought it", DRIVE);
      assertThat(second.decide("CLEAN_INSTALL").status()).isEqualTo(201);
      assertThat(second.lockOfErasing(DRIVE)).isEmpty();
      UUID run = second.peer.next(ToProbe.StartRun.class).requestId();

      assertThat(first.ines.post(erasing, Map.of()).status()).isEqualTo(423); // under way
      second.end(
          run,
          DRIVE,
          RunKind.ERASE,
          LinkEvent.End.COMPLETE,
          new EraseResult("read back", TestDrive.GB_240, TestDrive.GB_240, 0, 3_000, 0, 0, 0.001),
          second.drive);

      assertThat(first.ines.post(erasing, Map.of()).body().get("lock").stringValue())
          .isEqualTo("ONLY_COPY");
    }
  }

  private static BenchJob again(RunningServer.Shop shop, String customer, BenchJob first)
      throws Exception {
    BenchJob second = BenchJob.begin(shop, BAY, customer, first.drive, DRIVE);
    second.read(DRIVE, "sound-drive");
    return second;
  }

  private static SurveyResult more() {
    SurveyResult.VolumeNote was = CopiesTest.SURVEY.volumes().get(0);
    List<SurveyResult.FolderNote> folders = new ArrayList<>(was.folders());
    folders.add(new SurveyResult.FolderNote("New", 1, 50, true));
    return new SurveyResult(
        CopiesTest.SURVEY.sizeBytes(),
        CopiesTest.SURVEY.scheme(),
        CopiesTest.SURVEY.reason(),
        CopiesTest.SURVEY.why(),
        CopiesTest.SURVEY.next(),
        0,
        List.of(
            new SurveyResult.VolumeNote(
                1,
                "",
                was.startByte(),
                was.bytes(),
                "exFAT",
                false,
                null,
                null,
                null,
                List.of(),
                true,
                13,
                750,
                folders,
                List.of())),
        List.of());
  }
}
