package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.CopyErasedResult;
import tekmerion.link.CopyOrder;
import tekmerion.link.DriveSeen;
import tekmerion.link.FileCopyResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.RescueResult;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.SurveyResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** What becomes of the data status by runs, and by nothing else; a peer in the probe's place. */
@ExtendWith(RunningServer.class)
class CopiesTest {
  private static final int BAY = 6;
  private static final MachineNote MACHINE =
      new MachineNote(
          "Tarnwick",
          "desk tower",
          "",
          "bench",
          List.of(new MachineNote.DriveNote("drive-a", "Drive A")),
          List.of());

  private long number;

  /** Which drive the peer says that it is. */
  private DriveSeen drive = TestDrive.quay();

  private record Linked(ShopClient ines, String job, LinkPeer peer) implements AutoCloseable {
    private JsonNode get(String what) {
      return ines.get("/api/jobs/" + job + what).body();
    }

    private String dataStatus() {
      return get("").at("/data/status").stringValue();
    }

    private JsonNode data() {
      return get("/parts/drive-a/data");
    }

    private ShopClient.Answer rule(String course) {
      return ines.post(
          "/api/jobs/%s/decisions".formatted(job),
          Map.of(
              "version", JobVersion.of(ines, "/api/jobs/" + job),
              "courses", List.of(course),
              "reason", "as seen"));
    }

    /** The bay is free for the next one. */
    @Override
    public void close() {
      peer.close();
      outOfTheBay();
    }

    private void outOfTheBay() {
      Map<String, Object> out = new HashMap<>();
      out.put("version", JobVersion.of(ines, "/api/jobs/" + job));
      out.put("bay", null);
      assertThat(ines.post("/api/jobs/" + job + "/bay", out).status()).isEqualTo(204);
    }
  }

  private Linked linked(RunningServer.Shop shop, String customer) throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of(customer, "Tarnwick", "desk tower", "The drive is not readable any more")
            .takeIn();
    long version = JobVersion.of(ines, "/api/jobs/" + job);
    ines.post("/api/jobs/" + job + "/bay", Map.of("version", version, "bay", BAY));
    LinkPeer peer = new LinkPeer(shop.address(), LinkPeer.enrol(ines, BAY, UUID.randomUUID()));
    peer.send(new ToServer.Hello(BenchLink.PROTOCOL, "test", MACHINE, 0));
    peer.next(ToProbe.Welcome.class);
    number = 0; // each probe counts its own events
    TestDrive.read(ines, job, peer, ++number, "drive-a", "sound-drive", drive.serial());
    return new Linked(ines, job, peer);
  }

  private CopyOrder run(Linked at, RunKind kind, RunResult found) throws Exception {
    ShopClient.Answer started =
        at.ines.post(
            "/api/jobs/%s/parts/drive-a/runs".formatted(at.job), Map.of("kind", kind.name()));
    return ends(at, UUID.fromString(started.body().get("id").stringValue()), kind, found);
  }

  private CopyOrder ends(Linked at, UUID id, RunKind kind, RunResult found) throws Exception {
    CopyOrder order = at.peer.next(ToProbe.StartRun.class).copy();
    Instant now = Instant.now();
    LinkEvent.RunEnded ended =
        new LinkEvent.RunEnded(
            id, "drive-a", kind, now, now, LinkEvent.End.COMPLETE, "", found, drive);
    at.peer.send(new ToServer.Event(++number, ended));
    at.peer.next(ToProbe.Acknowledge.class);
    return order;
  }

  private ShopClient.Answer askFiles(Linked at, String... folders) {
    return at.ines.post(
        "/api/jobs/%s/parts/drive-a/files".formatted(at.job),
        Map.of("volume", 1, "folders", List.of(folders)));
  }

  private void files(Linked at, long verified, long failed, String... folders) throws Exception {
    UUID id = UUID.fromString(askFiles(at, folders).body().get("run").stringValue());
    List<FileCopyResult.FailedFile> list =
        failed == 0
            ? List.of()
            : List.of(new FileCopyResult.FailedFile("Scores/x.pdf", 9, true, "12 bytes"));
    ends(
        at,
        id,
        RunKind.FILE_COPY,
        new FileCopyResult(
            false,
            List.of(folders),
            verified + failed,
            900,
            verified,
            900,
            list,
            failed,
            "",
            at.job + "/drive-a"));
  }

  static final SurveyResult SURVEY =
      new SurveyResult(
          TestDrive.GB_240,
          "mbr",
          "damaged-boot-sector",
          "The boot sector or superblock of a volume is damaged",
          "Image it first.",
          0,
          List.of(
              new SurveyResult.VolumeNote(
                  1,
                  "",
                  1 << 20,
                  TestDrive.GB_240 - (2 << 20),
                  "exFAT",
                  false,
                  null,
                  null,
                  null,
                  List.of(),
                  true,
                  12,
                  700,
                  List.of(
                      new SurveyResult.FolderNote("Scores", 5, 300, true),
                      new SurveyResult.FolderNote("Scores/2026", 2, 100, true),
                      new SurveyResult.FolderNote("Members", 5, 300, true),
                      new SurveyResult.FolderNote("Core", 2, 100, false)),
                  List.of())),
          List.of());

  static RescueResult rescue(String sums, Boolean verified) {
    return rescue(sums, verified, 0);
  }

  private static RescueResult rescue(String sums, Boolean verified, long lost) {
    return new RescueResult(
        "ended",
        true,
        "+.-",
        "+  ",
        TestDrive.GB_240,
        5_000,
        5_000 - lost,
        lost,
        0,
        lost == 0 ? List.of() : List.of(new RescueResult.LostFile("Scores/x.pdf", 900, lost)),
        lost == 0 ? 0L : 1L,
        0.9,
        sums,
        verified,
        "x");
  }

  @Test
  void anImageCountsWhenItWasReadAgainAndAgrees(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Sail repair")) {
      assertThat(at.data().get("finding").stringValue()).isEqualTo("not looked at yet");
      assertThat(run(at, RunKind.SURVEY, SURVEY)).isNull();
      assertThat(at.data().get("finding").stringValue()).startsWith("the boot sector");
      assertThat(at.data().at("/steps/1/next").booleanValue()).isTrue();
      // What was found weighs: the finding that the move of the same name tells.
      assertThat(at.get("").toString()).contains("volume.found");

      CopyOrder order = run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));

      assertThat(order).isEqualTo(new CopyOrder(at.job, null, List.of()));
      assertThat(at.dataStatus()).isEqualTo("COPIED");
      assertThat(at.data().get("finding").stringValue()).isEqualTo("copied, not verified yet");
      assertThat(at.rule("REPAIR_FILE_SYSTEM").status()).isEqualTo(423);

      run(at, RunKind.VERIFY_IMAGE, rescue("aa", false));
      assertThat(at.dataStatus()).isEqualTo("NOT_ASKED");

      run(at, RunKind.RESCUE_IN_USE, rescue("bb", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true)); // of another image
      assertThat(at.dataStatus()).isEqualTo("COPIED");

      run(at, RunKind.VERIFY_IMAGE, rescue("bb", true));
      assertThat(at.dataStatus()).isEqualTo("COPY_VERIFIED");
      assertThat(at.rule("REPAIR_FILE_SYSTEM").status()).isEqualTo(201);
    }
  }

  /** What was lost is the owner's to give up, by as much as it is. */
  @Test
  void whatACopyLostIsSignedForOrTheDataIsNotSafe(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Loss adjuster")) {
      run(at, RunKind.SURVEY, SURVEY);
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null, 512));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true, 512));
      assertThat(at.dataStatus()).isEqualTo("COPIED");
      assertThat(at.data().get("steps").toString()).contains("Try the lost places again");
      JsonNode lost = at.data().at("/holds/open/0/holding");
      assertThat(lost.get("kind").stringValue()).isEqualTo("LOST_IN_COPY");

      assertThat(signFor(at, "Loss adjuster", lost).status()).isEqualTo(201);

      assertThat(at.dataStatus()).isEqualTo("COPY_VERIFIED");
    }
  }

  private static ShopClient.Answer signFor(Linked at, String signer, JsonNode holding) {
    return TestDrive.sign(
        at.ines,
        at.job,
        signer,
        TestDrive.DRAWN,
        List.of(TestDrive.drive("drive-a", "HOLDINGS", List.of(holding))));
  }

  @Test
  void copiedFilesCountForTheirFoldersAndTheRestIsSignedFor(RunningServer.Shop shop)
      throws Exception {
    try (Linked at = linked(shop, "Rope walk")) {
      assertThat(askFiles(at, "Scores").status()).isEqualTo(409);
      run(at, RunKind.SURVEY, SURVEY);
      assertThat(askFiles(at, "Elsewhere").status()).isEqualTo(400);

      files(at, 5, 0, "Scores");
      assertThat(at.dataStatus()).isEqualTo("COPIED");
      files(at, 4, 1, "Members");
      assertThat(at.dataStatus()).isEqualTo("COPIED");
      files(at, 5, 0, "Members");
      // Nobody proposed it, and it is in no copy.
      assertThat(at.dataStatus()).isEqualTo("COPIED");
      JsonNode open = at.data().at("/holds/open");
      assertThat(open).hasSize(1);
      assertThat(open.at("/0/words").stringValue())
          .isEqualTo("folder Core of volume 1 (2 files, 100 bytes)");

      assertThat(signFor(at, "Rope walk", open.at("/0/holding")).status()).isEqualTo(201);

      assertThat(at.dataStatus()).isEqualTo("COPY_VERIFIED");
    }
  }

  /**
   * A drive takes the place of the one that was copied: nothing that is known of that one counts.
   */
  @Test
  void aCopyOfOneDriveOpensNothingForAnotherInItsPlace(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Swap meet")) {
      run(at, RunKind.SURVEY, SURVEY);
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true));
      assertThat(at.dataStatus()).isEqualTo("COPY_VERIFIED");

      TestDrive.read(at.ines, at.job, at.peer, ++number, "drive-a", "worn-disk", null);

      assertThat(at.dataStatus()).isEqualTo("NOT_ASKED");
      assertThat(at.rule("CLEAN_INSTALL").body().get("lock").stringValue())
          .isEqualTo("DATA_NOT_SAFE");
    }
  }

  /** The place is the same, but it was another drive that was read: seen by the probe itself. */
  @Test
  void aRunCountsForTheDriveThatTheProbeSaw(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Mix up")) {
      drive = TestDrive.HELM;
      run(at, RunKind.SURVEY, SURVEY);
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true));
      assertThat(at.dataStatus()).isEqualTo("NOT_ASKED");
      drive = null;
      run(at, RunKind.SURVEY, SURVEY);
      run(at, RunKind.RESCUE_IN_USE, rescue("bb", null));
      assertThat(at.dataStatus()).isEqualTo("NOT_ASKED");
    }
  }

  @Test
  void theFloorNamesACopyThatIsDue(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Tar kettle")) {
      run(at, RunKind.SURVEY, SURVEY);
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));
      at.outOfTheBay();
      shop.asOwner(
          "UPDATE job SET ended_at = NOW() - INTERVAL 29 DAY WHERE number = '%s'"
              .formatted(at.job));
      assertThat(due(at)).doesNotContain(at.job);
      shop.asOwner(
          "UPDATE job SET ended_at = NOW() - INTERVAL 31 DAY WHERE number = '%s'"
              .formatted(at.job));

      assertThat(due(at)).contains(at.job);
      assertThat(forget(shop, at)).isEqualTo(409); // its copies would lie there for ever

      String path = "/api/jobs/%s/parts/drive-a/copy/erase".formatted(at.job);
      UUID id = UUID.fromString(at.ines.post(path, Map.of()).body().get("run").stringValue());
      ends(at, id, RunKind.ERASE_COPY, new CopyErasedResult(at.job + "/drive-a", 3, 900, 0));
      assertThat(due(at)).doesNotContain(at.job);
      assertThat(forget(shop, at)).isEqualTo(204);
      shop.asOwner("UPDATE job SET ended_at = NULL WHERE number = '%s'".formatted(at.job));
    }
  }

  private static int forget(RunningServer.Shop shop, Linked at) {
    ShopClient mara = shop.signedIn("mara");
    JsonNode job = mara.get("/api/jobs/" + at.job).body();
    return mara.post(
            "/api/customers/%d/erase".formatted(job.get("customerId").longValue()),
            Map.of("name", job.get("customer").stringValue()))
        .status();
  }

  private static List<String> due(Linked at) {
    return at.ines.get("/api/floor").body().get("dueCopies").findValuesAsString("job");
  }

  /** While it may be the only one it stays; then the probe that has it erases it. */
  @Test
  void aCopyIsErasedOnlyWhenItIsNotTheOnlyOne(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Net store")) {
      String path = "/api/jobs/%s/parts/drive-a/copy/erase".formatted(at.job);
      run(at, RunKind.SURVEY, SURVEY);
      assertThat(at.data().get("copy").isNull()).isTrue();
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true));
      assertThat(at.ines.post(path, Map.of()).status()).isEqualTo(423);
      assertThat(at.data().at("/copy/lockedWhy").stringValue()).contains("may be the only one");
      assertThat(
              TestDrive.sign(
                      at.ines,
                      at.job,
                      "Net store",
                      TestDrive.DRAWN,
                      List.of(TestDrive.drive("drive-a", "COPY_RETURNED", List.of())))
                  .status())
          .isEqualTo(201);

      UUID id = UUID.fromString(at.ines.post(path, Map.of()).body().get("run").stringValue());

      CopyOrder order =
          ends(at, id, RunKind.ERASE_COPY, new CopyErasedResult(at.job + "/drive-a", 3, 900, 0));
      assertThat(order.job()).isEqualTo(at.job);
      assertThat(at.data().get("copy").isNull()).isTrue();
      assertThat(at.data().get("copyErased").stringValue())
          .isEqualTo("3 files written over and deleted");
      assertThat(at.ines.post(path, Map.of()).status()).isEqualTo(409);
    }
  }

  @Test
  void onlyTechniciansCopy(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Buoy yard")) {
      String path = "/api/jobs/%s/parts/drive-a/files".formatted(at.job);
      Map<String, Object> body = Map.of("volume", 1, "folders", List.of("Scores"));
      assertThat(shop.signedIn("joao").post(path, body).status()).isEqualTo(403);
      Map<String, Object> plain = Map.of("kind", "FILE_COPY");
      assertThat(at.ines.post("/api/jobs/%s/parts/drive-a/runs".formatted(at.job), plain).status())
          .isEqualTo(400);
    }
  }
}
