package tekmerion.sim.parts;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import tekmerion.sim.shop.Rung;

/** A technician at the machine: tries, measures, and notes what was seen. */
final class Hands {
  private static final int TRIES = 4;
  private static final double TRY_MINUTES = 25;

  /** A technician says "gone" when a fault as frequent as this one would have shown. */
  private static final double LIKELY_HIDDEN = 0.2;

  /** The share of technicians' answers that jump to a conclusion all the same. */
  private static final double CARELESS = 0.2;

  /** A swap that is not done right: a plug that does not sit, the wrong module. */
  private static final double SLOPPY = 0.02;

  /** Tries by which a technician has learnt how often it comes. */
  private static final int LEARNT = 10;

  private final PartsMachine machine;
  private final Map<String, String> seen = new LinkedHashMap<>();

  Hands(PartsMachine machine) {
    this.machine = machine;
  }

  Map<String, String> seen() {
    return seen;
  }

  State state() {
    return machine.state();
  }

  Random random() {
    return machine.random();
  }

  Use use() {
    return machine.use();
  }

  boolean chance(double p) {
    return random().nextDouble() < p;
  }

  /** Puts the drive into a dock, out of whatever case it came in; there it stays. */
  boolean answersInDock() {
    state().docked = true;
    return driveAnswers();
  }

  /**
   * Whether the drive answers a program this time: in a dock once it is there, else in its own
   * place where the machine gets that far; an outside one through its own case. What was asked of
   * it in its place is noted with all that was asked before.
   */
  boolean driveAnswers() {
    State s = state();
    if (s.docked || !s.outside && trial(1).reached().compareTo(Rung.FIRMWARE) < 0) {
      return chance(s.driveAnswers);
    }
    boolean way = s.outside ? chance(s.driveAnswers) && !use().breaks(how()) : use().answers(how());
    s.asked++;
    s.answered += way ? 1 : 0;
    note(
        "drive.answers",
        s.answered == s.asked ? "always" : s.answered == 0 ? "never" : "sometimes");
    return way;
  }

  /** A meter's reading: 3 % of error beside it. */
  double measured(double value) {
    return value * (1 + 0.03 * random().nextGaussian());
  }

  void note(String finding, String level) {
    seen.put(finding, level);
  }

  /** Notes the second level if it is so. */
  void look(String finding, String not, String so, boolean isSo) {
    note(finding, isSo ? so : not);
  }

  /** Tries the complaint under a change and notes whether it is the same or gone. */
  void tried(String finding, String same, String gone, Swap... with) {
    goneWith(with).ifPresent(isGone -> note(finding, isGone ? gone : same));
  }

  Trial trial(double minutes, Swap... with) {
    return use().trial(how(with), minutes);
  }

  static Set<Swap> how(Swap... with) {
    Set<Swap> how = EnumSet.of(Swap.IN_THE_SHOP);
    how.addAll(Set.of(with));
    return how;
  }

  boolean shows(Swap... with) {
    return machine.shows(trial(TRY_MINUTES, with));
  }

  /** Whether it is gone; empty if nobody could say after some tries. */
  Optional<Boolean> goneWith(Swap... with) {
    Swap[] really = chance(SLOPPY) ? new Swap[0] : with;
    for (int i = 0; i < TRIES; i++) {
      if (shows(really)) {
        return Optional.of(false);
      }
    }
    double rate = rate();
    boolean wouldHaveShown = Math.pow(1 - rate, TRIES) < LIKELY_HIDDEN;
    return wouldHaveShown || chance(CARELESS) ? Optional.of(true) : Optional.empty();
  }

  /** How often it came in the shop before anything was changed, as far as was seen. */
  private double rate() {
    int shown = 0;
    for (int i = 0; i < LEARNT; i++) {
      shown += machine.showedBefore() ? 1 : 0;
    }
    return (shown + 0.5) / (LEARNT + 1.0);
  }

  /** Does what a remedy does, and tries the complaint after it. */
  void mended(String finding, String same, String gone, String remedy) {
    new Mend(state(), random()).by(remedy);
    tried(finding, same, gone);
  }
}
