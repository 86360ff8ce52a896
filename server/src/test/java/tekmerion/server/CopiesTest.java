package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.CopyErasedFinding;
import tekmerion.link.CopyOrder;
import tekmerion.link.FilesFinding;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.PartFinding;
import tekmerion.link.RescueFinding;
import tekmerion.link.RunKind;
import tekmerion.link.SurveyFinding;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** What becomes of the data's stance by runs, and by nothing else; a peer in the probe's place. */
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

  private record Linked(ShopClient ines, String job, LinkPeer peer) implements AutoCloseable {
    private JsonNode get(String what) {
      return ines.get("/api/jobs/" + job + what).body();
    }

    private String stance() {
      return get("").at("/stance/stance").stringValue();
    }

    private JsonNode data() {
      return get("/drives/drive-a/data");
    }

    private ShopClient.Answer rule(String course) {
      return ines.post(
          "/api/jobs/%s/rulings".formatted(job),
          Map.of(
              "version", get("").get("version").intValue(),
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
      out.put("version", get("").get("version").intValue());
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
    int version = ines.get("/api/jobs/" + job).body().get("version").intValue();
    ines.post("/api/jobs/" + job + "/bay", Map.of("version", version, "bay", BAY));
    LinkPeer peer = new LinkPeer(shop.address(), LinkPeer.enrol(ines, BAY, UUID.randomUUID()));
    peer.send(new ToServer.Hello(BenchLink.PROTOCOL, "test", MACHINE, 0));
    peer.next(ToProbe.Welcome.class);
    return new Linked(ines, job, peer);
  }

  private CopyOrder run(Linked at, RunKind kind, PartFinding found) throws Exception {
    ShopClient.Answer started =
        at.ines.post(
            "/api/jobs/%s/drives/drive-a/runs".formatted(at.job), Map.of("kind", kind.name()));
    return ends(at, UUID.fromString(started.body().get("id").stringValue()), kind, found);
  }

  private CopyOrder ends(Linked at, UUID id, RunKind kind, PartFinding found) throws Exception {
    CopyOrder order = at.peer.next(ToProbe.StartRun.class).copy();
    Instant now = Instant.now();
    LinkEvent.RunEnded ended =
        new LinkEvent.RunEnded(
            id, "drive-a", kind, now, now, LinkEvent.End.COMPLETE, "", null, null, found);
    at.peer.send(new ToServer.Event(++number, ended));
    at.peer.next(ToProbe.Acknowledge.class);
    return order;
  }

  private ShopClient.Answer askFiles(Linked at, String... folders) {
    return at.ines.post(
        "/api/jobs/%s/drives/drive-a/files".formatted(at.job),
        Map.of("volume", 1, "folders", List.of(folders)));
  }

  private void files(Linked at, long verified, long failed, String... folders) throws Exception {
    UUID id = UUID.fromString(askFiles(at, folders).body().get("run").stringValue());
    List<FilesFinding.FailedFile> list =
        failed == 0
            ? List.of()
            : List.of(new FilesFinding.FailedFile("Scores/x.pdf", 9, true, "12 bytes"));
    ends(
        at,
        id,
        RunKind.FILE_COPY,
        new FilesFinding(
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

  private static final SurveyFinding SURVEY =
      new SurveyFinding(
          1L << 40,
          "mbr",
          "damaged-boot-sector",
          "The boot sector or superblock of a volume is damaged",
          "Image it first.",
          0,
          List.of(
              new SurveyFinding.VolumeNote(
                  1,
                  "",
                  1 << 20,
                  1L << 39,
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
                      new SurveyFinding.FolderNote("Scores", 5, 300, true),
                      new SurveyFinding.FolderNote("Scores/2026", 2, 100, true),
                      new SurveyFinding.FolderNote("Members", 5, 300, true),
                      new SurveyFinding.FolderNote("Core", 2, 100, false)),
                  List.of())),
          List.of());

  private static RescueFinding rescue(String sums, Boolean verified) {
    return new RescueFinding(
        "ended",
        true,
        "+.-",
        "+  ",
        1L << 40,
        5_000,
        4_488,
        512,
        0,
        List.of(new RescueFinding.LostFile("Scores/x.pdf", 900, 512)),
        1L,
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
      // What was found weighs: the sign that the move of the same name tells.
      assertThat(at.get("").toString()).contains("volume.found");

      CopyOrder order = run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));

      assertThat(order).isEqualTo(new CopyOrder(at.job, null, List.of()));
      assertThat(at.stance()).isEqualTo("COPIED");
      assertThat(at.data().get("finding").stringValue())
          .isEqualTo("copied, not verified yet, one file lost something");
      assertThat(at.rule("REPAIR_FILE_SYSTEM").status()).isEqualTo(423);

      run(at, RunKind.VERIFY_IMAGE, rescue("aa", false));
      assertThat(at.stance()).isEqualTo("WANTED");

      run(at, RunKind.RESCUE_IN_USE, rescue("bb", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true)); // of another image
      assertThat(at.stance()).isEqualTo("COPIED");

      run(at, RunKind.VERIFY_IMAGE, rescue("bb", true));
      assertThat(at.stance()).isEqualTo("COPY_VERIFIED");
      assertThat(at.rule("REPAIR_FILE_SYSTEM").status()).isEqualTo(201);
    }
  }

  @Test
  void copiedFilesCountWhenEveryProposedFolderIsAmongThem(RunningServer.Shop shop)
      throws Exception {
    try (Linked at = linked(shop, "Rope walk")) {
      assertThat(askFiles(at, "Scores").status()).isEqualTo(409);
      run(at, RunKind.SURVEY, SURVEY);
      assertThat(askFiles(at, "Elsewhere").status()).isEqualTo(400);

      files(at, 5, 0, "Scores");
      assertThat(at.stance()).isEqualTo("COPIED");
      files(at, 4, 1, "Members");
      assertThat(at.stance()).isEqualTo("COPIED");
      files(at, 5, 0, "Members");
      assertThat(at.stance()).isEqualTo("COPY_VERIFIED");
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

      String path = "/api/jobs/%s/drives/drive-a/copy/erase".formatted(at.job);
      UUID id = UUID.fromString(at.ines.post(path, Map.of()).body().get("run").stringValue());
      ends(at, id, RunKind.ERASE_COPY, new CopyErasedFinding(at.job + "/drive-a", 3, 900, 0));
      assertThat(due(at)).doesNotContain(at.job);
      shop.asOwner("UPDATE job SET ended_at = NULL WHERE number = '%s'".formatted(at.job));
    }
  }

  private static List<String> due(Linked at) {
    return at.ines.get("/api/floor").body().get("dueCopies").findValuesAsString("job");
  }

  /** While it may be the only one it stays; then the probe that has it erases it. */
  @Test
  void aCopyIsErasedOnlyWhenItIsNotTheOnlyOne(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Net store")) {
      String path = "/api/jobs/%s/drives/drive-a/copy/erase".formatted(at.job);
      run(at, RunKind.SURVEY, SURVEY);
      assertThat(at.data().get("copy").isNull()).isTrue();
      run(at, RunKind.RESCUE_IN_USE, rescue("aa", null));
      run(at, RunKind.VERIFY_IMAGE, rescue("aa", true));
      assertThat(at.ines.post(path, Map.of()).status()).isEqualTo(423);
      assertThat(at.data().at("/copy/lockedWhy").stringValue()).contains("may be the only one");
      at.ines.post(
          "/api/jobs/%s/stance".formatted(at.job),
          Map.of(
              "version", at.get("").get("version").intValue(),
              "stance", "NOT_WANTED",
              "signer", "Net store"));

      UUID id = UUID.fromString(at.ines.post(path, Map.of()).body().get("run").stringValue());

      CopyOrder order =
          ends(at, id, RunKind.ERASE_COPY, new CopyErasedFinding(at.job + "/drive-a", 3, 900, 0));
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
      String path = "/api/jobs/%s/drives/drive-a/files".formatted(at.job);
      Map<String, Object> body = Map.of("volume", 1, "folders", List.of("Scores"));
      assertThat(shop.signedIn("joao").post(path, body).status()).isEqualTo(403);
      Map<String, Object> plain = Map.of("kind", "FILE_COPY");
      assertThat(at.ines.post("/api/jobs/%s/drives/drive-a/runs".formatted(at.job), plain).status())
          .isEqualTo(400);
    }
  }
}
