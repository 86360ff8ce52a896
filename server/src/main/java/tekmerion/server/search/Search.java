package tekmerion.server.search;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.identity.LabelCode;
import tekmerion.core.identity.Serial;
import tekmerion.core.weigh.Suspicion;

/** Finds jobs from a few typed characters: at most six statements, each through an index. */
@Service
class Search {
  private static final int MAX = 12;
  private static final int MAX_TYPED = 100;
  private static final int MIN_WORD = 2;
  private static final int COUNTED = 3000;
  private final JdbcClient jdbc;

  /**
   * @param serial that was matched, null if the match is elsewhere
   * @param endedAt null while it is in the shop
   */
  record Hit(
      String number,
      String machine,
      String customer,
      String complaint,
      @Schema(nullable = true) String errorText,
      @Schema(nullable = true) String serial,
      Suspicion suspicion,
      Instant takenInAt,
      @Schema(nullable = true) Instant endedAt) {}

  record Found(List<Hit> hits, boolean more) {}

  Search(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /**
   * @param typed by hand or scanned; longer than any code is cut
   */
  @Transactional(readOnly = true)
  public Found of(String typed) {
    String text = typed.length() > MAX_TYPED ? typed.substring(0, MAX_TYPED) : typed;
    Set<Long> ids = new LinkedHashSet<>();
    ids.addAll(byNumber(text));
    List<Long> bySerial = bySerial(text);
    ids.addAll(bySerial);
    ids.addAll(byWords(text));
    List<Long> shown = ids.stream().limit(MAX).toList();
    return new Found(hits(shown, text), ids.size() > MAX);
  }

  private List<Long> byNumber(String text) {
    String number =
        LabelCode.jobOf(text)
            .orElseGet(() -> "J-" + text.strip().toUpperCase(Locale.ROOT).replaceFirst("^J-?", ""));
    return jdbc.sql("SELECT id FROM job WHERE number = ?").param(number).query(Long.class).list();
  }

  private List<Long> bySerial(String text) {
    String part = Serial.of(text).plain().replaceAll("[^A-Z0-9]", "");
    if (part.length() < SearchIndex.MIN_LENGTH) {
      return List.of();
    }
    return jdbc.sql(
            "SELECT DISTINCT job_id FROM job_serial WHERE tail LIKE ? ORDER BY job_id DESC LIMIT ?")
        .params(part + "%", MAX + 1)
        .query(Long.class)
        .list();
  }

  /**
   * Every word typed must begin some word of the job. Whole words come first: their rows lie in the
   * order of the jobs, so that the newest are found at once however common the word is.
   */
  private List<Long> byWords(String text) {
    List<String> words =
        Arrays.stream(SearchIndex.plain(text).split(" "))
            .filter(word -> word.length() >= MIN_WORD)
            .sorted(Comparator.comparingInt(String::length).reversed())
            .toList();
    if (words.isEmpty()) {
      return List.of();
    }
    List<String> ordered = rarestFirst(words);
    Set<Long> found = new LinkedHashSet<>(jobsWith("", ordered, "= ?", ""));
    if (found.size() <= MAX && words.get(0).length() >= SearchIndex.MIN_LENGTH) {
      found.addAll(jobsWith("DISTINCT ", ordered, "LIKE ?", "%"));
    }
    return List.copyOf(found);
  }

  /** By how many rows begin with each, as far as that matters. */
  private List<String> rarestFirst(List<String> words) {
    if (words.size() == 1) {
      return words;
    }
    String count =
        "SELECT COUNT(*) FROM (SELECT 1 FROM job_word WHERE word LIKE ? LIMIT %d) some"
            .formatted(COUNTED);
    List<Integer> rows =
        jdbc.sql(String.join(" UNION ALL ", Collections.nCopies(words.size(), count)))
            .params(words.stream().map(word -> word + "%").toList())
            .query(Integer.class)
            .list();
    return words.stream()
        .sorted(Comparator.comparingInt(word -> rows.get(words.indexOf(word))))
        .toList();
  }

  /**
   * The first word leads; of its jobs each is asked for the others. The order is forced: left to
   * itself the database walks through all words of all jobs.
   *
   * @param distinct empty where no job can be met twice: the database then stops at the last row
   *     that is shown
   */
  private List<Long> jobsWith(String distinct, List<String> words, String matches, String after) {
    StringBuilder sql =
        new StringBuilder(
            "SELECT %sw0.job_id FROM job_word w0 FORCE INDEX (PRIMARY)".formatted(distinct));
    for (int i = 1; i < words.size(); i++) {
      sql.append(
          " STRAIGHT_JOIN job_word w%1$d FORCE INDEX (job_word_by_job) ON w%1$d.job_id = w0.job_id"
              .formatted(i));
    }
    sql.append(" WHERE w0.word ").append(matches);
    for (int i = 1; i < words.size(); i++) {
      sql.append(" AND w%d.word %s".formatted(i, matches));
    }
    sql.append(" ORDER BY w0.job_id DESC LIMIT ").append(MAX + 1);
    return jdbc.sql(sql.toString())
        .params(words.stream().map(word -> word + after).toList())
        .query(Long.class)
        .list();
  }

  private List<Hit> hits(List<Long> ids, String text) {
    if (ids.isEmpty()) {
      return List.of();
    }
    String part = Serial.of(text).plain().replaceAll("[^A-Z0-9]", "");
    record Row(long id, Hit hit) {}
    return jdbc
        .sql(
            "SELECT j.id, j.number, m.maker, m.model, c.display_name, j.complaint, j.error_text,"
                + " m.serial, m.serial_plain, (SELECT p.serial FROM part_place pl"
                + " JOIN part p ON p.id = pl.part_id WHERE pl.machine_id = m.id"
                + " AND LOCATE(:part, p.serial_plain) > 0 LIMIT 1), j.suspicion, j.taken_in_at, j.ended_at"
                + " FROM job j JOIN machine m ON m.id = j.machine_id"
                + " JOIN customer c ON c.id = j.customer_id WHERE j.id IN (:ids)")
        .param("part", part.isEmpty() ? "-" : part)
        .param("ids", ids)
        .query(
            (rs, n) -> {
              String plain = rs.getString(9);
              boolean ofMachine =
                  plain != null && part.length() >= SearchIndex.MIN_LENGTH && plain.contains(part);
              return new Row(
                  rs.getLong(1),
                  new Hit(
                      rs.getString(2),
                      "%s %s".formatted(rs.getString(3), rs.getString(4)).strip(),
                      rs.getString(5),
                      rs.getString(6),
                      rs.getString(7),
                      ofMachine ? rs.getString(8) : rs.getString(10),
                      Suspicion.valueOf(rs.getString(11)),
                      rs.getTimestamp(12).toInstant(),
                      rs.getTimestamp(13) == null ? null : rs.getTimestamp(13).toInstant()));
            })
        .list()
        .stream()
        .sorted(Comparator.comparingInt(row -> ids.indexOf(row.id())))
        .map(Row::hit)
        .toList();
  }
}
