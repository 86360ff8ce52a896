package tekmerion.evaluation.shop;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tekmerion.core.finding.Finding;
import tekmerion.core.weigh.Plan;
import tekmerion.sim.shop.Complaint;
import tekmerion.sim.shop.Rung;

/** A machine in a simulated shop, of whichever world. */
interface Patient {
  /** What its owner came with; empty if the owner met nothing. */
  Set<Complaint> complaints();

  /** Ids of options that the owner chooses; empty if the owner cannot say. */
  Optional<List<String>> answer(String question);

  /** What is said in passing or stands on the screen: level by finding. */
  Map<String, String> heard();

  /** How far a start gets, this time. */
  Rung start();

  /** What is seen by making a move: level by finding. */
  Map<String, String> make(String move);

  /** What its drive says of itself, as the product decodes it; empty if it says nothing. */
  List<Finding> readDrive();

  boolean isDataWanted();

  /** Whether its drive may die under work. */
  boolean isDriveGoing();

  /** Whether its drive must not be worked any further. */
  boolean isDriveClicking();

  boolean isSwollen();

  /** In words, for lists. */
  List<String> truth();

  /** Whether it came in with this cause, noticed or not. */
  boolean has(String cause);

  /** Whether this cause is behind what its owner came with. */
  boolean isBehind(String cause);

  /** Whether nothing in the machine brings the complaint. */
  boolean isSound();

  /**
   * What comes of a plan that is followed until the complaint is gone.
   *
   * @param ends whether it is gone then; of a sound machine, whether nothing is done
   * @param rebuiltWithoutNeed whether a system is set up anew, or a drive erased, where less would
   *     do
   * @param right whether it ends the complaint at no more than the least that ends it costs, half
   *     as much again and half an hour
   */
  record Outcome(boolean ends, boolean rebuiltWithoutNeed, boolean right) {}

  Outcome follow(Plan plan);
}
