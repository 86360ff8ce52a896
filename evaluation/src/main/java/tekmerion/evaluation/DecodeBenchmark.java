package tekmerion.evaluation;

import java.time.Clock;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.drive.nvme.HealthLog;
import tekmerion.core.page.Decoding;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageKind;
import tekmerion.sim.SimMachines;

/** Bytes to a decoded page, checksum and all; one thread. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class DecodeBenchmark {
  private final byte[] smart = bytes("sim:worn-disk,0", PageKind.ATA_SMART);
  private final byte[] health = bytes("sim:worn-flash,0", PageKind.NVME_SMART);

  @Benchmark
  public Decoding<SmartData> ataSmart() {
    return SmartData.decode(new RawPage(smart));
  }

  @Benchmark
  public Decoding<HealthLog> nvmeHealth() {
    return HealthLog.decode(new RawPage(health));
  }

  private static byte[] bytes(String machine, PageKind kind) {
    return new SimMachines(Clock.systemUTC())
        .open(machine)
        .orElseThrow()
        .drives()
        .get(0)
        .pages()
        .read(kind)
        .bytes()
        .orElseThrow()
        .bytes();
  }
}
