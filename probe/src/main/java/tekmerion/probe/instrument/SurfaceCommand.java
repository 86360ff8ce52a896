package tekmerion.probe.instrument;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.port.BlockSource;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.Progress;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;
import tekmerion.probe.link.KeptPass;
import tekmerion.probe.linux.RawFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** A surface scan over a file or device. The formats are in docs/formats.md. */
@Command(
    name = "surface",
    description = {
      "Read a file or device whole, past the cache, and print what cannot be read and what is slow.",
      "Progress goes to standard error, one JSON object to standard output. Reads only.",
      "Exit 0 if it came to its end (also with unreadable sectors), 2 if it cannot be read at all,"
          + " 3 if it stopped before its end."
    },
    mixinStandardHelpOptions = true)
public final class SurfaceCommand implements Callable<Integer> {
  private static final int STOPPED = 3;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  @Parameters(paramLabel = "PATH", description = "A file or block device.")
  private Path path;

  @Option(names = "--sampled", description = "Only a random sample: minutes instead of hours.")
  private boolean sampled;

  @Option(
      names = "--limit-rate",
      paramLabel = "RATE",
      description = "Not faster than this: bytes a second, or with K, M, G (1000s) after it.")
  private String limitRate;

  @Option(
      names = "--state",
      paramLabel = "FILE",
      description = "Keep the pass here every few seconds, and go on from it if it is there.")
  private Path keep;

  @Option(names = "--quiet", description = "No progress.")
  private boolean quiet;

  @Option(names = "--gentle", description = "For a drive under suspicion: gives up sooner.")
  private boolean gentle;

  private final CountDownLatch printed = new CountDownLatch(1);
  private SurfaceScan pass;

  @Override
  public Integer call() throws IOException {
    try (RawFile source = RawFile.direct(path)) {
      pass = begin(source, plan(source.identity()));
      Runtime.getRuntime().addShutdownHook(new Thread(this::pauseAndWait));
      ScannedSurface result = pass.run();
      if (!quiet) {
        System.err.println();
      }
      System.out.println(
          JSON.writer()
              .with(SerializationFeature.INDENT_OUTPUT)
              .writeValueAsString(SurfaceJson.of(result)));
      if (result.end() == ScannedSurface.End.COMPLETE && keep != null) {
        Files.deleteIfExists(keep);
      }
      return result.end() == ScannedSurface.End.COMPLETE ? 0 : STOPPED;
    } finally {
      printed.countDown();
    }
  }

  /** Ctrl-C: the read that runs ends, what is known is kept and printed. */
  private void pauseAndWait() {
    pass.pause();
    try {
      printed.await(10, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private Plan plan(BlockSource.Identity identity) {
    Plan plan = Plan.whole(identity);
    plan = sampled ? plan.sampled() : plan;
    plan = gentle ? plan.gentle() : plan;
    return limitRate == null ? plan : plan.notFasterThan(rate(limitRate));
  }

  static long rate(String text) {
    String upper = text.toUpperCase(Locale.ROOT).replaceAll("(B|B/S)$", "");
    int power = "KMG".indexOf(upper.isEmpty() ? ' ' : upper.charAt(upper.length() - 1)) + 1;
    String number = power > 0 ? upper.substring(0, upper.length() - 1) : upper;
    try {
      long rate = Math.round(Double.parseDouble(number) * Math.pow(1000, power));
      if (rate > 0) {
        return rate;
      }
    } catch (NumberFormatException e) {
      // Told below.
    }
    throw BadInputException.of("--limit-rate is no rate", "a positive number, as 20M", text, null);
  }

  private SurfaceScan begin(BlockSource source, Plan plan) throws IOException {
    SurfaceScan.Listener listener = new Teller();
    if (keep != null && Files.exists(keep)) {
      try (InputStream in = new BufferedInputStream(Files.newInputStream(keep))) {
        return SurfaceScan.resume(source, plan, in, System::nanoTime, listener);
      }
    }
    return SurfaceScan.begin(source, plan, System::nanoTime, listener);
  }

  private final class Teller implements SurfaceScan.Listener {
    @Override
    public void progress(Progress p) {
      if (!quiet) {
        System.err.printf(
            "\r%5.1f %%  %8.1f MB/s  %s  %,d unreadable sectors   ",
            100 * p.share(), p.bytesPerSecond() / 1e6, left(p), p.badSectors());
        System.err.flush();
      }
    }

    private String left(Progress p) {
      return p.secondsLeft() < 0
          ? "end not known yet"
          : "%s to go, ± %s".formatted(time(p.secondsLeft()), time(p.secondsSpread()));
    }

    private String time(double seconds) {
      return seconds < 90
          ? String.format(Locale.ROOT, "%.0f s", seconds)
          : String.format(Locale.ROOT, "%.0f min", seconds / 60);
    }

    @Override
    public void checkpoint() {
      if (keep != null) {
        try {
          KeptPass.write(pass, keep);
        } catch (IOException e) {
          System.err.println("\nThe pass cannot be kept in " + keep + ": " + e.getMessage());
        }
      }
    }
  }
}
