package tekmerion.server.weighing;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;

/**
 * The last results of something that takes long and depends on its key alone. Losing one costs time
 * only.
 *
 * @param <K> all that a result depends on
 */
public final class LastOnes<K, V> {
  private final Map<K, V> kept;

  /**
   * @param most so many are kept, those that were asked for last
   */
  public LastOnes(int most) {
    kept =
        new LinkedHashMap<>(16, 0.75f, true) {
          private static final long serialVersionUID = 1L;

          @Override
          protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
            return size() > most;
          }
        };
  }

  /** Two who ask at once may both work it out. */
  public V of(K key, Supplier<V> workedOut) {
    synchronized (kept) {
      V known = kept.get(key);
      if (known != null) {
        return known;
      }
    }
    V result = workedOut.get();
    synchronized (kept) {
      kept.put(key, result);
    }
    return result;
  }
}
