package tekmerion.probe.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.entry;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.permit.DataStatus;
import tekmerion.link.ChargeResult;
import tekmerion.link.DischargeResult;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkEvent;
import tekmerion.link.LinkEvent.End;
import tekmerion.link.LoadResult;
import tekmerion.link.MemoryTestResult;
import tekmerion.link.RunKind;
import tekmerion.link.ToProbe;
import tekmerion.link.ToServer;
import tekmerion.probe.outbox.Outbox;
import tekmerion.sim.SimMachines;
import tekmerion.words.Words;

/** Runs on memory, battery and work of simulated machines, with the real outbox and real files. */
class PartRunsTest {
  private static final UUID ID = UUID.fromString("6f7d8a52-1111-4222-8333-944455566678");
  @TempDir Path folder;
  private final Queue<ToServer> told = new ConcurrentLinkedQueue<>();
  private Outbox outbox;
  private RunHost host;

  @BeforeEach
  void open() {
    outbox = Outbox.open(folder);
  }

  @AfterEach
  void close() {
    host.close();
    outbox.close();
  }

  private LinkEvent.RunEnded run(String machine, RunKind kind) throws InterruptedException {
    begin(machine, kind);
    return end();
  }

  private void begin(String machine, RunKind kind) {
    host =
        new RunHost(
            new SimMachines().open("sim:" + machine).orElseThrow(),
            outbox,
            folder,
            folder,
            Clock.systemUTC(),
            told::add,
            () -> {});
    host.accept(
        new ToProbe.StartRun(
            ID, kind.partKey().orElseThrow(), kind, false, DataStatus.WANTED, null));
  }

  private LinkEvent.RunEnded end() throws InterruptedException {
    long until = System.nanoTime() + 60_000_000_000L;
    while (outbox.waiting(1, 2).isEmpty()) {
      assertThat(System.nanoTime()).as("the run ends").isLessThan(until);
      Thread.sleep(10);
    }
    return (LinkEvent.RunEnded)
        LinkCodec.decode(outbox.waiting(1, 2).get(0).body(), LinkEvent.class);
  }

  /** Module B, the second one, has its faults on lines 19 and 20: both in byte lane 2. */
  @Test
  void aMarchNamesTheLinesOfABadModule() throws Exception {
    LinkEvent.RunEnded end = run("bad-module,0,100000", RunKind.MEMORY_TEST);

    assertThat(end.end()).isEqualTo(End.COMPLETE);
    MemoryTestResult march = (MemoryTestResult) end.result();
    assertThat(march.done()).containsExactly("Address in address", "March C-");
    assertThat(march.byBit().get(19)).isEqualTo(2);
    assertThat(march.byBit().get(20)).isEqualTo(1);
    assertThat(march.byBit().stream().mapToInt(n -> n).sum()).isEqualTo(3);
    // One cell that is stuck, one that cannot leave 0, which looks the same, and one coupled.
    assertThat(march.byClass()).containsOnly(entry("stuck-at", 2), entry("coupling", 1));
    assertThat(Words.read(march.where())).contains("byte lane 2");
  }

  /** With the good module alone in the second slot. */
  @Test
  void aMarchOverAGoodModuleFindsNothing() throws Exception {
    MemoryTestResult march =
        (MemoryTestResult) run("bad-module,0,100000,-A", RunKind.MEMORY_TEST).result();

    assertThat(march.mismatches()).isZero();
    assertThat(march.passes()).isEqualTo(1);
    assertThat(march.where()).isEmpty();
  }

  @Test
  void aMarchThatIsEndedTellsWhatItFoundUntilThen() throws Exception {
    begin("bad-module,0,60", RunKind.MEMORY_TEST_LONG);
    while (told.isEmpty()) {
      Thread.sleep(20);
    }
    host.accept(new ToProbe.StopRun(ID, RunKind.BOARD, RunKind.MEMORY_TEST_LONG, false));

    LinkEvent.RunEnded end = end();
    assertThat(end.end()).isEqualTo(End.CANCELLED);
    assertThat(((MemoryTestResult) end.result()).passes()).as("no whole pass").isZero();
  }

  /** The pack really holds 1.93 Ah and has 0.154 Ω at half charge. */
  @Test
  void aDischargeMeasuresWhatIsReallyThere() throws Exception {
    LinkEvent.RunEnded end = run("tired-battery,0,1000000", RunKind.DISCHARGE);

    assertThat(end.end()).isEqualTo(End.COMPLETE);
    DischargeResult discharge = (DischargeResult) end.result();
    assertThat(discharge.reachedCutOff()).isTrue();
    assertThat(discharge.chargeAh().value()).isBetween(1.75, 1.95); // the last of it stays in
    assertThat(discharge.designAh()).isEqualTo(4.4);
    assertThat(discharge.resistanceOhm().value()).isBetween(0.13, 0.22);
    assertThat(discharge.points().size()).isBetween(300, 600);
    // It goes once the end is kept, not before.
    long until = System.nanoTime() + 60_000_000_000L;
    while (Files.exists(folder.resolve(ID + ".samples")) && System.nanoTime() < until) {
      Thread.sleep(10);
    }
    assertThat(folder.resolve(ID + ".samples")).doesNotExist();
  }

  /** A real machine goes off at the end of it, and the probe with it. */
  @Test
  void aDischargeIsToldWhenTheMachineIsOnAgain() throws Exception {
    Files.writeString(
        folder.resolve(ID + ".samples"),
        "0.0,12.3,1.5,24.0\n5.0,12.1,1.5,24.0\n10.0,9.0,1.6,\n10.1");

    LinkEvent.RunEnded end = run("tired-battery,0,60", RunKind.DISCHARGE);

    assertThat(end.end()).isEqualTo(End.COMPLETE);
    assertThat(Words.read(end.why())).contains("went off");
    DischargeResult discharge = (DischargeResult) end.result();
    // 1.5 A for 5 s, then 1.55 A for 5 s: 15.25 As.
    assertThat(discharge.chargeAh().value() * 3600).isBetween(15.2, 15.3);
    assertThat(discharge.reachedCutOff()).isTrue();
  }

  /** It takes up 0.45 of its 1.93 Ah an hour: 0.87 A, a fifth of its design. */
  @Test
  void aChargeTellsItsCurrentAndWhetherTheAdapterCarriesTheLoad() throws Exception {
    ChargeResult charge = (ChargeResult) run("tired-battery,0,1000000", RunKind.CHARGE).result();

    assertThat(charge.verdict()).isEqualTo("normal");
    assertThat(charge.intoAmperes()).isBetween(0.84, 0.90);
    assertThat(charge.helpsAmperes()).as("it is still charged a little").isNegative();
    assertThat(charge.restPoints()).isEqualTo(180);
  }

  @Test
  void aLoadSampleNamesWhatKeepsItBusy() throws Exception {
    LinkEvent.RunEnded end = run("busy-drive,0,60000", RunKind.LOAD_SAMPLE);
    assertThat(end.end()).as(end.why()).isEqualTo(End.COMPLETE);
    LoadResult load = (LoadResult) end.result();

    assertThat(load.series().get("drive sda")).hasSize(LoadTask.MOMENTS);
    assertThat(load.drives().get("sda").busy()).isBetween(0.9, 1.0);
    assertThat(load.programs().get(0).name()).isEqualTo("file indexer");
  }

  @Test
  void saysWhatAMachineHasNotGot() throws Exception {
    LinkEvent.RunEnded end = run("worn-disk,0,60", RunKind.DISCHARGE);

    assertThat(end.end()).isEqualTo(End.COULD_NOT_RUN);
    assertThat(Words.read(end.why())).isEqualTo("this machine has nothing that could be run so");
  }
}
