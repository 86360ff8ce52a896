package tekmerion.server.work;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import tekmerion.server.run.RunView;

/**
 * A machine at its work.
 *
 * @param runs samples of this job, newest first
 * @param shifts what changed from the sample before the newest to the newest; empty below two
 * @param between what was done between these two, in order
 * @param canSample null if a sample can be started now, else why not
 */
@Schema(name = "WorkView")
public record WorkView(
    String number,
    long version,
    String machine,
    List<RunView> runs,
    List<ShiftShown> shifts,
    List<Between> between,
    @Schema(nullable = true) String canSample) {
  /**
   * @param what it is a share of
   * @param words "drive sda fell from 97 to 11 %, certain"
   * @param low of the 95 % range of the change
   */
  @Schema(name = "WorkShift")
  public record ShiftShown(
      String what,
      String words,
      double before,
      double after,
      double low,
      double high,
      boolean certain) {}

  /** Something that was done. */
  @Schema(name = "WorkBetween")
  public record Between(String what, Instant at) {}
}
