package tekmerion.core.memory.march;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import tekmerion.core.port.MemoryRegion.Operation;

/**
 * What the mismatches of a run speak of: each faulty bit with its class, and where they gather.
 *
 * @param cells faulty bits in order of address; empty if nothing failed
 * @param byClass how many bits there are of each class
 * @param byBit how many faulty words each of the 64 lines has, only lines with any
 * @param byByteLane the same of the eight byte lanes
 * @param stretches where faulty words lie close together, in order of address
 * @param where in a sentence
 */
public record Diagnosis(
    List<FaultyCell> cells,
    Map<FaultClass, Integer> byClass,
    Map<Integer, Integer> byBit,
    Map<Integer, Integer> byByteLane,
    List<Stretch> stretches,
    String where) {
  /** Words apart at most, in one stretch: what a row of a memory chip spans. */
  private static final long CLOSE_WORDS = 1024;

  /** Warmer by this much on average than the passes without: judgement. */
  private static final double CLEARLY_WARMER = 5;

  /**
   * A run of faulty words.
   *
   * @param from first word
   * @param to last word
   * @param words how many of them failed
   */
  public record Stretch(long from, long to, int words) {}

  private record Cell(long word, int bit) {}

  /**
   * @param celsiusByPass of every pass; empty where it was not measured
   */
  public static Diagnosis of(MarchRun.Result result, List<OptionalDouble> celsiusByPass) {
    Map<Cell, List<MarchError>> byCell =
        new TreeMap<>(Comparator.comparingLong(Cell::word).thenComparingInt(Cell::bit));
    for (MarchError error : result.errors()) {
      for (long wrong = error.wrongBits(); wrong != 0; wrong &= wrong - 1) {
        byCell
            .computeIfAbsent(
                new Cell(error.word(), Long.numberOfTrailingZeros(wrong)), c -> new ArrayList<>())
            .add(error);
      }
    }
    Set<Long> decoded = decoderWords(result);
    List<FaultyCell> cells = new ArrayList<>();
    byCell.forEach(
        (cell, errors) ->
            cells.add(
                new FaultyCell(
                    cell.word(),
                    cell.bit(),
                    decoded.contains(cell.word())
                        ? FaultClass.DECODER
                        : classOf(result, cell, errors, celsiusByPass),
                    errors.size())));
    return of(cells);
  }

  /**
   * Of several algorithms on the same memory. What one of them finds and another misses is no
   * contradiction: each has its own reach. Where two class one bit differently, the class that says
   * more stands: the earlier one of {@link FaultClass}.
   */
  public static Diagnosis together(List<Diagnosis> of) {
    Map<Cell, FaultyCell> cells =
        new TreeMap<>(Comparator.comparingLong(Cell::word).thenComparingInt(Cell::bit));
    for (Diagnosis one : of) {
      for (FaultyCell cell : one.cells()) {
        cells.merge(
            new Cell(cell.word(), cell.bit()),
            cell,
            (a, b) ->
                new FaultyCell(
                    a.word(),
                    a.bit(),
                    a.fault().compareTo(b.fault()) <= 0 ? a.fault() : b.fault(),
                    a.errors() + b.errors()));
      }
    }
    return of(List.copyOf(cells.values()));
  }

  private static Diagnosis of(List<FaultyCell> cells) {
    Map<FaultClass, Integer> byClass = new EnumMap<>(FaultClass.class);
    Map<Integer, Integer> byBit = new TreeMap<>();
    Map<Integer, Integer> byByte = new TreeMap<>();
    for (FaultyCell cell : cells) {
      byClass.merge(cell.fault(), 1, Integer::sum);
      byBit.merge(cell.bit(), 1, Integer::sum);
      byByte.merge(cell.byteLane(), 1, Integer::sum);
    }
    List<Stretch> stretches = stretches(cells);
    return new Diagnosis(
        cells, byClass, byBit, byByte, stretches, where(cells, byBit, byByte, stretches));
  }

  /** Words that held another address where each word is to hold its own. */
  private static Set<Long> decoderWords(MarchRun.Result result) {
    Set<Long> words = new HashSet<>();
    for (MarchError error : result.errors()) {
      boolean one = error.expected() != Background.ADDRESS.zeroAt(error.word());
      long held = one ? ~error.read() : error.read();
      boolean another = held >= 0 && held < result.words() && held != error.word();
      // One bit off is a bad bit; a wrong address that is one bit off comes with its partner.
      if (error.background() == Background.ADDRESS
          && another
          && (Long.bitCount(error.wrongBits()) > 1 || hasPartner(result, error, held))) {
        words.add(error.word());
      }
    }
    return words;
  }

  private static boolean hasPartner(MarchRun.Result result, MarchError error, long held) {
    return result.errors().stream()
        .anyMatch(
            other ->
                other.background() == Background.ADDRESS
                    && other.word() != error.word()
                    && (other.word() == held || other.wrongBits() == error.wrongBits()));
  }

  private static FaultClass classOf(
      MarchRun.Result result,
      Cell cell,
      List<MarchError> errors,
      List<OptionalDouble> celsiusByPass) {
    Set<Integer> failed = new HashSet<>();
    errors.forEach(error -> failed.add(error.pass()));
    if (failed.size() < result.passes()) {
      return isWarmer(failed, result.passes(), celsiusByPass)
          ? FaultClass.HEAT_RELATED
          : FaultClass.INTERMITTENT;
    }
    if (errors.stream().allMatch(error -> isAfterPause(result.algorithm(), error))) {
      return FaultClass.RETENTION;
    }
    long valuesExpected =
        errors.stream().map(e -> e.expected() >>> cell.bit() & 1).distinct().count();
    if (valuesExpected == 1) {
      long value = errors.get(0).expected() >>> cell.bit() & 1;
      int reads = reads(result, cell, value, false);
      if (errors.size() == reads) {
        return FaultClass.STUCK_AT;
      }
      if (errors.size() == reads(result, cell, value, true)) {
        return FaultClass.TRANSITION;
      }
    }
    return FaultClass.COUPLING;
  }

  /**
   * How often this value was expected of the cell, over all passes that were finished.
   *
   * @param afterTheOther only reads after the cell had been written the other value before
   */
  private static int reads(MarchRun.Result result, Cell cell, long value, boolean afterTheOther) {
    int reads = 0;
    boolean wasOther = false;
    for (int pass = 0; pass < result.passes(); pass++) {
      for (Background background : result.algorithm().backgrounds()) {
        long zero = background.zeroAt(cell.word()) >>> cell.bit() & 1;
        for (MarchElement element : result.algorithm().elements()) {
          if (!(element instanceof MarchElement.Sweep sweep)) {
            continue;
          }
          for (Operation operation : sweep.operations()) {
            long meant = operation.one() ? 1 - zero : zero;
            if (operation.write()) {
              wasOther |= meant != value;
            } else if (meant == value && (wasOther || !afterTheOther)) {
              reads++;
            }
          }
        }
      }
    }
    return reads;
  }

  private static boolean isAfterPause(MarchAlgorithm algorithm, MarchError error) {
    return error.operation() == 0
        && error.element() > 0
        && algorithm.elements().get(error.element() - 1) instanceof MarchElement.Hold;
  }

  private static boolean isWarmer(
      Set<Integer> failed, int passes, List<OptionalDouble> celsiusByPass) {
    double with = 0;
    double without = 0;
    for (int pass = 0; pass < passes; pass++) {
      if (pass >= celsiusByPass.size() || celsiusByPass.get(pass).isEmpty()) {
        return false;
      }
      double celsius = celsiusByPass.get(pass).getAsDouble();
      if (failed.contains(pass)) {
        with += celsius / failed.size();
      } else {
        without += celsius / (passes - failed.size());
      }
    }
    return with - without >= CLEARLY_WARMER;
  }

  private static List<Stretch> stretches(List<FaultyCell> cells) {
    List<Stretch> stretches = new ArrayList<>();
    long last = -1;
    for (FaultyCell cell : cells) {
      if (cell.word() == last) {
        continue;
      }
      Stretch open = stretches.isEmpty() ? null : stretches.get(stretches.size() - 1);
      if (open != null && cell.word() - open.to() <= CLOSE_WORDS) {
        stretches.set(
            stretches.size() - 1, new Stretch(open.from(), cell.word(), open.words() + 1));
      } else {
        stretches.add(new Stretch(cell.word(), cell.word(), 1));
      }
      last = cell.word();
    }
    return List.copyOf(stretches);
  }

  private static String where(
      List<FaultyCell> cells,
      Map<Integer, Integer> byBit,
      Map<Integer, Integer> byByte,
      List<Stretch> stretches) {
    if (cells.isEmpty()) {
      return say("memory.no-error");
    }
    String lines =
        byBit.size() == 1
            ? say("memory.all-on-bit-line", "byBit", byBit.keySet().iterator().next())
            : byByte.size() == 1
                ? say(
                    "memory.all-in-byte-lane-one-chip", "byByte", byByte.keySet().iterator().next())
                : say("memory.over-of-8-byte-lanes", "count", byByte.size());
    String places =
        stretches.size() == 1
            ? say("memory.in-one-place")
            : stretches.size() <= 4
                ? say("memory.in-places", "count", stretches.size())
                : say("memory.all-over-the-region");
    return say("memory.faulty", "count", cells.size(), "lines", lines, "places", places);
  }
}
