package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.launch.ShopClient;
import tekmerion.launch.ShopClient.Answer;
import tekmerion.link.CaptureFile;
import tekmerion.link.LinkEvent;
import tekmerion.link.RunKind;
import tekmerion.link.stick.SealedCapture;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickOpener;
import tekmerion.link.stick.StickStore;
import tekmerion.probe.link.SoleBench;
import tekmerion.sim.SimMachines;
import tools.jackson.databind.JsonNode;

/** What a stick kept where there was no network. */
@ExtendWith(RunningServer.class)
class StickVisitsTest {
  private static final String BYTES = "application/octet-stream";
  private static final MachineUnderTest MACHINE =
      new SimMachines().open("sim:sound-drive,0").orElseThrow();

  private final RunningServer.Shop shop;
  private final ShopClient ines;
  private final StickKey key;

  StickVisitsTest(RunningServer.Shop shop) {
    this.shop = shop;
    this.ines = shop.signedIn();
    this.key = StickKey.parse(ines.get("/api/stick").body().get("key").stringValue());
  }

  /** The file of a stick with these captures on it. */
  private static byte[] file(StickKey head, StickStore.Kept... captures) throws Exception {
    byte[] all = new byte[4 << 20];
    byte[] sector = new StickStore.Head(0, all.length, head).sector();
    System.arraycopy(sector, 0, all, 0, sector.length);
    StickStore store =
        StickStore.on(
                new StickStore.Bytes() {
                  @Override
                  public byte[] read(long at, int length) {
                    return Arrays.copyOfRange(all, (int) at, (int) at + length);
                  }

                  @Override
                  public void write(long at, byte[] what) {
                    System.arraycopy(what, 0, all, (int) at, what.length);
                  }
                },
                0)
            .orElseThrow();
    for (StickStore.Kept one : captures) {
      store.keep(one);
    }
    return all;
  }

  private String job(String customer) {
    return Talk.begin(shop.signedIn("joao"))
        .of(customer, "Ostrel", "17 laptop", "It is slow")
        .takeIn();
  }

  /** The work of a probe without a server, on a machine of which everything is read. */
  private static CaptureFile worked(Path folder) throws InterruptedException {
    try (SoleBench bench = new SoleBench(MACHINE, folder)) {
      bench.readAll();
      bench.begin(RunKind.SURVEY, MACHINE.drives().get(0).key());
      for (int i = 0; i < 600 && (bench.isRunning() || bench.kept().isReading()); i++) {
        Thread.sleep(100);
      }
      assertThat(bench.kept().runs()).isEqualTo(1);
      return bench.capture();
    }
  }

  private Answer look(byte[] file) {
    return ines.upload("/api/stick/visits", BYTES, file);
  }

  private Answer takeIn(byte[] file, String visit, String job) {
    return ines.upload("/api/jobs/%s/stick-visits/%s".formatted(job, visit), BYTES, file);
  }

  private long evidence() throws SQLException {
    return shop.count("SELECT (SELECT COUNT(*) FROM reading) + (SELECT COUNT(*) FROM run)");
  }

  /** Saved twice and brought three times: it is in the job once. */
  @Test
  void isTakenInOnceWhateverIsBroughtHowOften(@TempDir Path folder) throws Exception {
    CaptureFile capture = worked(folder);
    CaptureFile before =
        CaptureFile.of("test", capture.machine(), capture.readings().subList(0, 1), List.of());
    byte[] file = file(key, SealedCapture.seal(before, key), SealedCapture.seal(capture, key));
    String job = job("Harbour master's office");
    String status = ines.get("/api/jobs/" + job).body().at("/dataStatus").toString();

    JsonNode visits = look(file).body().get("visits");
    assertThat(visits).hasSize(1); // the second holds what the first does
    JsonNode visit = visits.get(0);
    assertThat(visit.get("takenInto").isNull()).isTrue();
    assertThat(visit.get("readings").asInt()).isEqualTo(capture.readings().size());
    assertThat(visit.get("runs").get(0).stringValue()).startsWith("Survey of ");

    String id = visit.get("id").stringValue();
    Answer taken = takeIn(file, id, job);
    assertThat(taken.status()).as("%s", taken.body()).isEqualTo(201);
    assertThat(taken.body().get("readings").asInt()).isEqualTo(capture.readings().size());
    assertThat(taken.body().get("runs").asInt()).isEqualTo(1);
    assertThat(
            shop.count(
                "SELECT COUNT(*) FROM run r JOIN run_result e ON e.run_id = r.id"
                    + " JOIN job j ON j.id = r.job_id WHERE r.kind = 'SURVEY' AND r.from_elsewhere"
                    + " AND r.part_id IS NOT NULL AND j.number = '"
                    + job
                    + "'"))
        .isEqualTo(1);
    // A claim that anybody could have sealed binds nobody: what is on the drive was not told here.
    assertThat(ines.get("/api/jobs/" + job).body().at("/dataStatus").toString()).isEqualTo(status);

    long there = evidence();
    Answer again = takeIn(file, id, job);
    assertThat(again.body().get("known").asInt()).isEqualTo(capture.readings().size() + 1);
    String other = job("Pilot station");
    assertThat(takeIn(file, id, other).body().get("readings").asInt()).isZero();
    assertThat(evidence()).isEqualTo(there);
    assertThat(look(file).body().at("/visits/0/takenInto").stringValue()).isEqualTo(job);
  }

  /** Of a capture with something in it that no machine does by itself nothing is kept. */
  @Test
  void whatNoMachineDoesByItselfIsRefusedWhole(@TempDir Path folder) throws Exception {
    CaptureFile capture = worked(folder);
    Instant at = Instant.now();
    CaptureFile forged =
        CaptureFile.of(
            "test",
            capture.machine(),
            capture.readings(),
            List.of(
                new LinkEvent.RunEnded(
                    UUID.randomUUID(),
                    "drive-a",
                    RunKind.ERASE,
                    at,
                    at,
                    LinkEvent.End.COMPLETE,
                    "",
                    null)));
    byte[] file = file(key, SealedCapture.seal(forged, key));
    String id = look(file).body().at("/visits/0/id").stringValue();
    String job = job("Rope works");
    long there = evidence();

    Answer refused = takeIn(file, id, job);

    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.body().toString()).contains("Nothing was taken in");
    assertThat(evidence()).isEqualTo(there);
  }

  @Test
  void saysWhatItCannotOpen() throws Exception {
    CaptureFile nothing =
        CaptureFile.of("test", tekmerion.link.MachineNote.of(MACHINE), List.of(), List.of());
    StickKey others = StickOpener.ofSealKey("another shop's 32 bytes of a key".getBytes()).key();
    byte[] mixed = file(key, SealedCapture.seal(nothing, others), SealedCapture.seal(nothing, key));
    JsonNode content = look(mixed).body();
    assertThat(content.get("unopened").asInt()).isEqualTo(1);
    assertThat(content.get("visits")).hasSize(1);

    assertThat(look(new byte[4096]).status()).isEqualTo(400);
    assertThat(takeIn(mixed, UUID.randomUUID().toString(), job("Ferry line")).status())
        .isEqualTo(400);
    Answer counter = shop.signedIn("joao").upload("/api/stick/visits", BYTES, mixed);
    assertThat(counter.status()).isEqualTo(403);
  }
}
