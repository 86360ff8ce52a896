package tekmerion.server.stock;

import static tekmerion.words.Words.say;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.replace.NeededPart;
import tekmerion.core.trend.KaplanMeier;
import tekmerion.server.evidence.PartNumbers;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;
import tekmerion.server.stock.StockView.ModelLives;
import tekmerion.server.stock.StockView.PartLife;
import tekmerion.server.stock.StockView.StockItem;
import tekmerion.server.stock.StockView.StockModel;

/** Models that were met, and stock. */
@Service
public class Stock {
  static final int MAX_MODELS = 60;
  static final int MAX_LIVES = 200;

  /** Fewer of a model say nothing of it. */
  private static final int MIN = 5;

  /** Of the normal distribution: 95 of 100 within so many deviations. */
  private static final double Z = 1.96;

  private final JdbcClient jdbc;
  private final PartNumbers numbers;
  private final Clock clock;

  Stock(JdbcClient jdbc, PartNumbers numbers, Clock clock) {
    this.jdbc = jdbc;
    this.numbers = numbers;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  StockView view(String text) {
    List<StockModel> models =
        jdbc
            .sql(
                "SELECT n.model, MIN(n.sort), COUNT(*), SUM(f.part_id IS NOT NULL), AVG(n.hours)"
                    + " FROM part_number n LEFT JOIN (SELECT DISTINCT r.part_id FROM reading r"
                    + " JOIN decision u ON u.job_id = r.job_id WHERE u.courses LIKE '%REPLACE_PART%')"
                    + " f ON f.part_id = n.part_id WHERE n.attribute IN ('9', 'powerOnHours')"
                    + " AND n.model LIKE ? GROUP BY n.model ORDER BY COUNT(*) DESC LIMIT "
                    + MAX_MODELS)
            .param("%" + text.strip().replaceAll("[%_\\\\]", "") + "%")
            .query((rs, n) -> model(rs))
            .list()
            .stream()
            .sorted(Comparator.comparingDouble(StockModel::low).reversed())
            .toList();
    return new StockView(finding(models), models, items());
  }

  /** Wilson, 1927: the interval of a share that holds for few and for none as well. */
  private static StockModel model(ResultSet rs) throws SQLException {
    double n = rs.getLong(3);
    double p = rs.getLong(4) / n;
    double middle = (p + Z * Z / (2 * n)) / (1 + Z * Z / n);
    double half = Z / (1 + Z * Z / n) * Math.sqrt(p * (1 - p) / n + Z * Z / (4 * n * n));
    return new StockModel(
        rs.getString(1),
        rs.getString(2),
        rs.getLong(3),
        rs.getLong(4),
        rs.getDouble(5),
        Math.max(0, middle - half),
        Math.min(1, middle + half));
  }

  private static String finding(List<StockModel> models) {
    return models.stream()
        .filter(m -> m.met() >= MIN && m.replaced() > 0)
        .findFirst()
        .map(
            m ->
                say(
                    "stock.fails-most-of-met-here-were",
                    "m",
                    m.model(),
                    "replaced",
                    m.replaced(),
                    "met",
                    m.met()))
        .orElse(
            models.isEmpty()
                ? say("stock.no-drive-was-met-yet")
                : say("stock.no-model-stands-out"));
  }

  /** How long drives of a model last, and each of them. */
  @Transactional(readOnly = true)
  ModelLives lives(String model) {
    List<KaplanMeier.Life> lives = numbers.lives(model);
    return new ModelLives(
        lives.size() < MIN ? List.of() : KaplanMeier.of(lives),
        jdbc.sql(
                "SELECT p.id, p.serial, n.hours, n.taken_at, EXISTS (SELECT 1 FROM reading r"
                    + " JOIN decision u ON u.job_id = r.job_id WHERE r.part_id = n.part_id"
                    + " AND u.courses LIKE '%REPLACE_PART%') AS replaced FROM part_number n"
                    + " JOIN part p ON p.id = n.part_id WHERE n.model = ? AND n.attribute IN"
                    + " ('9', 'powerOnHours') ORDER BY replaced DESC, n.hours DESC LIMIT "
                    + MAX_LIVES)
            .param(model)
            .query(
                (rs, n) ->
                    new PartLife(
                        rs.getLong(1),
                        rs.getString(2),
                        rs.getDouble(3),
                        rs.getBoolean(5),
                        rs.getTimestamp(4).toInstant()))
            .list());
  }

  @Transactional(readOnly = true)
  public List<StockItem> items() {
    return jdbc.sql(
            "SELECT s.id, s.kind, s.model, s.bus, s.form, s.bytes, s.place,"
                + " COALESCE(SUM(m.pieces), 0) FROM stock s LEFT JOIN stock_move m"
                + " ON m.stock_id = s.id GROUP BY s.id ORDER BY s.kind, s.model")
        .query(
            (rs, n) ->
                new StockItem(
                    rs.getLong(1),
                    rs.getString(2),
                    rs.getString(3),
                    rs.getString(4),
                    rs.getString(5),
                    rs.getObject(6, Long.class),
                    rs.getString(7),
                    rs.getInt(8)))
        .list();
  }

  /** What of the stock can take an old part's place, in words; empty if nothing does. */
  @Transactional(readOnly = true)
  public Optional<String> fitting(NeededPart needed) {
    return items().stream()
        .filter(s -> s.pieces() > 0)
        .filter(s -> needed.misfit(s.asPart()).isEmpty())
        .min(Comparator.comparingLong(s -> s.bytes() == null ? 0 : s.bytes()))
        .map(
            s ->
                say(
                    "stock.fits-in",
                    "pieces",
                    s.pieces(),
                    "s",
                    s.model(),
                    "place",
                    s.place().isEmpty() ? "stock" : s.place()));
  }

  /** A sort that was not there before, with so many pieces of it. */
  @Transactional
  long add(StockItem item, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql(
            "INSERT INTO stock (kind, model, bus, form, bytes, place, added_by, added_at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            item.kind(),
            item.model().strip(),
            item.bus(),
            item.form(),
            item.bytes(),
            item.place().strip(),
            by.id(),
            Timestamp.from(clock.instant()))
        .update(key, "id");
    long id = key.getKey().longValue();
    move(id, item.pieces(), say("stock.put-into-stock"), by);
    return id;
  }

  /**
   * @param pieces that came; negative for those that went
   * @throws Refusal 409 if there are not so many
   */
  @Transactional
  public void move(long id, int pieces, String note, Person by) {
    by.must(Role.TECHNICIAN, Role.LEAD);
    int there =
        jdbc.sql("SELECT id FROM stock WHERE id = ? FOR UPDATE")
            .param(id)
            .query(Long.class)
            .optional()
            .map(i -> sum(id))
            .orElseThrow(() -> Refusal.notFound(say("stock.there-is-no-such-item-in")));
    if (there + pieces < 0) {
      throw Refusal.notPossibleNow(
          say("stock.there-are-only-of-them", "there", there), say("stock.count-the-stock-again"));
    }
    jdbc.sql(
            "INSERT INTO stock_move (stock_id, pieces, note, made_by, made_at)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(id, pieces, note.strip(), by.id(), Timestamp.from(clock.instant()))
        .update();
  }

  private int sum(long id) {
    return jdbc.sql("SELECT COALESCE(SUM(pieces), 0) FROM stock_move WHERE stock_id = ?")
        .param(id)
        .query(Integer.class)
        .single();
  }
}
