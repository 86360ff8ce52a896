package tekmerion.link;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Map;

/**
 * A memory test.
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
public record MemoryTestResult(
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
    implements RunResult {
  public static final int BITS = 64;

  /** Words of 64 bits. */
  public record FaultStretch(long fromWord, long toWord, int words) {}

  public MemoryTestResult {
    algorithm = RunResult.checked(algorithm);
    coverage = RunResult.checked(coverage);
    where = RunResult.checked(where);
    done = List.copyOf(done);
    done.forEach(RunResult::checked);
    byBit = List.copyOf(byBit);
    byClass = Map.copyOf(byClass);
    byClass.keySet().forEach(RunResult::checked);
    stretches = List.copyOf(stretches);
    RunResult.check(
        byBit.size() == BITS
            && byBit.stream().allMatch(n -> n >= 0)
            && bytes > 0
            && mismatches >= 0
            && done.size() <= BITS
            && byClass.size() <= BITS
            && stretches.size() <= RunResult.MAX_ROWS,
        "march");
  }

  @Override
  public String outcome() {
    return mismatches == 0
        ? say("link.no-error")
        : where.isEmpty() ? say("link.errors", "errors", mismatches) : where;
  }

  @Override
  public String detail() {
    return coverage;
  }
}
