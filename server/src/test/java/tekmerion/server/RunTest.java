package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import tekmerion.core.page.RawPage;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.link.SurfaceScanResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.server.inbox.RunInbox;
import tekmerion.sim.SimMachines;
import tekmerion.words.Words;
import tools.jackson.databind.JsonNode;

/** Runs, from the request to the evidence, with a peer in the probe's place. */
@ExtendWith(RunningServer.class)
class RunTest {
  /** Each test has a bay of its own: what one finds on a drive stays found. */
  private enum At {
    BAY_1(1, "J-2291"),
    BAY_5(5, "J-2292"),
    BAY_4(4, "J-2279"),
    BAY_9(9, "J-2288");

    private final int bay;
    private final String job;

    At(int bay, String number) {
      this.bay = bay;
      this.job = "/api/jobs/" + number;
    }

    private String drive() {
      return job + "/parts/drive-a";
    }
  }

  private static SurfaceScanResult surface(double shareRead, long bad) {
    List<SurfaceScanResult.BadNote> ranges =
        bad == 0 ? List.of() : List.of(new SurfaceScanResult.BadNote(5_900_000, bad));
    return new SurfaceScanResult(
        1_000_204_886_016L,
        512,
        1_000,
        shareRead,
        (long) (shareRead * 1_000_204_886_016L),
        1_000,
        bad == 0 ? 0 : 1,
        0.005,
        List.of(new SurfaceScanResult.ZoneNote(3, 6_100, 9_000, 14_000, 1, (int) bad)),
        List.of(),
        ranges);
  }

  private static LinkPeer linked(RunningServer.Shop shop, ShopClient ines, At at) throws Exception {
    LinkPeer peer = new LinkPeer(shop.address(), LinkPeer.enrol(ines, at.bay, UUID.randomUUID()));
    peer.hello(0);
    peer.next(ToProbe.Welcome.class);
    return peer;
  }

  /** Tells who the drive is, so that its view exists. */
  private static void read(LinkPeer peer, ShopClient ines, At at) throws Exception {
    ines.post(at.job + "/readings", Map.of("partKey", "drive-a"));
    ToProbe.ReadPart asked = peer.next(ToProbe.ReadPart.class);
    var pages = new SimMachines().open("sim:worn-disk,0").orElseThrow().drives().get(0).pages();
    peer.send(
        new ToServer.Event(
            1,
            new LinkEvent.PartRead(
                asked.requestId(),
                UUID.randomUUID(),
                "drive-a",
                Instant.now(),
                pages.kinds().stream().map(k -> PageNote.of(k, pages.read(k))).toList())));
    peer.next(ToProbe.Acknowledge.class);
  }

  private static void listen(ShopClient who, At at) {
    Map<String, Object> heard =
        Map.of(
            "version",
            JobVersion.of(who, at.job),
            "part",
            "drive-a",
            "levels",
            Map.of("drive.sound", "normal", "drive.hand-warm", "warm"),
            "note",
            "");
    ShopClient.Answer answer = who.post(at.job + "/moves/drive-listen/outcome", heard);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(204);
  }

  private static ShopClient.Answer start(ShopClient who, At at, RunKind kind) {
    return who.post(at.drive() + "/runs", Map.of("kind", kind.name()));
  }

  /**
   * Its health page, NVM Express 2.0, figure 207: critical warning bit 3, 310 K, all spares left.
   */
  private static LinkEvent.PartRead refusesWrites() {
    byte[] health = new byte[512];
    health[0] = 0x08;
    health[1] = 0x36;
    health[2] = 0x01;
    health[3] = 100;
    health[4] = 10;
    return new LinkEvent.PartRead(
        UUID.randomUUID(),
        UUID.randomUUID(),
        "drive-a",
        Instant.now(),
        List.of(PageNote.of(PageKind.NVME_SMART, new PageAnswer.Got(new RawPage(health)))));
  }

  /** The report as it is printed: what a probe tells as a message is read there too. */
  private static String annex(ShopClient who, At at) throws Exception {
    try (PDDocument pdf = Loader.loadPDF(who.download(at.job + "/report.pdf").orElseThrow())) {
      return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
    }
  }

  private static LinkEvent.RunEnded ended(UUID id, LinkEvent.End end, SurfaceScanResult surface) {
    return ended(id, end, "", surface);
  }

  private static LinkEvent.RunEnded ended(
      UUID id, LinkEvent.End end, String why, SurfaceScanResult surface) {
    Instant now = Instant.now();
    return new LinkEvent.RunEnded(
        id, "drive-a", RunKind.SURFACE_SCAN, now.minusSeconds(60), now, end, why, surface);
  }

  @Test
  void aPassIsWatchedPausedGoneOnWithAndItsFindingWeighed(RunningServer.Shop shop)
      throws Exception {
    At at = At.BAY_1;
    ShopClient ines = shop.signedIn();
    try (LinkPeer peer = linked(shop, ines, at)) {
      read(peer, ines, at);
      // Its owner heard it click: until somebody has listened, nothing works it for long.
      assertThat(start(ines, at, RunKind.SURFACE_SCAN).body().get("lock").stringValue())
          .isEqualTo("DRIVE_FAILING");
      listen(ines, at);
      UUID id =
          UUID.fromString(start(ines, at, RunKind.SURFACE_SCAN).body().get("id").stringValue());
      ToProbe.StartRun asked = peer.next(ToProbe.StartRun.class);
      assertThat(asked)
          .isEqualTo(
              new ToProbe.StartRun(
                  id, "drive-a", RunKind.SURFACE_SCAN, true, DataStatus.WANTED, null));
      assertThat(start(ines, at, RunKind.SELF_TEST_SHORT).status()).isEqualTo(409);

      peer.send(new ToServer.RunProgress(id, 0.61, 4_000, 720, 610L, surface(0.61, 3)));
      JsonNode run = shown(ines, id, "/share", "0.61");
      assertThat(run.at("/result/bad/0/sectors").intValue()).isEqualTo(3);
      assertThat(run.at("/likelyEnd").isNull()).isFalse();
      assertThat(ines.post("/api/runs/%s/pause".formatted(id), Map.of()).status()).isEqualTo(204);
      assertThat(peer.next(ToProbe.StopRun.class))
          .isEqualTo(new ToProbe.StopRun(id, "drive-a", RunKind.SURFACE_SCAN, true));
      assertThat(ines.post("/api/runs/%s/resume".formatted(id), Map.of()).status()).isEqualTo(204);
      assertThat(peer.next(ToProbe.StartRun.class)).isEqualTo(asked);

      String away = "The drive is not there. It goes on by itself when it is back.";
      peer.send(new ToServer.RunWaits(id, away));
      assertThat(shown(ines, id, "/waits", "\"" + away + "\"").at("/likelyEnd").isNull()).isTrue();
      assertThat(ines.get(at.job).body().toString())
          .containsPattern("Surface scan of \\S+ \\S+ waits at 61 %");
      peer.send(new ToServer.RunProgress(id, 0.62, 4_000, 720, 620L, surface(0.62, 3)));
      assertThat(shown(ines, id, "/share", "0.62").at("/waits").isNull()).isTrue();

      peer.send(new ToServer.Event(2, ended(id, LinkEvent.End.COMPLETE, surface(1, 12))));
      peer.next(ToProbe.Acknowledge.class);

      JsonNode view = ines.get(at.drive()).body();
      assertThat(view.get("finding").stringValue())
          .isEqualTo("12 sectors could not be read in a surface scan");
      assertThat(view.get("decisive").stringValue()).contains("that is the medium");
      assertThat(view.at("/runs/0/end").stringValue()).isEqualTo("COMPLETE");
      assertThat(view.at("/outlook/drivers/0/words").stringValue()).contains("12 sectors");
      assertThat(ines.get(at.job).body().toString())
          .containsPattern("Surface scan of \\S+ \\S+: 12 sectors unreadable");
    }
  }

  /**
   * A drive that is plugged in later is there without a new link; a machine that goes is told of.
   */
  @Test
  void drivesComeAndMachinesGoWhileTheLinkStands(RunningServer.Shop shop) throws Exception {
    At at = At.BAY_9;
    ShopClient ines = shop.signedIn();
    UUID id;
    try (LinkPeer peer = linked(shop, ines, at)) {
      read(peer, ines, at);
      id = UUID.fromString(start(ines, at, RunKind.SURFACE_SAMPLE).body().get("id").stringValue());
      peer.next(ToProbe.StartRun.class);
      peer.send(new ToServer.RunProgress(id, 0.19, 400, 72, 610L, surface(0.19, 0)));
      shown(ines, id, "/share", "0.19");
      MachineNote before = LinkPeer.MACHINE;
      List<MachineNote.DriveNote> both = new ArrayList<>(before.drives());
      both.add(new MachineNote.DriveNote("TEKD0042", "sdb, usb, TEKD0042"));
      peer.send(
          new ToServer.MachineNow(
              new MachineNote(before.maker(), before.model(), "", "test", both, List.of())));
      eventually(() -> ines.get(at.job).body().toString().contains("TEKD0042"));
    }
    RunInbox inbox = shop.bean(RunInbox.class);
    eventually(
        () -> {
          shop.bean(JdbcClient.class)
              .sql("UPDATE probe SET last_seen_at = '2026-01-01' WHERE NOT online")
              .update();
          inbox.lookForProbesThatAreAway();
          return ines.get("/api/runs/" + id).body().path("waits").asString("").contains("machine");
        });
    assertThat(ines.get(at.job).body().toString())
        .containsPattern("Surface sample of \\S+ \\S+ waits at 19 %");
  }

  private static void eventually(Callable<Boolean> holds) throws Exception {
    for (int i = 0; !holds.call(); i++) {
      assertThat(i).as("it does not come to that").isLessThan(600);
      Thread.sleep(100);
    }
  }

  @Test
  void aDriveThatFailsForSureIsNotLoadedFurtherBeforeItsCopy(RunningServer.Shop shop)
      throws Exception {
    At at = At.BAY_5;
    ShopClient ines = shop.signedIn();
    try (LinkPeer peer = linked(shop, ines, at)) {
      read(peer, ines, at);
      UUID id =
          UUID.fromString(start(ines, at, RunKind.SURFACE_SCAN).body().get("id").stringValue());
      peer.next(ToProbe.StartRun.class);
      String run = "/api/runs/" + id;
      assertThat(ines.post(run + "/pause", Map.of()).status()).isEqualTo(204);
      peer.next(ToProbe.StopRun.class);
      peer.send(new ToServer.Event(2, refusesWrites()));
      peer.next(ToProbe.Acknowledge.class);
      ShopClient.Answer further = ines.post(run + "/resume", Map.of());
      assertThat(further.status()).isEqualTo(423);
      assertThat(further.body().get("detail").stringValue()).contains("refuses every write");
      String why = Words.kept(() -> Words.say("probe.the-machine-is-on-no-bay"));
      peer.send(
          new ToServer.Event(3, ended(id, LinkEvent.End.STOPPED_BY_RULE, why, surface(0.4, 201))));
      peer.next(ToProbe.Acknowledge.class);
      assertThat(annex(ines, at)).contains("(The machine is on no bay.)");

      ShopClient.Answer whole = start(ines, at, RunKind.SURFACE_SCAN);
      ShopClient.Answer extended = start(ines, at, RunKind.SELF_TEST_EXTENDED);
      ShopClient.Answer sample = start(ines, at, RunKind.SURFACE_SAMPLE);

      assertThat(List.of(whole.status(), extended.status(), sample.status()))
          .containsExactly(423, 423, 202);
      assertThat(whole.body().get("detail").stringValue()).contains("must be spared");
      assertThat(whole.body().get("toDo").stringValue()).contains("copy is verified");
    }
  }

  @Test
  void aProbeThatComesBackIsAskedAgainForWhatIsOpen(RunningServer.Shop shop) throws Exception {
    At at = At.BAY_4;
    ShopClient ines = shop.signedIn();
    String token = LinkPeer.enrol(ines, at.bay, UUID.randomUUID());
    UUID id;
    try (LinkPeer peer = new LinkPeer(shop.address(), token)) {
      peer.hello(0);
      peer.next(ToProbe.Welcome.class);
      read(peer, ines, at);
      id = UUID.fromString(start(ines, at, RunKind.SURFACE_SCAN).body().get("id").stringValue());
      peer.next(ToProbe.StartRun.class);
    }
    try (LinkPeer again = new LinkPeer(shop.address(), token)) {
      again.hello(1);
      again.next(ToProbe.Welcome.class);

      assertThat(again.next(ToProbe.StartRun.class).requestId()).isEqualTo(id);

      again.send(new ToServer.Event(2, ended(id, LinkEvent.End.CANCELLED, surface(0.1, 0))));
      again.next(ToProbe.Acknowledge.class);
      // The same end once more, as if the acknowledgement had been lost on another number.
      again.send(new ToServer.Event(3, ended(id, LinkEvent.End.COMPLETE, surface(1, 0))));
      again.next(ToProbe.Acknowledge.class);
    }
    assertThat(shop.count("SELECT COUNT(*) FROM run_result WHERE run_id = '%s'".formatted(id)))
        .isOne();
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM link_event WHERE refused_why LIKE '%%ended already%%'"))
        .isPositive();
  }

  @Test
  void theCounterStartsNoRuns(RunningServer.Shop shop) {
    assertThat(start(shop.signedIn("joao"), At.BAY_1, RunKind.SURFACE_SCAN).status())
        .isEqualTo(403);
  }

  /** Progress is applied a moment after it was sent. */
  private static JsonNode shown(ShopClient who, UUID run, String at, String wanted)
      throws InterruptedException {
    long until = System.nanoTime() + 60_000_000_000L;
    JsonNode body = who.get("/api/runs/" + run).body();
    while (!body.at(at).toString().equals(wanted) && System.nanoTime() < until) {
      Thread.sleep(20);
      body = who.get("/api/runs/" + run).body();
    }
    assertThat(body.at(at).toString()).isEqualTo(wanted);
    return body;
  }
}
