package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.DriveSeen;
import tekmerion.link.EraseResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.MendResult;
import tekmerion.link.Release;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tools.jackson.databind.JsonNode;

/** Nothing is erased but the drive that is named, decided on and given up; a peer as the probe. */
@ExtendWith(RunningServer.class)
class EraseTest {
  private static final int BAY = 6;
  private static final long GB_240 = TestDrive.GB_240;

  private static MachineNote machine(String offLimits) {
    return new MachineNote(
        "Tarnwick",
        "all-in-one 24",
        "",
        "bench",
        List.of(new MachineNote.DriveNote("drive-a", "Drive A", offLimits)),
        List.of());
  }

  private record Linked(
      DriveSeen drive, ShopClient ines, String job, LinkPeer peer, String token, byte[] releaseKey)
      implements AutoCloseable {
    private long version() {
      return JobVersion.of(ines, "/api/jobs/" + job);
    }

    private ShopClient.Answer erase(String size, String model, String lastFour) {
      return ines.post(
          "/api/jobs/%s/parts/drive-a/erase".formatted(job),
          Map.of("version", version(), "size", size, "model", model, "lastFour", lastFour));
    }

    private ShopClient.Answer beginReset(String lastFour) {
      Map<String, Object> body = new HashMap<>();
      body.put("version", version());
      body.put("part", "machine");
      if (lastFour != null) {
        body.put("drive", Map.of("size", "240 GB", "model", "QUAY-240F", "lastFour", lastFour));
      }
      return ines.post("/api/jobs/%s/moves/reset-erasing/begin".formatted(job), body);
    }

    private JsonNode lock() {
      return ines.get("/api/jobs/%s/parts/drive-a/data".formatted(job)).body().get("eraseLock");
    }

    private void hello(String offLimits) throws Exception {
      peer.send(new ToServer.Hello(BenchLink.PROTOCOL, "test", machine(offLimits), 0));
      peer.next(ToProbe.Welcome.class);
    }

    @Override
    public void close() {
      peer.close();
      Map<String, Object> out = new HashMap<>();
      out.put("version", version());
      out.put("bay", null);
      ines.post("/api/jobs/" + job + "/bay", out);
    }
  }

  private static Linked linked(RunningServer.Shop shop) throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of("Tide office", "Tarnwick", "all-in-one 24", "It is slow")
            .takeIn();
    long version = JobVersion.of(ines, "/api/jobs/" + job);
    ines.post("/api/jobs/" + job + "/bay", Map.of("version", version, "bay", BAY));
    JsonNode granted = LinkPeer.tryCode(ines, ines.enrolmentCode(BAY), UUID.randomUUID()).body();
    String token = granted.get("token").stringValue();
    byte[] releaseKey = HexFormat.of().parseHex(granted.get("releaseKey").stringValue());
    Linked at =
        new Linked(
            TestDrive.quay(), ines, job, new LinkPeer(shop.address(), token), token, releaseKey);
    at.hello("");
    return at;
  }

  private static void read(Linked at) throws Exception {
    TestDrive.read(at.ines, at.job, at.peer, 1, "drive-a", "sound-drive", at.drive.serial());
  }

  private static void signAway(Linked at) {
    assertThat(TestDrive.signAway(at.ines, at.job, "Tide office", "drive-a").status())
        .isEqualTo(201);
  }

  /** What the desk answers a probe that is about to write. */
  private static ToProbe ask(Linked at, UUID run, DriveSeen drive) throws Exception {
    at.peer.send(new ToServer.ReleaseAsked(run, "0123456789abcdef".repeat(2), drive));
    return at.peer.next(ToProbe.class);
  }

  private static String lockOf(Linked at) {
    ShopClient.Answer refused = at.erase("240 GB", "QUAY-240F", TestDrive.lastFour(at.drive));
    assertThat(refused.status()).isEqualTo(423);
    return refused.body().get("lock").stringValue();
  }

  private static byte[] sha256(String text) throws Exception {
    return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
  }

  @Test
  void everyGateIsAskedInTurnAndTheReleaseIsForOneDrive(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop)) {
      // Who it is.
      assertThat(lockOf(at)).isEqualTo("DRIVE_NOT_IDENTIFIED");
      read(at);
      // The data: nobody asked yet.
      assertThat(lockOf(at)).isEqualTo("DATA_NOT_SAFE");
      assertThat(at.lock().get("reason").stringValue())
          .contains("the data on drive A is not asked");
      signAway(at);
      // The decision.
      assertThat(lockOf(at)).isEqualTo("NOT_DECIDED");
      at.ines.post(
          "/api/jobs/%s/decisions".formatted(at.job),
          Map.of(
              "version", at.version(),
              "courses", List.of("CLEAN_INSTALL"),
              "reason", "as its owner wants it"));
      assertThat(at.lock().isNull()).isTrue();
      // Its name, typed.
      for (String[] wrong :
          new String[][] {
            {"500 GB", "QUAY-240F", TestDrive.lastFour(at.drive)},
            {"240 GB", "HELM-1000S", TestDrive.lastFour(at.drive)},
            {"240 GB", "QUAY-240F", "19-B"}
          }) {
        ShopClient.Answer refused = at.erase(wrong[0], wrong[1], wrong[2]);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.body().toString()).contains("Not erased.");
        assertThat(refused.body().toString()).doesNotContain("Q24F"); // nor told what is right
      }

      UUID id =
          UUID.fromString(
              at.erase("240 GB", "quay-240f", TestDrive.lastFour(at.drive).toLowerCase(Locale.ROOT))
                  .body()
                  .get("run")
                  .stringValue());

      ToProbe.StartRun start = at.peer.next(ToProbe.StartRun.class);
      assertThat(start.run()).isEqualTo(RunKind.ERASE);
      // Another drive in its place, and another run, get no release.
      assertThat(ask(at, id, TestDrive.HELM)).isInstanceOf(ToProbe.ReleaseRefused.class);
      assertThat(ask(at, UUID.randomUUID(), at.drive)).isInstanceOf(ToProbe.ReleaseRefused.class);
      Release release = ((ToProbe.ReleaseGiven) ask(at, id, at.drive)).release();
      assertThat(release.run()).isEqualTo(id);
      assertThat(release.drive()).isEqualTo(at.drive);
      assertThat(release.holds(at.releaseKey)).isTrue();
      assertThat(release.validForMs()).isLessThanOrEqualTo(15_000);
      // A stolen table forges nothing: what the database keeps of the token findings no release.
      assertThat(release.holds(sha256(at.token))).isFalse();

      Instant now = Instant.now();
      at.peer.send(
          new ToServer.Event(
              2,
              new LinkEvent.RunEnded(
                  id,
                  "drive-a",
                  RunKind.ERASE,
                  now,
                  now,
                  LinkEvent.End.COMPLETE,
                  "",
                  new EraseResult("read back", GB_240, GB_240, 0, 3_000, 0, 0, 0.001))));
      at.peer.next(ToProbe.Acknowledge.class);
      assertThat(at.ines.get("/api/jobs/" + at.job).body().toString())
          .containsPattern("Erasing of QUAY-240F \\S+: all of it is zero");
    }
  }

  /** On the customer's own system nobody but the technician sees which drive is erased. */
  @Test
  void aResetThatErasesBeginsOnlyWithTheNameOfADriveOfTheMachine(RunningServer.Shop shop)
      throws Exception {
    try (Linked at = linked(shop)) {
      assertThat(at.beginReset(TestDrive.lastFour(at.drive)).body().get("lock").stringValue())
          .isEqualTo("DRIVE_NOT_IDENTIFIED");
      read(at);
      signAway(at);

      assertThat(at.beginReset(null).status()).isEqualTo(409);
      assertThat(at.beginReset("19-B").body().toString()).contains("none of this machine's");
      assertThat(at.beginReset(TestDrive.lastFour(at.drive)).status()).isEqualTo(204);
      assertThat(at.ines.get("/api/jobs/" + at.job).body().at("/openChange/what").stringValue())
          .isEqualTo("Reset the system, erasing the drive");
    }
  }

  /** Mending writes: as locked as erasing, but nothing has to be decided away for it. */
  @Test
  void aMendingIsReleasedForItselfOnly(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop)) {
      read(at);
      String path = "/api/jobs/%s/parts/drive-a/mend".formatted(at.job);
      Map<String, Object> named = new HashMap<>();
      named.put("version", at.version());
      named.put("size", "240 GB");
      named.put("model", "QUAY-240F");
      named.put("lastFour", TestDrive.lastFour(at.drive));
      assertThat(at.ines.post(path, named).status()).isEqualTo(423);
      signAway(at);
      named.put("version", at.version());
      named.put("lastFour", "19-B");
      assertThat(at.ines.post(path, named).body().toString()).contains("Nothing was written.");
      named.put("lastFour", TestDrive.lastFour(at.drive));
      assertThat(shop.signedIn("joao").post(path, named).status()).isEqualTo(403);

      assertThat(at.ines.post(path, named).status()).isEqualTo(202);

      ToProbe.StartRun start = at.peer.next(ToProbe.StartRun.class);
      assertThat(start.run()).isEqualTo(RunKind.MEND);
      Release release = ((ToProbe.ReleaseGiven) ask(at, start.requestId(), at.drive)).release();
      assertThat(release.kind()).isEqualTo(RunKind.MEND);
      Instant now = Instant.now();
      MendResult found =
          new MendResult(
              "read back",
              List.of(new MendResult.PieceNote("The boot sector is lost", 1_048_576, 512)),
              1,
              List.of(),
              at.job + "/drive-a",
              "Its tables and file systems are sound",
              null);
      at.peer.send(
          new ToServer.Event(
              2,
              new LinkEvent.RunEnded(
                  start.requestId(),
                  "drive-a",
                  RunKind.MEND,
                  now,
                  now,
                  LinkEvent.End.COMPLETE,
                  "",
                  found)));
      at.peer.next(ToProbe.Acknowledge.class);
      JsonNode mending =
          at.ines.get("/api/jobs/%s/parts/drive-a/data".formatted(at.job)).body().get("mending");
      assertThat(mending.get("canTakeBack").booleanValue()).isTrue();
      assertThat(mending.at("/last/result/written").intValue()).isEqualTo(1);
      assertThat(at.ines.get("/api/jobs/" + at.job).body().toString())
          .contains("1 of its pieces written; now: its tables and file systems are sound");

      // A later try that could not run takes nothing away: there is still something to take back.
      named.put("version", at.version());
      assertThat(at.ines.post(path, named).status()).isEqualTo(202);
      ToProbe.StartRun again = at.peer.next(ToProbe.StartRun.class);
      at.peer.send(
          new ToServer.Event(
              3,
              new LinkEvent.RunEnded(
                  again.requestId(),
                  "drive-a",
                  RunKind.MEND,
                  now,
                  now,
                  LinkEvent.End.COULD_NOT_RUN,
                  "nothing here is damaged that has an intact copy",
                  null)));
      at.peer.next(ToProbe.Acknowledge.class);
      mending =
          at.ines.get("/api/jobs/%s/parts/drive-a/data".formatted(at.job)).body().get("mending");
      assertThat(mending.get("canTakeBack").booleanValue()).isTrue();
      assertThat(mending.at("/last/why").stringValue()).contains("nothing here is damaged");
    }
  }

  @Test
  void aSystemDriveIsNeverOfferedAndNoPlainRunErases(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop)) {
      read(at);
      signAway(at);
      at.ines.post(
          "/api/jobs/%s/decisions".formatted(at.job),
          Map.of("version", at.version(), "courses", List.of("CLEAN_INSTALL"), "reason", "so"));
      at.hello("the running system lies on it");

      ShopClient.Answer refused = at.erase("240 GB", "QUAY-240F", TestDrive.lastFour(at.drive));

      assertThat(refused.status()).isEqualTo(423);
      assertThat(refused.body().toString()).contains("It must never be written to");
      assertThat(
              at.ines
                  .post(
                      "/api/jobs/%s/parts/drive-a/runs".formatted(at.job), Map.of("kind", "ERASE"))
                  .status())
          .isEqualTo(400);
      assertThat(
              shop.signedIn("joao")
                  .post(
                      "/api/jobs/%s/parts/drive-a/erase".formatted(at.job),
                      Map.of("version", 1, "size", "1", "model", "x", "lastFour", "x"))
                  .status())
          .isEqualTo(403);
    }
  }
}
