package tekmerion.core.weigh;

import java.util.ArrayList;
import java.util.List;

/** All sets of at most three of n causes, the empty one first: C(n,0)+C(n,1)+C(n,2)+C(n,3). */
final class FaultSets {
  static final int MOST = 3;

  private FaultSets() {}

  static List<int[]> of(int n) {
    List<int[]> sets = new ArrayList<>();
    sets.add(new int[0]);
    for (int a = 0; a < n; a++) {
      sets.add(new int[] {a});
      for (int b = a + 1; b < n; b++) {
        sets.add(new int[] {a, b});
        for (int c = b + 1; c < n; c++) {
          sets.add(new int[] {a, b, c});
        }
      }
    }
    return sets;
  }
}
