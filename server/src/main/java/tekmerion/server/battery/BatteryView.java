package tekmerion.server.battery;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import tekmerion.server.run.RunView;

/**
 * What is known of a battery.
 *
 * @param report null if nobody read it, or it told nothing that could be read
 * @param second of a machine with two packs; null if it has one
 * @param together what both hold; null if it has one
 * @param readingId its newest reading; null if nobody read it
 * @param partId null until it was met
 * @param looks at this pack in all its visits, oldest first
 * @param fade null without looks
 * @param others how packs of its model are; null if too few were met
 * @param runs discharges of this job, newest first
 * @param unsafe why it must be neither loaded nor charged; null if nothing says so
 * @param charges of this job, newest first
 * @param canDischarge null if a discharge can be started now, else why not
 * @param canCharge null if a charge can be watched now, else why not
 * @param canRead null if it can be read now, else why not
 */
@Schema(name = "BatteryView")
public record BatteryView(
    String number,
    long version,
    String machine,
    @Schema(nullable = true) Report report,
    @Schema(nullable = true) Report second,
    @Schema(nullable = true) Together together,
    @Schema(nullable = true) Adapter adapter,
    @Schema(nullable = true) UUID readingId,
    @Schema(nullable = true) Instant readAt,
    @Schema(nullable = true) Long partId,
    List<Look> looks,
    @Schema(nullable = true) FadeShown fade,
    @Schema(nullable = true) Others others,
    List<RunView> runs,
    List<RunView> charges,
    @Schema(nullable = true) String unsafe,
    @Schema(nullable = true) String canDischarge,
    @Schema(nullable = true) String canCharge,
    @Schema(nullable = true) String canRead) {
  /**
   * Self-report; null is "not reported".
   *
   * @param unit of design, full and left: Ah or Wh
   * @param chargeLimit where the machine stops charging it, a share
   * @param flags what else its status says
   * @param replacement what to buy in its place
   */
  @Schema(name = "BatteryReport")
  public record Report(
      @Schema(nullable = true) String maker,
      @Schema(nullable = true) String model,
      @Schema(nullable = true) String serial,
      @Schema(nullable = true) String chemistry,
      @Schema(nullable = true) String made,
      @Schema(nullable = true) String unit,
      @Schema(nullable = true) Double design,
      @Schema(nullable = true) Double full,
      @Schema(nullable = true) Double left,
      @Schema(nullable = true) Double health,
      @Schema(nullable = true) Long cycles,
      @Schema(nullable = true) Double volts,
      @Schema(nullable = true) Double celsius,
      @Schema(nullable = true) Double gauge,
      @Schema(nullable = true) Double chargeLimit,
      @Schema(nullable = true) String state,
      @Schema(nullable = true) Long minutesLeft,
      List<String> flags,
      List<String> alarms,
      List<String> doubts,
      String replacement) {}

  /**
   * Packs of one machine, summed; null where one of them does not report it.
   *
   * @param unit of design, full and left: Ah or Wh
   */
  @Schema(name = "BatteryTogether")
  public record Together(
      int packs,
      @Schema(nullable = true) String unit,
      @Schema(nullable = true) Double design,
      @Schema(nullable = true) Double full,
      @Schema(nullable = true) Double left,
      @Schema(nullable = true) Double health) {}

  /** What charges it; null is "not reported". */
  @Schema(name = "AdapterReport")
  public record Adapter(
      String type,
      @Schema(nullable = true) Boolean plugged,
      @Schema(nullable = true) Double volts,
      @Schema(nullable = true) Double mostAmperes,
      @Schema(nullable = true) Double mostWatts) {}

  /**
   * @param health share of its design
   * @param measured by a discharge; else by its self-report
   * @param cycles null if it counts none
   */
  @Schema(name = "BatteryLook")
  public record Look(
      Instant at,
      String job,
      @Schema(nullable = true) Long cycles,
      double health,
      boolean measured) {}

  /**
   * A value with its 95 % range.
   *
   * @param high null if it has no end
   */
  @Schema(name = "FadeSpan")
  public record Span(double value, double low, @Schema(nullable = true) Double high) {}

  /**
   * @param perHundredCycles share of the design; null if it counts no cycles, or from too few looks
   * @param perYear share of the design; null from too few looks
   * @param sinceNew mean per 100 cycles; null if it counts none
   */
  @Schema(name = "BatteryFade")
  public record FadeShown(
      int looks,
      @Schema(nullable = true) Span perHundredCycles,
      @Schema(nullable = true) Span perYear,
      @Schema(nullable = true) Double sinceNew,
      List<Limit> limits) {}

  /** When a share of its design is reached, from the last look on. */
  @Schema(name = "FadeLimit")
  public record Limit(
      double share, @Schema(nullable = true) Span cycles, @Schema(nullable = true) Span years) {}

  /**
   * @param packs how many others of its model
   * @param median of their health
   * @param below how many of them are worse than this one
   */
  @Schema(name = "BatteryOthers")
  public record Others(int packs, double median, int below) {}
}
