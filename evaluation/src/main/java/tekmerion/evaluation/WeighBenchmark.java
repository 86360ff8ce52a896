package tekmerion.evaluation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import tekmerion.core.finding.Finding;
import tekmerion.core.knowhow.Cause;
import tekmerion.core.knowhow.FindingKind;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.permit.DataStatus;
import tekmerion.core.weigh.Advice;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.Weighed;
import tekmerion.core.weigh.Weighing;
import tekmerion.core.weigh.Weighing.Part;

/**
 * Weighing anew after one answer: 60 causes, 300 findings all known; and a job as it usually is.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class WeighBenchmark {
  private static final int CAUSES = 60;
  private static final int FINDINGS = 300;
  private static final List<Part> DRIVE = List.of(new Part("drive-a", "drive", "drive A"));
  private final Random random = new Random(60_300);
  private final KnowHow large = large();
  private final List<Finding> all = all();
  private final KnowHow shipped = KnowHow.shipped();
  private final List<Finding> usual =
      List.of(
          seen("boot-stage", "loader"),
          seen("noise.clicks", "clicks"),
          seen("often", "always"),
          seen("change.update", "no"),
          seen("change.drop", "no"),
          seen("heat-felt", "cool"),
          new Finding("drive.report", "drive-a", "sound", "", Finding.Basis.intake()),
          new Finding("drive.pending-sectors", "drive-a", "many", "", Finding.Basis.intake()),
          new Finding("drive.reallocated", "drive-a", "some", "", Finding.Basis.intake()),
          new Finding("drive.link-errors", "drive-a", "none", "", Finding.Basis.intake()));

  @Benchmark
  public Weighed sixtyByThreeHundred() {
    return Weighing.of(large, List.of(), List.of(), all);
  }

  @Benchmark
  public Weighed usualJob() {
    return Weighing.of(shipped, List.of("mount-failure"), DRIVE, usual);
  }

  @Benchmark
  public Advice nextMovesOfUsualJob() {
    return NextMoves.of(
        shipped,
        List.of("mount-failure"),
        DRIVE,
        usual,
        NextMoves.Situation.assumed(DataStatus.WANTED, Optional.empty(), Set.of(), true));
  }

  private static Finding seen(String id, String level) {
    return new Finding(id, Finding.MACHINE, level, "", Finding.Basis.intake());
  }

  /** Every finding bears on four causes, as in what ships; the truth is one cause. */
  private KnowHow large() {
    List<Cause> causes = new ArrayList<>();
    for (int c = 0; c < CAUSES; c++) {
      causes.add(
          new Cause(
              "c" + c,
              "C",
              "c",
              "c",
              Cause.WHOLE_MACHINE,
              "system",
              List.of(),
              Map.of(Cause.ANY_FAMILY, 0.02),
              null));
    }
    List<FindingKind> findings = new ArrayList<>();
    for (int s = 0; s < FINDINGS; s++) {
      Map<String, List<Double>> links = new HashMap<>();
      for (int i = 0; i < 4; i++) {
        double p = 0.2 + 0.7 * random.nextDouble();
        links.put("c" + (s + 17 * i) % CAUSES, List.of(1 - p, p));
      }
      findings.add(
          new FindingKind(
              "s" + s,
              "S",
              "s" + s,
              List.of("no", "yes"),
              List.of(0.95, 0.05),
              links,
              Map.of(),
              Map.of(),
              "arithmetic"));
    }
    return new KnowHow(List.of(), causes, findings, List.of(), List.of(), List.of());
  }

  private List<Finding> all() {
    List<Finding> all = new ArrayList<>();
    for (FindingKind kind : large.findings()) {
      List<Double> truth = kind.links().get("c7");
      double p = truth == null ? 0.05 : 1 - 0.95 * (1 - truth.get(1));
      all.add(seen(kind.id(), random.nextDouble() < p ? "yes" : "no"));
    }
    return all;
  }
}
