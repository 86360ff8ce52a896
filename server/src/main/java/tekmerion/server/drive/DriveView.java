package tekmerion.server.drive;

import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import tekmerion.core.trend.KaplanMeier;
import tekmerion.core.trend.Outlook;
import tekmerion.core.weigh.Suspicion;
import tekmerion.link.RunKind;
import tekmerion.server.run.RunView;

/**
 * One drive.
 *
 * @param finding what is known of it, in a few words
 * @param about what it is: size, sort, speed
 * @param metBefore where it was met before; null if never
 * @param visits when it was read, oldest first
 * @param rows its numbers; those that changed first
 * @param trends those worth following, gravest first
 * @param outlook null if its report is not sound
 * @param survival others of its model; empty if too few are known
 * @param survivalNote what can be said of others of its model
 * @param runs newest first
 * @param surveyed its last survey; null if there was none
 * @param starts runs that can be started, with their locks
 * @param pages raw pages of the newest reading
 */
@Schema(name = "DriveView")
record DriveView(
    String job,
    String machine,
    String partKey,
    long partId,
    String slot,
    @Schema(nullable = true) String model,
    @Schema(nullable = true) String serial,
    String about,
    Suspicion suspicion,
    String finding,
    @Schema(nullable = true) String decisive,
    @Schema(nullable = true) String metBefore,
    boolean probeOnline,
    boolean reading,
    List<When> visits,
    List<Row> rows,
    List<TrendView> trends,
    @Schema(nullable = true) Outlook outlook,
    List<KaplanMeier.Step> survival,
    String survivalNote,
    List<RunView> runs,
    @Schema(nullable = true) RunView surveyed,
    List<Start> starts,
    @Schema(nullable = true) UUID latestReading,
    List<PageNote> pages) {

  @Schema(name = "DriveVisit")
  record When(UUID readingId, Instant takenAt, @Schema(nullable = true) String job) {}

  /**
   * @param values one for each visit; null where it was not reported
   * @param change from the first visit to the last; null if it is not told
   * @param bad whether the change is for the worse
   */
  @Schema(name = "DriveNumber")
  record Row(
      String key,
      String label,
      String name,
      String unit,
      @Schema(nullable = true) String rule,
      @ArraySchema(schema = @Schema(nullable = true)) List<Double> values,
      @Schema(nullable = true) String change,
      boolean bad,
      @Schema(nullable = true) Stand stand,
      String page,
      int offset,
      int length) {}

  /**
   * Against others like it.
   *
   * @param among whom, in words
   * @param share of them that have less, 0 to 1
   */
  @Schema(name = "DriveStanding")
  record Stand(
      String among,
      int others,
      double lower,
      double median,
      double upper,
      double highest,
      double share) {}

  @Schema(name = "TrendPoint")
  record Point(Instant takenAt, @Schema(nullable = true) Double powerOnHours, double value) {}

  /**
   * @param daysAhead from the last reading
   */
  @Schema(name = "ForecastPoint")
  record Ahead(double daysAhead, double value, double low, double high) {}

  /**
   * @param words what it does, in a few words
   * @param slopePerThousandHours null with fewer than 3 readings
   * @param limit drawn as a line; null if there is none
   * @param grave whether it is for the worse
   */
  @Schema(name = "TrendView")
  record TrendView(
      String key,
      String name,
      String unit,
      double now,
      String words,
      boolean grave,
      List<Point> points,
      List<Ahead> forecast,
      @Schema(nullable = true) Double slopePerThousandHours,
      @Schema(nullable = true) Double slopeLow,
      @Schema(nullable = true) Double slopeHigh,
      @Schema(nullable = true) Double limit,
      List<String> splits) {}

  /**
   * @param lockedWhy null if it can be started
   */
  @Schema(name = "RunStart")
  record Start(
      RunKind kind,
      String name,
      String about,
      @Schema(nullable = true) String lockedWhy,
      @Schema(nullable = true) String opens) {}

  @Schema(name = "DrivePage")
  record PageNote(String kind, String name, boolean got, @Schema(nullable = true) String why) {}
}
