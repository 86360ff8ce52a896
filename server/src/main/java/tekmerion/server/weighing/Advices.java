package tekmerion.server.weighing;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tekmerion.core.knowhow.KnowHow;
import tekmerion.core.sign.Sign;
import tekmerion.core.weigh.NextMoves;
import tekmerion.core.weigh.NextMoves.Advice;
import tekmerion.core.weigh.NextMoves.Situation;
import tekmerion.core.weigh.Weighing.Part;

/**
 * The last advices, so that a job that is looked at again, by anybody, is not thought through
 * again. What is told depends on nothing else than the key; losing it costs time only.
 */
final class Advices {
  private static final int KEPT = 500;
  private final Map<Key, Advice> kept =
      new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Advice> eldest) {
          return size() > KEPT;
        }
      };

  /**
   * @param knowHow by identity: another table is another advice
   * @param levels {@code sign@part=level}, in order: a later one replaces an earlier one
   */
  private record Key(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<String> levels,
      Situation situation) {}

  Advice of(
      KnowHow knowHow,
      List<String> families,
      List<Part> parts,
      List<Sign> signs,
      Situation situation) {
    Key key =
        new Key(
            knowHow,
            List.copyOf(families),
            List.copyOf(parts),
            signs.stream().map(s -> "%s@%s=%s".formatted(s.id(), s.part(), s.level())).toList(),
            situation);
    synchronized (kept) {
      Advice known = kept.get(key);
      if (known != null) {
        return known;
      }
    }
    Advice advice = NextMoves.of(knowHow, families, parts, signs, situation);
    synchronized (kept) {
      kept.put(key, advice);
    }
    return advice;
  }
}
