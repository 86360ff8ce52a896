package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.launch.LinkPeer;
import tekmerion.launch.ShopClient;
import tekmerion.link.BenchLink;
import tekmerion.link.DischargeResult;
import tekmerion.link.LinkEvent;
import tekmerion.link.LoadResult;
import tekmerion.link.MachineNote;
import tekmerion.link.MemoryTestResult;
import tekmerion.link.PageNote;
import tekmerion.link.RunKind;
import tekmerion.link.RunResult;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;

/** Memory, battery and work of a machine: from what its probe tells to the weighing. */
@ExtendWith(RunningServer.class)
class PartRunTest {
  private static final MachineNote MACHINE =
      new MachineNote(
          "Tarnwick",
          "desk tower",
          "",
          "test",
          List.of(new MachineNote.DriveNote("drive-a", "Drive A")),
          List.of(
              RunKind.BOARD,
              MachineNote.MEMORY,
              RunKind.BATTERY,
              MachineNote.DISCHARGE,
              MachineNote.LOAD));

  /** Free in the made-up shop. */
  private static final int BAY = 6;

  private long number;

  /** A job in a bay, with a peer in the probe's place. */
  private record Linked(ShopClient ines, String job, LinkPeer peer) implements AutoCloseable {
    private JsonNode get(String what) {
      return ines.get("/api/jobs/" + job + what).body();
    }

    /** The bay is free for the next one. */
    @Override
    public void close() {
      peer.close();
      Map<String, Object> out = new HashMap<>();
      out.put("version", JobVersion.of(ines, "/api/jobs/" + job));
      out.put("bay", null);
      assertThat(ines.post("/api/jobs/" + job + "/bay", out).status()).isEqualTo(204);
    }
  }

  private Linked linked(RunningServer.Shop shop, String customer, String complaint)
      throws Exception {
    ShopClient ines = shop.signedIn();
    String job =
        Talk.begin(shop.signedIn("joao"))
            .of(customer, "Tarnwick", "desk tower", complaint)
            .takeIn();
    long version = JobVersion.of(ines, "/api/jobs/" + job);
    assertThat(
            ines.post("/api/jobs/" + job + "/bay", Map.of("version", version, "bay", BAY)).status())
        .isEqualTo(204);
    LinkPeer peer = new LinkPeer(shop.address(), LinkPeer.enrol(ines, BAY, UUID.randomUUID()));
    peer.send(new ToServer.Hello(BenchLink.PROTOCOL, "test", MACHINE, 0));
    peer.next(ToProbe.Welcome.class);
    return new Linked(ines, job, peer);
  }

  /** Unasked, as at each start of a probe. */
  private void tells(Linked at, String key, PageSource pages) throws Exception {
    at.peer.send(
        new ToServer.Event(
            ++number,
            new LinkEvent.PartRead(
                UUID.randomUUID(),
                UUID.randomUUID(),
                key,
                Instant.now(),
                pages.kinds().stream().map(k -> PageNote.of(k, pages.read(k))).toList())));
    at.peer.next(ToProbe.Acknowledge.class);
  }

  private static PageSource board(String placed) {
    return new SimMachines()
        .open("sim:bad-module,0,60," + placed)
        .orElseThrow()
        .board()
        .orElseThrow()
        .pages();
  }

  private static ShopClient.Answer start(Linked at, RunKind kind) {
    return at.ines.post(
        "/api/jobs/%s/parts/%s/runs".formatted(at.job, kind.partKey().orElseThrow()),
        Map.of("kind", kind.name()));
  }

  private void runs(Linked at, RunKind kind, RunResult found) throws Exception {
    UUID id = UUID.fromString(start(at, kind).body().get("id").stringValue());
    assertThat(at.peer.next(ToProbe.StartRun.class).run()).isEqualTo(kind);
    at.peer.send(new ToServer.RunProgress(id, 0.5, 30, 5, -1, found));
    Instant now = Instant.now();
    at.peer.send(
        new ToServer.Event(
            ++number,
            new LinkEvent.RunEnded(
                id,
                kind.partKey().orElseThrow(),
                kind,
                now.minusSeconds(60),
                now,
                LinkEvent.End.COMPLETE,
                "",
                found)));
    at.peer.next(ToProbe.Acknowledge.class);
  }

  /** Words of the findings that count in the weighing. */
  private static String findings(Linked at) {
    return StreamSupport.stream(at.get("").get("weighing").get("causes").spliterator(), false)
        .map(JsonNode::toString)
        .reduce("", String::concat);
  }

  @Test
  void modulesAreKnownAgainByTheirSerialsWhereverTheySit(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Module Haas", "It stops with a memory error")) {
      tells(at, RunKind.BOARD, board("AB"));
      JsonNode seen = at.get("/memory");
      assertThat(seen.get("seen").get(1).get("module").stringValue())
          .isEqualTo("8 GB DDR4 SODIMM 3200 MT/s 1.20 V (Sound & Sons SND-8G-3200)");
      assertThat(
              at.ines
                  .put(
                      "/api/jobs/%s/isolations/MEMORY".formatted(at.job),
                      Map.of(
                          "version",
                          seen.at("/isolation/version").intValue(),
                          "things",
                          List.of(
                              Map.of("kind", "module", "name", "A"),
                              Map.of("kind", "module", "name", "B"),
                              Map.of("kind", "slot", "name", "Slot 1"),
                              Map.of("kind", "slot", "name", "Slot 2"))))
                  .status())
          .isEqualTo(204);

      tells(at, RunKind.BOARD, board("B-"));

      assertThat(at.get("/memory").get("placedNow").toString()).isEqualTo("[1,-1]");
      assertThat(at.get("/memory").get("seen").get(1).get("module").isNull()).isTrue();
      assertThat(findings(at)).contains("One memory module");
    }
  }

  @Test
  void aMarchIsShownWhileItRunsAndWeighedAtItsEnd(RunningServer.Shop shop) throws Exception {
    List<Integer> lines = new ArrayList<>(Collections.nCopies(64, 0));
    lines.set(19, 2);
    MemoryTestResult found =
        new MemoryTestResult(
            "March C-",
            List.of("Address in address"),
            1L << 30,
            "1,024 of 8,192 MiB",
            1,
            14,
            lines,
            Map.of("stuck-at", 2),
            List.of(new MemoryTestResult.FaultStretch(20_481, 20_737, 2)),
            "2 faulty bits, all on bit line 19, in one place",
            null);
    try (Linked at = linked(shop, "March Haas", "It stops with a memory error")) {
      assertThat(at.get("/memory").get("canTestMemory").isNull()).isTrue();
      assertThat(start(at, RunKind.DISCHARGE).status()).isEqualTo(202); // another part of it
      at.peer.next(ToProbe.StartRun.class);

      runs(at, RunKind.MEMORY_TEST, found);

      JsonNode run = at.get("/memory").get("runs").get(0);
      assertThat(run.get("end").stringValue()).isEqualTo("COMPLETE");
      assertThat(run.get("result").get("byBit").get(19).intValue()).isEqualTo(2);
      assertThat(findings(at)).contains("Memory test: 2 faulty bits, all on bit line 19");
      tells(at, RunKind.BOARD, board("AB"));
      assertThat(at.get("").get("needed").toString())
          .contains("A memory module, 8 GB DDR4 SODIMM 3200 MT/s 1.20 V");
    }
  }

  @Test
  void aBatteryIsMeasuredAgainstItsOwnAccount(RunningServer.Shop shop) throws Exception {
    PageSource battery =
        new SimMachines().open("sim:tired-battery,0").orElseThrow().battery().orElseThrow().pages();
    try (Linked at = linked(shop, "Battery Haas", "The battery dies quickly")) {
      tells(at, RunKind.BATTERY, battery);
      JsonNode told = at.get("/battery");
      assertThat(told.get("report").get("cycles").intValue()).isEqualTo(731);
      assertThat(told.get("report").get("health").doubleValue())
          .isCloseTo(2.05 / 4.4, within(1e-9));
      assertThat(told.get("adapter").get("mostWatts").doubleValue())
          .isCloseTo(19.5 * 3.34, within(1e-9));

      runs(at, RunKind.DISCHARGE, discharged(1.55));

      JsonNode measured = at.get("/battery");
      assertThat(measured.get("looks").size()).isEqualTo(2);
      assertThat(measured.get("looks").get(1).get("health").doubleValue())
          .isCloseTo(1.55 / 4.4, within(1e-9));
      assertThat(findings(at))
          .contains("Measured: 35 % of its design") // 1.55 of 4.4
          .contains("Its gauge says 32 % more than was measured"); // 2.05 of 1.55
      assertThat(at.get("").get("needed").toString())
          .contains("A battery, 4.40 Ah, 11.4 V, model PM-3");
    }
  }

  /** 3 of 4 Ah and 1 of 2 Ah: 4 of 6. The worse pack is what is weighed. */
  @Test
  void aSecondPackIsAPartOfItsOwnAndCounts(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Two packs Haas", "The battery dies quickly")) {
      tells(at, RunKind.BATTERY, packs(true));
      JsonNode told = at.get("/battery");
      assertThat(told.get("report").get("serial").stringValue()).isEqualTo("A1");
      assertThat(told.get("second").get("serial").stringValue()).isEqualTo("B2");
      assertThat(told.get("together").get("health").doubleValue()).isCloseTo(4 / 6.0, within(1e-9));
      assertThat(findings(at))
          .contains("The second battery holds 1.00 Ah of 2.00 Ah when full, 50 %");

      tells(at, RunKind.BATTERY, packs(false)); // the second was taken out
      assertThat(at.get("/battery").get("second").isNull()).isTrue();
      assertThat(at.get("/battery").get("report").get("serial").stringValue()).isEqualTo("A1");
    }
  }

  private static PageSource packs(boolean two) {
    List<PageKind> kinds = new ArrayList<>(List.of(PageKind.BATTERY_SUPPLY));
    if (two) {
      kinds.add(PageKind.BATTERY_SUPPLY_2);
    }
    return new PageSource() {
      @Override
      public List<PageKind> kinds() {
        return kinds;
      }

      @Override
      public PageAnswer read(PageKind kind) {
        return kind == PageKind.BATTERY_SUPPLY ? pack("A1", 4, 3) : pack("B2", 2, 1);
      }
    };
  }

  private static PageAnswer pack(String serial, int design, int full) {
    String text =
        """
        POWER_SUPPLY_TYPE=Battery
        POWER_SUPPLY_MODEL_NAME=PM-3
        POWER_SUPPLY_SERIAL_NUMBER=%s
        POWER_SUPPLY_CHARGE_FULL_DESIGN=%d000000
        POWER_SUPPLY_CHARGE_FULL=%d000000
        """
            .formatted(serial, design, full);
    return new PageAnswer.Got(new RawPage(text.getBytes(StandardCharsets.UTF_8)));
  }

  /** What was found is never called unknown beside it. */
  @Test
  void correctedErrorsStandBesideTheMemory(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Corrected Haas", "It stops with a blue screen")) {
      tells(
          at,
          RunKind.BOARD,
          new PageSource() {
            @Override
            public List<PageKind> kinds() {
              return List.of(PageKind.MEMORY_RECORDS);
            }

            @Override
            public PageAnswer read(PageKind kind) {
              return new PageAnswer.Got(
                  new RawPage(
                      "mc0/dimm1/dimm_label=SLOT_B1\nmc0/dimm1/dimm_ce_count=5\n"
                          .getBytes(StandardCharsets.UTF_8)));
            }
          });

      JsonNode memory =
          StreamSupport.stream(at.get("").get("places").spliterator(), false)
              .filter(p -> p.get("id").stringValue().equals("memory"))
              .findFirst()
              .orElseThrow();
      assertThat(memory.get("note").stringValue()).contains("5 corrected");
      assertThat(memory.get("suspicion").stringValue()).isNotEqualTo("UNKNOWN");
    }
  }

  private static DischargeResult discharged(double ampereHours) {
    return new DischargeResult(
        List.of(Arrays.asList(0.0, 12.3, 1.5, null)),
        3_900,
        new DischargeResult.MeasuredRange(ampereHours, 0.97 * ampereHours, 1.03 * ampereHours),
        null,
        null,
        0,
        0,
        0,
        true,
        4.4,
        2.05,
        1.0,
        null,
        null);
  }

  /** Whatever it would tell, a swollen pack is not loaded; another run of the machine may begin. */
  @Test
  void aSwollenPackIsNeverLoaded(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Swollen Haas", "The battery is swollen, touchpad lifted")) {
      assertThat(start(at, RunKind.DISCHARGE).status()).isEqualTo(423);
      assertThat(at.get("/battery").get("unsafe").stringValue()).contains("swollen");
      assertThat(at.get("").get("unsafe").stringValue()).contains("swollen");
      for (JsonNode move : at.get("").get("moves")) {
        boolean loads =
            List.of("battery-discharge", "load-steps", "gauge-learn", "charge-watch")
                .contains(move.get("move").asString(""));
        assertThat(loads && move.get("lock").isNull()).as(move.toString()).isFalse();
      }
      assertThat(start(at, RunKind.LOAD_SAMPLE).status()).isEqualTo(202);
    }
  }

  @Test
  void twoSamplesSayWhatAChangeDid(RunningServer.Shop shop) throws Exception {
    try (Linked at = linked(shop, "Work Haas", "It is slow")) {
      runs(at, RunKind.LOAD_SAMPLE, sample(0.97));
      assertThat(at.get("/work").get("shifts").size()).isZero();

      runs(at, RunKind.LOAD_SAMPLE, sample(0.11));

      assertThat(at.get("/work").get("shifts").get(0).get("words").stringValue())
          .isEqualTo("drive sda fell from 97 to 11 %, certain");
    }
  }

  private static LoadResult sample(double busy) {
    List<Double> moments = new ArrayList<>();
    for (int i = 0; i < 60; i++) {
      moments.add(busy + 0.01 * (i % 2 == 0 ? 1 : -1));
    }
    return new LoadResult(
        1,
        Map.of("drive sda", moments),
        List.of(),
        Map.of("sda", new LoadResult.DriveAtWork(busy, 1, 4.0, 1e6)),
        null,
        null,
        null);
  }
}
