package tekmerion.core.load;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import tekmerion.core.finding.Finding;
import tekmerion.core.finding.Finding.Basis;

/** What a sample of a machine's work says of the causes that the know-how has. */
public final class LoadFindings {
  /** Busy for so much of the time is what people call always: judgement, range 0.7 to 0.9. */
  private static final double ALWAYS = 0.8;

  /** With less memory left and this much swapping it is full: judgement. */
  private static final double LITTLE_LEFT = 0.08;

  private static final double SWAPS = 20;

  /** What one program may take before it stands out: judgement, half to double. */
  private static final double STANDS_OUT = 0.3;

  private static final long LONG_WAIT_MICROS = 1_000;

  private LoadFindings() {}

  /**
   * @param busiest drive with its share of the time; empty if there is none
   * @param memoryLeft share; empty if not told
   * @param swapped pages a second; empty if not told
   * @param first program that took most; empty if none is known
   * @param latestMicros how late a thread woke at most; empty if not sampled
   */
  public static List<Finding> of(
      Optional<Map.Entry<String, Double>> busiest,
      OptionalDouble memoryLeft,
      OptionalDouble swapped,
      Optional<LoadInterval.Program> first,
      Optional<Long> latestMicros) {
    List<Finding> findings = new ArrayList<>();
    busiest.ifPresent(
        b ->
            findings.add(
                finding(
                    "busy",
                    b.getValue() >= ALWAYS ? "always" : "as-usual",
                    say(
                        "load.drive-busy-for-of-the-time",
                        "key",
                        b.getKey(),
                        "value",
                        100 * b.getValue()))));
    if (memoryLeft.isPresent()) {
      boolean full = memoryLeft.getAsDouble() < LITTLE_LEFT && swapped.orElse(0) > SWAPS;
      findings.add(
          finding(
              "memory.pressure",
              full ? "full" : "ample",
              say(
                  "load.of-memory-left-pages-swapped-a",
                  "memoryLeft",
                  100 * memoryLeft.getAsDouble(),
                  "swapped",
                  swapped.orElse(0))));
    }
    // Which service a program is, is for a person to say: here it stands out or it does not.
    first.ifPresent(
        p ->
            findings.add(
                finding(
                    "load.first",
                    p.cpu() >= STANDS_OUT ? "one-program" : "nothing",
                    say("load.takes-of-the-processors", "p", p.name(), "cpu", 100 * p.cpu()))));
    // Who made a long wait is not seen from here: only that there was none is a finding.
    latestMicros
        .filter(l -> l < LONG_WAIT_MICROS)
        .ifPresent(
            l ->
                findings.add(
                    finding("latency.longest", "short", say("load.woke-s-late-at-most", "l", l))));
    return findings;
  }

  private static Finding finding(String id, String level, String words) {
    return new Finding(id, Finding.MACHINE, level, words, Basis.run());
  }
}
