package tekmerion.sim.memory;

import java.util.List;

/**
 * A word whose address reaches other words than its own: none, another one, or several. The four
 * decoder faults of the literature are pairs of these.
 *
 * @param address that is used
 * @param reaches the words that it really reaches
 * @see "Van de Goor: Testing semiconductor memories, 1991, section 4.2"
 */
public record DecoderFault(long address, List<Long> reaches) {
  public DecoderFault {
    reaches = List.copyOf(reaches);
  }
}
