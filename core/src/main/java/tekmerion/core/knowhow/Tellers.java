package tekmerion.core.knowhow;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/**
 * Who tells a finding, as its slips differ by that.
 *
 * @param seenByHand findings that somebody looks for and types
 * @param saidByOwner findings that owners tell: what they saw, heard or read at home
 * @param goneLevels of findings that ask for the complaint, the level that says that it did not
 *     come
 */
record Tellers(Set<String> seenByHand, Set<String> saidByOwner, Map<String, String> goneLevels) {
  static Tellers of(
      Collection<Move> moves, Collection<Question> questions, Collection<FindingKind> findings) {
    Set<String> seen = new HashSet<>();
    Map<String, String> gone = new HashMap<>();
    for (Move move : moves) {
      for (Move.Outcomes asked : move.tells()) {
        asked.gone().ifPresent(level -> gone.put(asked.id(), level));
        if (move.by() == null) {
          seen.add(asked.id());
        }
      }
    }
    Set<String> said = new HashSet<>();
    questions.forEach(q -> q.options().forEach(option -> said.addAll(option.findings().keySet())));
    findings.stream().filter(kind -> !kind.words().isEmpty()).forEach(kind -> said.add(kind.id()));
    return new Tellers(Set.copyOf(seen), Set.copyOf(said), Map.copyOf(gone));
  }
}
