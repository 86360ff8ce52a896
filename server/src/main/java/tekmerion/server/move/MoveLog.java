package tekmerion.server.move;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.knowhow.Move;
import tekmerion.core.weigh.Weighing.Part;
import tekmerion.server.job.Job;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.words.Words;

/**
 * The moves that were made, as they were kept: nothing is changed in it, a slip is one more line.
 */
@Service
public class MoveLog {
  private final JdbcClient jdbc;
  private final ShopKnowHow knowHow;
  private final Clock clock;

  /** Outcome of a move that could not be done because its drive did not answer. */
  static String silent() {
    return say("move.the-drive-did-not-answer");
  }

  /** How a move ended. */
  public enum MoveEnd {
    DONE,
    COULD_NOT,
    TAKEN_BACK
  }

  /**
   * A move as it was made last.
   *
   * @param move its id in the know-how
   * @param title as it was called then
   * @param words what was seen
   * @param known whether the move is one of this shop's know-how; what others showed is told and
   *     not weighed
   */
  @Schema(name = "MadeMove")
  public record Made(
      String move,
      String part,
      String title,
      MoveEnd outcome,
      String words,
      String note,
      String by,
      Instant at,
      boolean known) {
    boolean wasSilent(String on) {
      return outcome == MoveEnd.COULD_NOT && part.equals(on) && words.equals(silent());
    }
  }

  MoveLog(JdbcClient jdbc, ShopKnowHow knowHow, Clock clock) {
    this.jdbc = jdbc;
    this.knowHow = knowHow;
    this.clock = clock;
  }

  /** Moves that were made or could not be made, as {@code move@part}; taken-back ones are not. */
  @Transactional(readOnly = true)
  public Set<String> done(long jobId) {
    return of(jobId).stream().map(m -> m.move() + "@" + m.part()).collect(Collectors.toSet());
  }

  /** The same, with what was seen; newest first. */
  @Transactional(readOnly = true)
  public List<Made> of(long jobId) {
    Map<String, Made> last = new LinkedHashMap<>();
    jdbc.sql(
            "SELECT m.move_id, m.part, m.title, m.outcome, m.words, m.note, a.display_name, m.made_at"
                + " FROM job_move m JOIN account a ON a.id = m.made_by WHERE m.job_id = ?"
                + " ORDER BY m.id DESC")
        .param(jobId)
        .query(
            (rs, n) ->
                new Made(
                    rs.getString(1),
                    rs.getString(2),
                    Words.read(rs.getString(3)),
                    MoveEnd.valueOf(rs.getString(4)),
                    Words.read(rs.getString(5)),
                    rs.getString(6),
                    rs.getString(7),
                    rs.getTimestamp(8).toInstant(),
                    knowHow.now().move(rs.getString(1)).isPresent()))
        .list()
        .forEach(made -> last.putIfAbsent(made.move() + "@" + made.part(), made));
    return last.values().stream().filter(m -> m.outcome() != MoveEnd.TAKEN_BACK).toList();
  }

  void keep(Job job, Move move, Part part, MoveEnd outcome, String words, String note, Person by) {
    jdbc.sql(
            "INSERT INTO job_move (job_id, move_id, part, title, outcome, words, note, made_by,"
                + " made_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            job.id(),
            move.id(),
            part.key(),
            Words.kept(() -> inWords(move).named(part.name())),
            outcome.name(),
            words,
            note.strip(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update();
  }

  /** The move in the language that is spoken now. */
  private Move inWords(Move move) {
    return knowHow.now().move(move.id()).orElse(move);
  }
}
