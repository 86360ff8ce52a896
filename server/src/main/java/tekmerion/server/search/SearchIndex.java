package tekmerion.server.search;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.identity.Serial;
import tekmerion.server.job.Job;

/**
 * Keeps what search looks through. Words are found by their beginning, serials by any part of three
 * characters and more (every tail of theirs is a row, so a part is a beginning of a tail).
 */
@Service
public class SearchIndex {
  static final int MIN_LENGTH = 3;
  private static final int MAX_LENGTH = 40;
  private final JdbcClient jdbc;

  SearchIndex(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** To be called whenever something of the job changed that it may be found by. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void note(Job job) {
    String words =
        Stream.of(
                job.number(),
                job.number().replace("-", ""),
                job.customer().displayName(),
                job.machine().name(),
                job.complaint(),
                job.errorText() == null ? "" : job.errorText())
            .collect(Collectors.joining(" "));
    Set<String> distinct = new LinkedHashSet<>();
    for (String word : plain(words).split(" ")) {
      distinct.add(word.length() > MAX_LENGTH ? word.substring(0, MAX_LENGTH) : word);
    }
    replace("job_word", "word", job.id(), distinct);
    Set<String> tails = new LinkedHashSet<>();
    for (String serial : serialsOf(job)) {
      tails.addAll(tails(serial));
    }
    replace("job_serial", "tail", job.id(), tails);
  }

  private void replace(String table, String column, long job, Set<String> values) {
    jdbc.sql("DELETE FROM %s WHERE job_id = ?".formatted(table)).param(job).update();
    if (values.isEmpty()) {
      return;
    }
    String rows = values.stream().map(v -> "(?, ?)").collect(Collectors.joining(", "));
    List<Object> params = values.stream().flatMap(v -> Stream.<Object>of(v, job)).toList();
    jdbc.sql("INSERT IGNORE INTO %s (%s, job_id) VALUES %s".formatted(table, column, rows))
        .params(params)
        .update();
  }

  private List<String> serialsOf(Job job) {
    return jdbc.sql(
            "SELECT serial FROM machine WHERE id = :machine AND serial IS NOT NULL"
                + " UNION SELECT p.serial FROM part_place pl JOIN part p ON p.id = pl.part_id"
                + " WHERE pl.machine_id = :machine AND p.serial IS NOT NULL"
                + " UNION SELECT p.serial FROM reading r JOIN part p ON p.id = r.part_id"
                + " WHERE r.job_id = :job AND p.serial IS NOT NULL")
        .param("machine", job.machine().id())
        .param("job", job.id())
        .query(String.class)
        .list();
  }

  static List<String> tails(String serial) {
    String plain = asciiOnly(Serial.of(serial).plain());
    return IntStream.rangeClosed(0, plain.length() - MIN_LENGTH)
        .mapToObj(plain::substring)
        .map(tail -> tail.length() > MAX_LENGTH ? tail.substring(0, MAX_LENGTH) : tail)
        .toList();
  }

  private static String asciiOnly(String text) {
    return text.replaceAll("[^A-Z0-9]", "");
  }

  /** Words of letters and digits, apart by one space. */
  static String plain(String text) {
    return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
  }
}
