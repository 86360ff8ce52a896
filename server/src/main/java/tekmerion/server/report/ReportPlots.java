package tekmerion.server.report;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.drive.DriveVisit;
import tekmerion.core.report.OwnerWords;
import tekmerion.link.DischargeResult;
import tekmerion.link.RunResult;
import tekmerion.link.SurfaceScanResult;
import tekmerion.server.report.ReportView.ReportPlot;
import tekmerion.server.report.ReportView.ReportPoint;
import tekmerion.server.run.Run;

/** The pictures that a layman can read. */
final class ReportPlots {
  private static final int MAX = 2;
  private static final int SURFACE_POINTS = 120;

  /** Numbers that a layman can be shown: they count places that are lost. */
  private static final List<String> COUNTS = List.of("197", "5");

  private ReportPlots() {}

  /**
   * @param visits of the drive in question, oldest first; empty if it is none
   * @param runs of this job, newest first
   */
  static List<ReportPlot> of(
      List<DriveVisit> visits, List<Run> runs, OwnerWords words, ZoneId zone) {
    List<ReportPlot> plots = new ArrayList<>();
    COUNTS.stream()
        .flatMap(key -> counts(key, visits, words, zone).stream())
        .findFirst()
        .ifPresent(plots::add);
    ended(runs, SurfaceScanResult.class)
        .findFirst()
        .flatMap(scan -> surface(scan, words))
        .ifPresent(plots::add);
    ended(runs, DischargeResult.class)
        .map(found -> discharge(found, words))
        .flatMap(Optional::stream)
        .findFirst()
        .ifPresent(plots::add);
    return plots.stream().limit(MAX).toList();
  }

  private static Optional<ReportPlot> counts(
      String key, List<DriveVisit> visits, OwnerWords words, ZoneId zone) {
    List<DriveVisit> told = visits.stream().filter(v -> v.numbers().containsKey(key)).toList();
    if (told.size() < 2) {
      return Optional.empty();
    }
    DriveVisit first = told.get(0);
    DriveVisit last = told.get(told.size() - 1);
    double whole = last.takenAt().getEpochSecond() - first.takenAt().getEpochSecond();
    List<ReportPoint> points =
        told.stream()
            .map(
                v ->
                    new ReportPoint(
                        (v.takenAt().getEpochSecond() - first.takenAt().getEpochSecond())
                            / Math.max(1, whole),
                        v.numbers().get(key).value()))
            .toList();
    if (points.stream().allMatch(p -> p.y() == 0)) {
      return Optional.empty();
    }
    DateTimeFormatter day =
        DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(words.locale());
    return Optional.of(
        plot(
            words.of("plot." + key),
            "",
            day.format(first.takenAt().atZone(zone)),
            day.format(last.takenAt().atZone(zone)),
            points));
  }

  /** What runs that are ended have found, newest first. */
  private static <R extends RunResult> Stream<R> ended(List<Run> runs, Class<R> kind) {
    return runs.stream()
        .filter(r -> r.ending() != null)
        .map(Run::result)
        .filter(kind::isInstance)
        .map(kind::cast);
  }

  /** The slowest of neighbours stands for them. */
  private static Optional<ReportPlot> surface(SurfaceScanResult surface, OwnerWords words) {
    double[] slowest = new double[SURFACE_POINTS];
    surface
        .zones()
        .forEach(
            z -> {
              int at = z.index() * SURFACE_POINTS / surface.zoneCount();
              slowest[at] = Math.max(slowest[at], z.p99Us() / 1000.0);
            });
    List<ReportPoint> points = new ArrayList<>();
    for (int i = 0; i < SURFACE_POINTS; i++) {
      if (slowest[i] > 0) {
        points.add(new ReportPoint((double) i / (SURFACE_POINTS - 1), slowest[i]));
      }
    }
    return points.size() < 2
        ? Optional.empty()
        : Optional.of(
            plot(
                words.of("plot.surface"),
                "ms",
                "0",
                String.format(Locale.ROOT, "%.0f GB", surface.sizeBytes() / 1e9),
                points));
  }

  private static Optional<ReportPlot> discharge(DischargeResult found, OwnerWords words) {
    List<List<Double>> told = found.points().stream().filter(p -> p.get(1) != null).toList();
    if (told.size() < 2) {
      return Optional.empty();
    }
    double end = Math.max(1, told.get(told.size() - 1).get(0));
    return Optional.of(
        plot(
            words.of("plot.discharge"),
            "V",
            "0",
            String.format(Locale.ROOT, "%.0f min", end / 60),
            told.stream().map(p -> new ReportPoint(p.get(0) / end, p.get(1))).toList()));
  }

  private static ReportPlot plot(
      String title, String unit, String from, String to, List<ReportPoint> points) {
    double most = points.stream().mapToDouble(ReportPoint::y).max().orElse(1);
    return new ReportPlot(title, unit, from, to, most, points);
  }
}
