package tekmerion.server.editing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.server.knowhow.KnowHowChange.OwnMoveEdit;
import tekmerion.server.knowhow.OwnMoves;
import tekmerion.server.knowhow.ShopKnowHow;

/** Other shops' own moves, as they came with jobs. They are told and not in force. */
@Service
class MovesFromElsewhere {
  /** More than a lead would look through. */
  private static final int MAX = 200;

  private final JdbcClient jdbc;
  private final OwnMoves moves;
  private final ShopKnowHow knowHow;

  /**
   * @param id under which a lead may take it over, so that what it showed in that job is weighed
   * @param job that it came with, the first of them
   */
  @Schema(name = "MoveFromElsewhere")
  record FromElsewhere(String id, String job, OwnMoveEdit move) {}

  MovesFromElsewhere(JdbcClient jdbc, OwnMoves moves, ShopKnowHow knowHow) {
    this.jdbc = jdbc;
    this.moves = moves;
    this.knowHow = knowHow;
  }

  /** By id, the first of them. */
  List<FromElsewhere> all() {
    return jdbc
        .sql(
            "SELECT o.move_id, MIN(j.number), MIN(o.body) FROM job_own_move o JOIN job j ON j.id ="
                + " o.job_id GROUP BY o.move_id ORDER BY o.move_id LIMIT "
                + MAX)
        .query((rs, n) -> of(rs.getString(1), rs.getString(2), rs.getString(3)))
        .list()
        .stream()
        .flatMap(Optional::stream)
        .filter(move -> knowHow.now().move(move.id()).isEmpty())
        .toList();
  }

  private Optional<FromElsewhere> of(String id, String job, String body) {
    return moves.parsed(body).map(move -> new FromElsewhere(id, job, move));
  }
}
