package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import tekmerion.core.port.MemoryRegion;

/** All the memory that the system can spare for a test. */
public final class SpareMemory {
  /** What is left to the system beside a march, or a tenth of the memory if that is more. */
  private static final long LEFT_BYTES = 512L << 20;

  private SpareMemory() {}

  /**
   * Takes it.
   *
   * @throws IOException if it is too little, or the system does not say how much there is
   */
  public static List<MemoryRegion> take() throws IOException {
    long available = kib("MemAvailable:");
    long total = kib("MemTotal:");
    long bytes = available - Math.max(LEFT_BYTES, total / 10);
    if (bytes < LEFT_BYTES / 4) {
      throw new IOException(say("probe.too-little-memory-is-free", "free", available >> 20));
    }
    return List.copyOf(RealMemory.take(bytes, Runtime.getRuntime().availableProcessors()));
  }

  private static long kib(String name) throws IOException {
    return Files.readAllLines(Path.of("/proc/meminfo")).stream()
        .filter(line -> line.startsWith(name))
        .map(line -> line.replaceAll("\\D", ""))
        .mapToLong(kib -> 1024 * Long.parseLong(kib))
        .findFirst()
        .orElseThrow(() -> new IOException("the system does not say " + name));
  }
}
