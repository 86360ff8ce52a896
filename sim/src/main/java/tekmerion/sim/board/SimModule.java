package tekmerion.sim.board;

import java.util.List;

/**
 * A memory module as it sits in a slot.
 *
 * @param faults of its cells, as {@link tekmerion.sim.memory.SimMemoryProvider} reads them
 */
public record SimModule(
    String maker, String part, String serial, int megabytes, List<String> faults) {
  public SimModule {
    faults = List.copyOf(faults);
  }
}
