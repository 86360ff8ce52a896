package tekmerion.evaluation;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.Progress;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;
import tekmerion.probe.linux.RawFile;

/** A surface scan against the system's own plain copy with direct reads of the same block size. */
@Command(
    name = "surface",
    description = "Rate of a surface scan over that of plain direct reads, interleaved.",
    mixinStandardHelpOptions = true)
public final class BenchSurfaceCommand implements Callable<Integer> {
  private static final double TARGET = 0.95;
  private static final int BLOCK = 1 << 20;

  @Option(names = "--path", description = "File or device to read (default: a new file).")
  private Path path;

  @Option(names = "--mib", defaultValue = "2048", description = "Size of the new file [MiB].")
  private int mebibytes;

  @Option(names = "--rounds", defaultValue = "5", description = "Of each (default: 5).")
  private int rounds;

  @Override
  public Integer call() throws Exception {
    boolean own = path == null;
    Path file = own ? written() : path;
    try {
      double[] ratios = new double[rounds];
      System.out.println("round   plain direct reads   surface scan   ratio");
      for (int i = 0; i < rounds; i++) {
        // Who goes first changes from round to round.
        double plain = i % 2 == 0 ? plain(file) : 0;
        double pass = pass(file);
        plain = i % 2 == 0 ? plain : plain(file);
        ratios[i] = pass / plain;
        System.out.printf(
            "%5d   %13.0f MB/s   %7.0f MB/s   %.3f%n", i + 1, plain / 1e6, pass / 1e6, ratios[i]);
      }
      Arrays.sort(ratios);
      double median = ratios[rounds / 2];
      System.out.printf(
          "median ratio %.3f (wanted: %.2f or more), %.3f to %.3f%n",
          median, TARGET, ratios[0], ratios[rounds - 1]);
      return median >= TARGET ? 0 : 1;
    } finally {
      if (own) {
        Files.deleteIfExists(file);
      }
    }
  }

  private Path written() throws IOException {
    Path home = Path.of(System.getProperty("tekmerion.home", "."), ".tekmerion");
    Files.createDirectories(home);
    Path file = Files.createTempFile(home, "bench-surface", ".img");
    byte[] block = new byte[BLOCK];
    new Random(1).nextBytes(block);
    try (OutputStream out = Files.newOutputStream(file)) {
      for (int i = 0; i < mebibytes; i++) {
        out.write(block);
      }
    }
    new ProcessBuilder("sync", file.toString()).start().onExit().join();
    return file;
  }

  /** The system's copy program, nothing kept, past the cache. */
  private static double plain(Path file) throws IOException, InterruptedException {
    long began = System.nanoTime();
    Process copy =
        new ProcessBuilder(
                "dd", "if=" + file, "of=/dev/null", "bs=" + BLOCK, "iflag=direct", "status=none")
            .inheritIO()
            .start();
    if (copy.waitFor() != 0) {
      throw new IOException("the plain reads failed");
    }
    return bytes(file) / ((System.nanoTime() - began) / 1e9);
  }

  private static double pass(Path file) throws IOException {
    try (RawFile source = RawFile.direct(file)) {
      long began = System.nanoTime();
      ScannedSurface result =
          SurfaceScan.begin(source, Plan.whole(source.identity()), System::nanoTime, new Silent())
              .run();
      double seconds = (System.nanoTime() - began) / 1e9;
      if (result.end() != ScannedSurface.End.COMPLETE || !source.identity().cacheBypassed()) {
        throw new IOException("the pass did not come to its end past the cache: " + result.end());
      }
      return result.bytesRead() / seconds;
    }
  }

  private static long bytes(Path file) throws IOException {
    try (RawFile source = RawFile.direct(file)) {
      return source.identity().sizeBytes();
    }
  }

  private static final class Silent implements SurfaceScan.Listener {
    @Override
    public void progress(Progress progress) {}

    @Override
    public void checkpoint() {}
  }
}
