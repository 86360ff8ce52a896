package tekmerion.core.memory.march;

import java.util.List;

/** Which algorithms a march on a bench runs, one after the other, and how often each. */
public enum MarchPlan {
  /** What finds stuck cells, transitions, simple couplings and wrong addresses. */
  USUAL(1, MarchAlgorithm.ADDRESS_IN_ADDRESS, MarchAlgorithm.MARCH_C_MINUS),
  /** Also what shows only after a pause, by one write among neighbours, or now and then. */
  LONG(
      2,
      MarchAlgorithm.ADDRESS_IN_ADDRESS,
      MarchAlgorithm.MARCH_C_MINUS,
      MarchAlgorithm.MARCH_SS,
      MarchAlgorithm.CHECKERBOARD_HOLD,
      MarchAlgorithm.MOVING_BLOCK);

  private final int passesOfEach;
  private final List<MarchAlgorithm> algorithms;

  MarchPlan(int passesOfEach, MarchAlgorithm... algorithms) {
    this.passesOfEach = passesOfEach;
    this.algorithms = List.of(algorithms);
  }

  public List<MarchAlgorithm> algorithms() {
    return algorithms;
  }

  public int passesOfEach() {
    return passesOfEach;
  }

  /** Share of the whole traffic that is done before an algorithm begins. */
  public double shareBefore(int index) {
    double before = 0;
    double all = 0;
    for (int i = 0; i < algorithms.size(); i++) {
      int traffic = algorithms.get(i).trafficPerByte();
      all += traffic;
      before += i < index ? traffic : 0;
    }
    return before / all;
  }
}
