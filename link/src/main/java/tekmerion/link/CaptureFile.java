package tekmerion.link;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import tekmerion.core.page.RawPage;

/**
 * What a probe without a server read of a machine, as a file that is dropped onto a job later.
 *
 * @param format always {@link #FORMAT}
 * @param version of the format
 * @param probeVersion of the probe that wrote it
 * @param machine as it describes itself
 * @param readings of its drives, its board and its battery
 */
public record CaptureFile(
    String format,
    int version,
    String probeVersion,
    MachineNote machine,
    List<CapturedReading> readings) {
  public static final String FORMAT = "tekmerion capture";
  public static final int VERSION = 1;
  private static final int MAX_READINGS = 120;

  /** What one drive, or what else there is, said of itself. */
  public record CapturedReading(String partKey, Instant takenAt, List<PageNote> pages) {
    public CapturedReading {
      Objects.requireNonNull(partKey, "partKey");
      Objects.requireNonNull(takenAt, "takenAt");
      pages = List.copyOf(pages);
    }
  }

  public CaptureFile {
    readings = List.copyOf(readings);
    if (!FORMAT.equals(format) || version != VERSION || readings.size() > MAX_READINGS) {
      throw new IllegalArgumentException("no capture of version " + VERSION);
    }
  }

  public static CaptureFile of(
      String probeVersion, MachineNote machine, List<CapturedReading> readings) {
    return new CaptureFile(FORMAT, VERSION, probeVersion, machine, readings);
  }

  /** Whether some bytes mean to be one. */
  public static boolean isOne(RawPage raw) {
    String begin = new String(raw.bytes(), 0, Math.min(raw.size(), 80), StandardCharsets.UTF_8);
    return begin.startsWith("{") && begin.contains(FORMAT);
  }

  /**
   * @throws LinkFormatException if it is none, or is damaged
   */
  public static CaptureFile parse(RawPage raw) {
    return LinkCodec.decode(new String(raw.bytes(), StandardCharsets.UTF_8), CaptureFile.class);
  }
}
