package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.server.run.RunView;

/**
 * A job's memory: what the machine tells of it, its tests, and its isolation.
 *
 * @param seen what the machine itself last told of its slots; empty if nobody read it
 * @param seenAt null if nobody read it
 * @param placedNow modules by slot as they sit now by their serials, as in a start; null if they
 *     are not known or no longer the same
 * @param runs memory tests, newest first
 * @param canTestMemory null if a memory test can be started now, else why not
 * @param replacement what to buy for the module that is named; null if that is not known
 * @param meanwhile with what it may go home until the part comes; null if that is not sure
 */
record MemoryView(
    List<Seen> seen,
    @Schema(nullable = true) Instant seenAt,
    @Schema(nullable = true) List<Integer> placedNow,
    List<RunView> runs,
    @Schema(nullable = true) String canTestMemory,
    @Schema(nullable = true) String replacement,
    @Schema(nullable = true) String meanwhile,
    IsolationView isolation) {

  /**
   * A slot as the firmware tells of it.
   *
   * @param module in words; null if it is empty
   * @param serial null if not reported
   */
  @Schema(name = "SlotSeen")
  record Seen(
      String slot,
      @Schema(nullable = true) String module,
      @Schema(nullable = true) String serial) {}
}
