package tekmerion.core.rescue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What is known of every byte of a source, as stretches without gaps. Neighbours of one state are
 * one stretch. Not for several threads.
 */
public final class RescueMap {
  private static final String HEAD = "tekmerion rescue map 1";

  private final long size;
  private final TreeMap<Long, State> starts = new TreeMap<>();

  /**
   * @param from first byte
   * @param to byte after the last one
   */
  public record Stretch(long from, long to, State state) {
    public long bytes() {
      return to - from;
    }
  }

  /** Nothing is known of a source of this size. */
  public RescueMap(long size) {
    if (size <= 0) {
      throw new IllegalArgumentException("size " + size);
    }
    this.size = size;
    starts.put(0L, State.UNTRIED);
  }

  public long size() {
    return size;
  }

  /** Sets [from, to); what lies outside of the source is left out. */
  public void set(long from, long to, State state) {
    long begin = Math.max(0, from);
    long end = Math.min(size, to);
    if (begin >= end) {
      return;
    }
    State after = starts.floorEntry(end).getValue();
    State before = begin == 0 ? null : starts.lowerEntry(begin).getValue();
    starts.subMap(begin, true, end, false).clear();
    if (before != state) {
      starts.put(begin, state);
    }
    if (end < size) {
      if (after == state) {
        starts.remove(end);
      } else {
        starts.put(end, after);
      }
    }
  }

  /** The first stretch of a state at or after a place; cut there. */
  public Optional<Stretch> next(State state, long from) {
    for (Map.Entry<Long, State> e = starts.floorEntry(from); e != null; e = after(e)) {
      if (e.getValue() == state && end(e.getKey()) > from) {
        return Optional.of(new Stretch(Math.max(from, e.getKey()), end(e.getKey()), state));
      }
    }
    return Optional.empty();
  }

  /** The last stretch of a state before a place; cut there. */
  public Optional<Stretch> previous(State state, long before) {
    for (Map.Entry<Long, State> e = starts.lowerEntry(before);
        e != null;
        e = starts.lowerEntry(e.getKey())) {
      if (e.getValue() == state) {
        return Optional.of(new Stretch(e.getKey(), Math.min(before, end(e.getKey())), state));
      }
    }
    return Optional.empty();
  }

  private Map.Entry<Long, State> after(Map.Entry<Long, State> e) {
    return starts.higherEntry(e.getKey());
  }

  private long end(long start) {
    Long next = starts.higherKey(start);
    return next == null ? size : next;
  }

  public List<Stretch> stretches() {
    List<Stretch> all = new ArrayList<>();
    starts.forEach((from, state) -> all.add(new Stretch(from, end(from), state)));
    return all;
  }

  public long bytes(State state) {
    return stretches().stream().filter(s -> s.state() == state).mapToLong(Stretch::bytes).sum();
  }

  /** How many bytes of [from, from + length) are in a state. */
  public long bytes(State state, long from, long length) {
    long to = Math.min(size, from + length);
    long sum = 0;
    for (Map.Entry<Long, State> e = starts.floorEntry(Math.max(0, from));
        e != null && e.getKey() < to;
        e = after(e)) {
      if (e.getValue() == state) {
        sum += Math.max(0, Math.min(to, end(e.getKey())) - Math.max(from, e.getKey()));
      }
    }
    return sum;
  }

  /** What every sector of was tried alone and did not come, whether it is bad or gave no answer. */
  public long lostBytes() {
    return bytes(State.BAD) + bytes(State.UNANSWERED);
  }

  /** Every stretch of one state becomes another. */
  public void change(State from, State to) {
    stretches().stream().filter(s -> s.state() == from).forEach(s -> set(s.from(), s.to(), to));
  }

  /** What counts as lost is open again: each of its sectors is tried alone once more. */
  public void tryLostAgain() {
    change(State.BAD, State.TRIMMED);
    change(State.UNANSWERED, State.TRIMMED);
  }

  /**
   * As text: a head, the size, then a stretch a line with its first byte, its length (both in
   * decimal) and the symbol of its state.
   */
  public String text() {
    StringBuilder text = new StringBuilder(HEAD).append('\n').append(size).append('\n');
    stretches()
        .forEach(
            s ->
                text.append(s.from())
                    .append(' ')
                    .append(s.bytes())
                    .append(' ')
                    .append(s.state().symbol())
                    .append('\n'));
    return text.toString();
  }

  /**
   * @throws IllegalArgumentException if it is no map, or has gaps
   */
  public static RescueMap parse(String text) {
    String[] lines = text.split("\n");
    if (lines.length < 3 || !lines[0].equals(HEAD)) {
      throw new IllegalArgumentException("this is no rescue map of version 1");
    }
    try {
      RescueMap map = new RescueMap(Long.parseLong(lines[1]));
      long at = 0;
      for (int i = 2; i < lines.length; i++) {
        String[] words = lines[i].split(" ");
        long from = Long.parseLong(words[0]);
        long bytes = Long.parseLong(words[1]);
        if (from != at || bytes <= 0) {
          throw new IllegalArgumentException("line %d leaves a gap".formatted(i + 1));
        }
        map.set(from, from + bytes, State.of(words[2].charAt(0)));
        at = from + bytes;
      }
      if (at != map.size) {
        throw new IllegalArgumentException("the map ends before the source does");
      }
      return map;
    } catch (NumberFormatException | IndexOutOfBoundsException e) {
      throw new IllegalArgumentException("the map is damaged: " + e.getMessage(), e);
    }
  }
}
