package tekmerion.server.isolate;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.stream.Stream;
import tekmerion.core.isolate.Hypothesis;
import tekmerion.core.isolate.Isolation;

/**
 * What one isolation puts in and out of play. An arrangement is a list of numbers: of memory the
 * module by slot, of everything else the indexes of the things in play.
 */
public interface Layout {
  /**
   * One of what there is.
   *
   * @param kind drive, cable, port or machine of a chain, module or slot of memory; else empty
   * @param serial by which it is known again; null if it is not known
   */
  @Schema(name = "IsolationThing")
  record Thing(String kind, String name, @Schema(nullable = true) String serial) {}

  /** An arrangement with what a start would tell, and the minutes it takes. */
  record Proposal(List<Integer> arrangement, double bits, double minutes) {
    double bitsPerMinute() {
      return bits / minutes;
    }
  }

  /** All there is, in its order. */
  List<Thing> things();

  List<Hypothesis> hypotheses();

  List<Integer> asItCame();

  /** Whether it can be arranged so; only then may the rest be asked of it. */
  boolean isPossible(List<Integer> arrangement);

  /** The bits of what is in play there, as the hypotheses name them. */
  long bits(List<Integer> arrangement);

  String words(List<Integer> arrangement);

  /** Of the finding, for what is named. */
  String level(Hypothesis named);

  /** How many there are to tell apart, in words. */
  String size();

  /**
   * What could be tried next, in no order.
   *
   * @param now how it is arranged
   */
  Stream<Proposal> proposals(Isolation isolation, List<Integer> now);
}
