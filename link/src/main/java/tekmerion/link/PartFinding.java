package tekmerion.link;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What a run other than a surface pass or a self-test has found so far, as it travels. Everything
 * is checked where it comes in; a number that is not known is null.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = PartFinding.MarchFinding.class, name = "march"),
  @JsonSubTypes.Type(value = PartFinding.DischargeFinding.class, name = "discharge"),
  @JsonSubTypes.Type(value = PartFinding.ChargeFinding.class, name = "charge"),
  @JsonSubTypes.Type(value = PartFinding.LoadFinding.class, name = "load"),
  @JsonSubTypes.Type(value = SurveyFinding.class, name = "survey"),
  @JsonSubTypes.Type(value = RescueFinding.class, name = "rescue"),
  @JsonSubTypes.Type(value = FilesFinding.class, name = "files"),
  @JsonSubTypes.Type(value = EraseFinding.class, name = "erase"),
  @JsonSubTypes.Type(value = CopyErasedFinding.class, name = "copy-erased"),
  @JsonSubTypes.Type(value = MendFinding.class, name = "mend"),
  @JsonSubTypes.Type(value = CarveFinding.class, name = "carve")
})
public sealed interface PartFinding
    permits PartFinding.MarchFinding,
        PartFinding.DischargeFinding,
        PartFinding.ChargeFinding,
        PartFinding.LoadFinding,
        SurveyFinding,
        RescueFinding,
        FilesFinding,
        EraseFinding,
        CopyErasedFinding,
        MendFinding,
        CarveFinding {
  int MOST_ROWS = 1_000;
  int MOST_CHARS = 400;

  static void check(boolean fits, String what) {
    if (!fits) {
      throw new IllegalArgumentException("run note out of bounds: " + what);
    }
  }

  static String checked(String text) {
    check(text != null && text.length() <= MOST_CHARS, "a text is missing or too long");
    return text;
  }

  /**
   * A march.
   *
   * @param algorithm that runs now, or ran last
   * @param done titles of those that ran whole
   * @param bytes of memory under test
   * @param coverage what of the machine's memory that is, in words
   * @param passes whole ones over all algorithms
   * @param mismatches reads that were not as expected
   * @param byBit faulty words on each of the 64 lines
   * @param byClass bits of each class of fault
   * @param stretches where faulty words lie close together
   * @param where the same in a sentence; empty while nothing was found
   * @param celsius of the memory; null if nobody measures it
   */
  record MarchFinding(
      String algorithm,
      List<String> done,
      long bytes,
      String coverage,
      int passes,
      long mismatches,
      List<Integer> byBit,
      Map<String, Integer> byClass,
      List<FaultStretch> stretches,
      String where,
      Double celsius)
      implements PartFinding {
    public static final int BITS = 64;

    /** Words of 64 bits. */
    public record FaultStretch(long fromWord, long toWord, int words) {}

    public MarchFinding {
      algorithm = checked(algorithm);
      coverage = checked(coverage);
      where = checked(where);
      done = List.copyOf(done);
      done.forEach(PartFinding::checked);
      byBit = List.copyOf(byBit);
      byClass = Map.copyOf(byClass);
      byClass.keySet().forEach(PartFinding::checked);
      stretches = List.copyOf(stretches);
      check(
          byBit.size() == BITS
              && byBit.stream().allMatch(n -> n >= 0)
              && bytes > 0
              && mismatches >= 0
              && done.size() <= BITS
              && byClass.size() <= BITS
              && stretches.size() <= MOST_ROWS,
          "march");
    }
  }

  /**
   * A discharge.
   *
   * @param points thinned out: seconds, volts, amperes, degrees Celsius (null if not measured)
   * @param seconds of the pack's time
   * @param chargeAh until now; null below two samples
   * @param resistanceOhm null without enough load steps
   * @param reachedCutOff whether it came to its end; if not, it holds more than was drawn
   * @param designAh null if not reported
   * @param gaugeFullAh null if not reported
   * @param gaugeLevel its own level at the beginning, a share; null if not reported
   * @param newOhm null if not known
   * @param warmedCelsius null if not measured
   */
  record DischargeFinding(
      List<List<Double>> points,
      double seconds,
      MeasuredRange chargeAh,
      MeasuredRange energyWh,
      MeasuredRange resistanceOhm,
      int steps,
      int gaps,
      double secondsInGaps,
      boolean reachedCutOff,
      Double designAh,
      Double gaugeFullAh,
      Double gaugeLevel,
      Double newOhm,
      Double warmedCelsius)
      implements PartFinding {
    /** In 95 of 100 cases. */
    public record MeasuredRange(double value, double low, double high) {
      public MeasuredRange {
        check(low <= value && value <= high, "range");
      }
    }

    public DischargeFinding {
      points = points.stream().map(ArrayList::new).map(p -> (List<Double>) p).toList();
      check(
          points.size() <= MOST_ROWS
              && points.stream().allMatch(p -> p.size() == 4)
              && seconds >= 0
              && gaps >= 0,
          "discharge");
    }
  }

  /**
   * A charge that was watched.
   *
   * @param points seconds, volts, amperes out of it (negative while it charges), degrees Celsius
   * @param restPoints how many of them at rest; the others under load
   * @param intoAmperes at rest; null if it was not heard then
   * @param helpsAmperes out of the pack under load; null if that was not tried
   * @param verdict of the current at rest: normal, low, none, cannot-tell
   * @param designAh null if not reported
   * @param gaugeLevel its own level at the beginning, a share; null if not reported
   */
  record ChargeFinding(
      List<List<Double>> points,
      int restPoints,
      Double intoAmperes,
      Double helpsAmperes,
      String verdict,
      Double designAh,
      Double gaugeLevel)
      implements PartFinding {
    private static final Set<String> VERDICTS = Set.of("normal", "low", "none", "cannot-tell");

    public ChargeFinding {
      points = points.stream().map(ArrayList::new).map(p -> (List<Double>) p).toList();
      check(
          VERDICTS.contains(verdict)
              && points.size() <= MOST_ROWS
              && points.stream().allMatch(p -> p.size() == 4)
              && restPoints >= 0
              && restPoints <= points.size(),
          "charge");
    }
  }

  /**
   * A machine at its work.
   *
   * @param secondsEach from one moment to the next
   * @param series shares from 0 to 1 by what they are of, equally many of each
   * @param programs that took most, first one first
   * @param drives by name
   * @param memoryLeft share; null if not told
   * @param swappedPerSecond pages; null if not told
   * @param latenessMicros median, 99th percentile, longest; null if not measured
   */
  record LoadFinding(
      double secondsEach,
      Map<String, List<Double>> series,
      List<ProgramAtWork> programs,
      Map<String, DriveAtWork> drives,
      Double memoryLeft,
      Double swappedPerSecond,
      List<Long> latenessMicros)
      implements PartFinding {
    /** Its share of all processors; bytes a second by drives, null if that is not told. */
    public record ProgramAtWork(String name, double cpu, Double bytesPerSecond) {
      public ProgramAtWork {
        name = checked(name);
      }
    }

    /** Means over the sample; latency null if nothing was asked of it. */
    public record DriveAtWork(double busy, double queue, Double latencyMs, double bytesPerSecond) {}

    public LoadFinding {
      series = Map.copyOf(series);
      series.keySet().forEach(PartFinding::checked);
      programs = List.copyOf(programs);
      drives = Map.copyOf(drives);
      drives.keySet().forEach(PartFinding::checked);
      check(
          series.size() <= 100
              && series.values().stream().allMatch(s -> s.size() <= MOST_ROWS)
              && programs.size() <= 100
              && drives.size() <= 100
              && (latenessMicros == null || latenessMicros.size() == 3),
          "load");
    }
  }
}
