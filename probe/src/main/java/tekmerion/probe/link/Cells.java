package tekmerion.probe.link;

import java.util.Arrays;
import java.util.List;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.RescueMap.Stretch;
import tekmerion.core.rescue.State;
import tekmerion.link.RescueResult;

/** What is wanted of a source, in order of place, in equal parts with a symbol each. */
final class Cells {
  private static final int SECTOR = 512;

  private final List<Stretch> wanted;
  private final double bytesEach;
  private final char[] source;
  private final char[] copy;

  /** With what is known of the source, and where its copy has something. */
  Cells(RescueMap map) {
    wanted = map.stretches().stream().filter(s -> s.state() != State.LATER).toList();
    long bytes = wanted.stream().mapToLong(Stretch::bytes).sum();
    int count = (int) Math.min(RescueResult.CELLS, Math.max(1, bytes / SECTOR));
    bytesEach = Math.max(1, (double) bytes / count);
    source = new char[count];
    copy = new char[count];
    Arrays.fill(source, '.');
    Arrays.fill(copy, ' ');
    within(
        0,
        map.size(),
        (stretch, first, last) -> {
          char symbol = symbol(stretch.state());
          for (int i = first; i <= last; i++) {
            source[i] = weight(symbol) > weight(source[i]) ? symbol : source[i];
            copy[i] = symbol == '+' ? '+' : copy[i];
          }
        });
  }

  /** A stretch of what is wanted, with the first and the last part that it lies in. */
  private interface Each {
    void take(Stretch stretch, int first, int last);
  }

  private void within(long from, long to, Each each) {
    long before = 0;
    for (Stretch s : wanted) {
      long begin = Math.max(from, s.from());
      long end = Math.min(to, s.to());
      if (begin < end) {
        int first = cell(before + begin - s.from());
        each.take(s, first, cell(before + end - 1 - s.from()));
      }
      before += s.bytes();
    }
  }

  private int cell(long place) {
    return (int) Math.min(source.length - 1.0, place / bytesEach);
  }

  private static char symbol(State state) {
    return switch (state) {
      case UNTRIED -> '?';
      case LATER -> '.';
      case READ -> '+';
      case FAILED, TRIMMED -> '/';
      case BAD, UNANSWERED -> '-';
    };
  }

  /** What of a part is told, if it holds several. */
  private static int weight(char symbol) {
    return ".+?/-".indexOf(symbol);
  }

  /** The image was read again: all of it is the same, but for what is marked then. */
  void compared() {
    for (int i = 0; i < copy.length; i++) {
      copy[i] = copy[i] == '+' ? '=' : copy[i];
    }
  }

  /** Somewhere in [from, to) of the source its image is not the same. */
  void differs(long from, long to) {
    within(
        from,
        to,
        (stretch, first, last) -> {
          if (stretch.state() == State.READ) {
            Arrays.fill(copy, first, last + 1, '!');
          }
        });
  }

  String source() {
    return new String(source);
  }

  String copy() {
    return new String(copy);
  }
}
