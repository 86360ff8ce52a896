package tekmerion.sim.parts;

import java.util.Set;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/**
 * One start and some minutes of work.
 *
 * @param reached how far the start got
 * @param symptoms what an owner would have complained of
 * @param named what the screen or the records name, if it stopped; empty if nothing
 */
record Trial(Rung reached, Set<Complaint> symptoms, String named) {
  Trial {
    symptoms = Set.copyOf(symptoms);
  }
}
