package tekmerion.core.surface;

import java.util.List;
import java.util.Optional;
import tekmerion.core.port.BlockSource;

/**
 * What a surface scan found, finished or not.
 *
 * @param end how it ended; RUNNING while it goes on
 * @param why it stopped before its end; empty else
 * @param shareRead of what was planned, 0 to 1
 * @param bytesRead good bytes
 * @param confidence what the sample says; empty without a sample
 * @param zones in order of position
 * @param slowZones indices into {@code zones}
 * @param unansweredBytes without an answer in time: neither good nor bad
 * @param bad in order of position, neighbours joined
 * @param bytesPerSecond over the time spent reading; 0 if none
 */
public record ScannedSurface(
    BlockSource.Identity source,
    Plan plan,
    End end,
    String why,
    double shareRead,
    long bytesRead,
    Optional<Confidence> confidence,
    List<Zone> zones,
    List<Integer> slowZones,
    long unansweredBytes,
    List<BadRange> bad,
    double bytesPerSecond) {
  /** How a pass ended. */
  public enum End {
    RUNNING,
    COMPLETE,
    PAUSED,
    CANCELLED,
    /** By a rule of its plan, to spare the drive. */
    STOPPED_BY_RULE,
    /** The device went away; what was read is kept until the same one is back. */
    GONE,
    /** Nothing more could be asked of it; what was read is kept. */
    COULD_NOT_GO_ON
  }

  public ScannedSurface {
    zones = List.copyOf(zones);
    slowZones = List.copyOf(slowZones);
    bad = List.copyOf(bad);
  }

  public long badSectors() {
    return bad.stream().mapToLong(BadRange::sectors).sum();
  }

  static ScannedSurface of(ScanState state, End end, String why) {
    List<Zone> zones = state.zones();
    long badBytes = state.badSectorCount() * state.source.sectorBytes();
    long bytes =
        Math.min(state.source.sizeBytes(), state.doneBlocks * state.plan.blockBytes())
            - badBytes
            - state.unansweredBytes;
    return new ScannedSurface(
        state.source,
        state.plan,
        end,
        why,
        state.shareDone(),
        Math.max(0, bytes),
        state.sampled == 0
            ? Optional.empty()
            : Optional.of(Confidence.of(state.sampled, state.sampledBad)),
        zones,
        state.slowZones(),
        state.unansweredBytes,
        state.bad(),
        state.busyNanos == 0 ? 0 : Math.max(0, bytes) / (state.busyNanos / 1e9));
  }
}
