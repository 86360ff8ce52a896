package tekmerion.server.exchange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tekmerion.core.knowhow.Edit.OwnMove;
import tekmerion.server.knowhow.OwnMoves;

/**
 * What a job's archive says of moves of the shop's own: each that its history names goes with it.
 * Here it never passes for one of this shop's that happens to have the same name.
 */
@Component
class OwnMovesInArchive {
  static final String DEFINED = "job_own_move";

  /** Of one job; each is checked with all that ships. */
  static final int MAX = 100;

  private static final String MADE = "job_move";
  private static final String SEEN = "job_finding";
  private static final String ID = "move_id";
  private static final String FINDING = "finding_id";
  private static final String BODY = "body";

  private final OwnMoves moves;

  OwnMovesInArchive(OwnMoves moves) {
    this.moves = moves;
  }

  /** Adds what the moves are that the tables name, as they are now. */
  void define(Map<String, List<Map<String, Object>>> tables) {
    List<Map<String, Object>> defined = new ArrayList<>(tables.get(DEFINED));
    Set<String> open = named(tables);
    defined.forEach(row -> open.remove(row.get(ID)));
    for (String id : open) {
      moves
          .written(id)
          .ifPresent(
              text -> {
                Map<String, Object> row = new LinkedHashMap<>();
                row.put("job_id", 0);
                row.put(ID, id);
                row.put(BODY, text);
                defined.add(row);
              });
    }
    defined.sort(Comparator.comparing(row -> (String) row.get(ID)));
    tables.put(DEFINED, defined);
  }

  /** The same tables with these moves as they are called here; checked before. */
  Map<String, List<Map<String, Object>>> here(Map<String, List<Map<String, Object>>> tables) {
    Map<String, String> ids = new HashMap<>();
    List<Map<String, Object>> defined = new ArrayList<>();
    for (Map<String, Object> row : tables.getOrDefault(DEFINED, List.of())) {
      String id = (String) row.get(ID);
      String here = moves.idHere(id, (String) row.get(BODY));
      ids.put(id, here);
      if (moves.written(here).isEmpty()) {
        defined.add(with(row, ID, here));
      }
    }
    // Of which nothing is told: none that anybody has.
    named(tables)
        .forEach(
            id ->
                ids.computeIfAbsent(id, any -> OwnMoves.marked(any, UUID.randomUUID().toString())));
    Map<String, List<Map<String, Object>>> all = new LinkedHashMap<>(tables);
    all.put(DEFINED, defined);
    all.computeIfPresent(
        MADE,
        (t, rows) ->
            rows.stream().map(row -> with(row, ID, ids.getOrDefault(text(row, ID), ""))).toList());
    all.computeIfPresent(
        SEEN,
        (t, rows) ->
            rows.stream()
                .map(
                    row ->
                        with(
                            row,
                            FINDING,
                            findingOf(ids.getOrDefault(moveOf(text(row, FINDING)), ""))))
                .toList());
    return all;
  }

  /** Ids of the shop's own moves that were made or gave a finding. */
  private static Set<String> named(Map<String, List<Map<String, Object>>> tables) {
    Set<String> ids = new TreeSet<>();
    tables.getOrDefault(MADE, List.of()).forEach(row -> ids.add(text(row, ID)));
    tables.getOrDefault(SEEN, List.of()).forEach(row -> ids.add(moveOf(text(row, FINDING))));
    ids.removeIf(id -> !id.startsWith(OwnMove.PREFIX));
    return ids;
  }

  private static String text(Map<String, Object> row, String column) {
    return row.get(column) instanceof String text ? text : "";
  }

  /** Move that gives a finding; empty if it is no finding of such a move. */
  private static String moveOf(String finding) {
    return finding.startsWith(OwnMove.PREFIX) && finding.endsWith(OwnMove.SEEN)
        ? finding.substring(0, finding.length() - OwnMove.SEEN.length())
        : "";
  }

  private static String findingOf(String move) {
    return move.isEmpty() ? "" : move + OwnMove.SEEN;
  }

  /** Unchanged if the value is empty. */
  private static Map<String, Object> with(Map<String, Object> row, String column, String value) {
    if (value.isEmpty()) {
      return row;
    }
    Map<String, Object> changed = new LinkedHashMap<>(row);
    changed.put(column, value);
    return changed;
  }
}
