package tekmerion.core.weigh;

import java.util.Arrays;

/**
 * A set of at most three causes in one int, 8 bits a cause (its number plus one), so that tens of
 * thousands of them need no objects.
 */
final class FaultSets {
  static final int MAX = 3;
  static final int MAX_CAUSES = 254;
  static final int NONE = 0;

  private FaultSets() {}

  /** How many sets of at most three there are, the empty one too. */
  static double count(int causes) {
    double n = causes;
    return 1 + n + n * (n - 1) / 2 + n * (n - 1) * (n - 2) / 6;
  }

  static int of(int cause) {
    return cause + 1;
  }

  static int with(int set, int cause) {
    return set << 8 | cause + 1;
  }

  /** The cause that was put in last; the set must not be empty. */
  static int last(int set) {
    return (set & 0xFF) - 1;
  }

  static int withoutLast(int set) {
    return set >>> 8;
  }

  /*
   * The places of its three causes in an array that has one place more than there are causes. The
   * first place is nobody's: what a set of fewer causes is multiplied by there is 1.
   */

  static int placeOfOne(int set) {
    return set & 0xFF;
  }

  static int placeOfTwo(int set) {
    return set >>> 8 & 0xFF;
  }

  static int placeOfThree(int set) {
    return set >>> 16;
  }

  static boolean has(int set, int cause) {
    for (int rest = set; rest != NONE; rest = withoutLast(rest)) {
      if (last(rest) == cause) {
        return true;
      }
    }
    return false;
  }

  static int size(int set) {
    return set == NONE ? 0 : 1 + size(withoutLast(set));
  }

  /** The same set without causes that are not counted, in the order of numbers. */
  static int only(int set, boolean[] counted) {
    int[] kept = new int[MAX];
    int count = 0;
    for (int rest = set; rest != NONE; rest = withoutLast(rest)) {
      if (counted[last(rest)]) {
        kept[count++] = last(rest);
      }
    }
    Arrays.sort(kept, 0, count);
    int others = NONE;
    for (int i = 0; i < count; i++) {
      others = with(others, kept[i]);
    }
    return others;
  }
}
