package tekmerion.sim.shop;

import java.util.Set;

/**
 * An ailment as one machine has it.
 *
 * @param rate how often it shows in one trial, (0, 1]
 * @param stopsAt how far a start gets when it shows
 * @param complaints what its owner says of it, likeliest first; empty if it goes unnoticed
 */
public record Ill(Ailment what, double rate, Rung stopsAt, Set<Complaint> complaints) {
  public Ill {
    complaints = Set.copyOf(complaints);
  }

  /** Whether the owner came for it. */
  public boolean noticed() {
    return !complaints.isEmpty();
  }
}
