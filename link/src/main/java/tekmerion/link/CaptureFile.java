package tekmerion.link;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import tekmerion.core.page.RawPage;

/**
 * What a probe without a server read and ran on a machine, to be taken into a job later. All in it
 * has an id of its own, so that nothing is taken in twice.
 *
 * @param format always {@link #FORMAT}
 * @param version of the format
 * @param probeVersion of the probe that wrote it
 * @param machine as it describes itself
 * @param readings of its drives, its board and its battery
 * @param runs that came to an end, whatever end; their request ids were made by the probe
 */
public record CaptureFile(
    String format,
    int version,
    String probeVersion,
    MachineNote machine,
    List<CapturedReading> readings,
    List<LinkEvent.RunEnded> runs) {
  public static final String FORMAT = "tekmerion capture";
  public static final int VERSION = 2;

  /** Of forty drives with all their logs it has three million. */
  public static final int MAX_CHARS = 32 << 20;

  private static final int MAX_READINGS = 400;
  private static final int MAX_RUNS = 200;

  /** What one drive, or what else there is, said of itself. */
  public record CapturedReading(UUID id, String partKey, Instant takenAt, List<PageNote> pages) {
    public CapturedReading {
      Objects.requireNonNull(id, "id");
      Objects.requireNonNull(partKey, "partKey");
      Objects.requireNonNull(takenAt, "takenAt");
      pages = List.copyOf(pages);
    }
  }

  public CaptureFile {
    Objects.requireNonNull(machine, "machine");
    readings = List.copyOf(readings);
    runs = List.copyOf(runs);
    if (!FORMAT.equals(format)
        || version != VERSION
        || readings.size() > MAX_READINGS
        || runs.size() > MAX_RUNS) {
      throw new IllegalArgumentException("no capture of version " + VERSION);
    }
  }

  public static CaptureFile of(
      String probeVersion,
      MachineNote machine,
      List<CapturedReading> readings,
      List<LinkEvent.RunEnded> runs) {
    return new CaptureFile(FORMAT, VERSION, probeVersion, machine, readings, runs);
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
    return parse(new String(raw.bytes(), StandardCharsets.UTF_8));
  }

  /** The same of its text. */
  public static CaptureFile parse(String json) {
    return LinkCodec.decode(json, CaptureFile.class, MAX_CHARS);
  }
}
