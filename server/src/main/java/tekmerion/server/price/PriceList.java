package tekmerion.server.price;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.StringReader;
import java.math.BigDecimal;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.price.PartPrice;
import tekmerion.server.knowhow.ShopKnowHow;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;
import tekmerion.server.problem.Refusal;

/** What parts cost their owner, by sort and by what they are. */
@Service
public class PriceList {
  static final int MAX_LINES = 2_000;
  private static final int MAX_WORDS = 200;
  private static final BigDecimal MAX_AMOUNT = new BigDecimal("100000000");

  private final JdbcClient jdbc;
  private final ShopKnowHow knowHow;
  private final Clock clock;

  /**
   * @param part the sort, as remedies name it: drive, memory, battery …
   * @param amount before tax
   */
  public record Price(String part, String words, BigDecimal amount) {}

  PriceList(JdbcClient jdbc, ShopKnowHow knowHow, Clock clock) {
    this.jdbc = jdbc;
    this.knowHow = knowHow;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<Price> all() {
    return jdbc.sql(
            "SELECT p.part, p.words, p.amount FROM part_price p JOIN (SELECT MAX(id) AS id FROM"
                + " part_price GROUP BY part, words) newest ON newest.id = p.id WHERE p.amount IS"
                + " NOT NULL ORDER BY p.part, p.amount, p.words")
        .query((rs, n) -> new Price(rs.getString(1), rs.getString(2), rs.getBigDecimal(3)))
        .list();
  }

  /** Sorts of parts that remedies need. */
  @Transactional(readOnly = true)
  public List<String> sorts() {
    return knowHow.now().remedies().stream()
        .map(Remedy::part)
        .filter(part -> !part.isEmpty())
        .distinct()
        .sorted()
        .toList();
  }

  /** The cheapest of the sort that a remedy needs; empty if none is on the list. */
  @Transactional(readOnly = true)
  public Optional<PartPrice> of(Remedy remedy) {
    return all().stream()
        .filter(price -> price.part().equals(remedy.part()))
        .findFirst()
        .map(price -> new PartPrice(price.words(), price.amount(), PartPrice.PriceSource.LIST));
  }

  /**
   * @param amount null takes it off the list
   */
  @Transactional
  public void set(String part, String words, BigDecimal amount, Person by) {
    by.must(Role.LEAD);
    if (!sorts().contains(part)) {
      throw Refusal.badRequest(
          say("price.no-remedy-needs-a-part-of", "part", part),
          say("price.one-of", "sorts", String.join(", ", sorts())));
    }
    keep(part, words.strip(), amount, by);
  }

  private void keep(String part, String words, BigDecimal amount, Person by) {
    jdbc.sql("INSERT INTO part_price (part, words, amount, set_by, set_at) VALUES (?, ?, ?, ?, ?)")
        .params(part, words, amount, by.id(), Timestamp.from(clock.instant()))
        .update();
  }

  /**
   * Takes a list in: a line each with {@code part,words,price}, the first line the names of the
   * columns. All of it or nothing.
   *
   * @return how many lines were taken in
   * @throws Refusal 400 that names each line that cannot be taken
   */
  @Transactional
  public int takeIn(String csv, Person by) {
    by.must(Role.LEAD);
    List<String> wrong = new ArrayList<>();
    List<Price> prices = new ArrayList<>();
    Set<String> sorts = Set.copyOf(sorts());
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreHeaderCase(true)
            .setTrim(true)
            .get();
    try (CSVParser lines = CSVParser.parse(new StringReader(csv), format)) {
      if (!Set.copyOf(lines.getHeaderNames().stream().map(n -> n.toLowerCase(Locale.ROOT)).toList())
          .containsAll(Set.of("part", "words", "price"))) {
        throw Refusal.badRequest(
            say("price.the-first-line-does-not-name"),
            say("price.put-that-line-before-the-others"));
      }
      for (CSVRecord line : lines) {
        read(line, sorts).ifPresentOrElse(prices::add, () -> wrong.add(said(line, sorts)));
      }
    } catch (IOException | IllegalStateException | IllegalArgumentException e) {
      throw Refusal.badRequest(
          say("price.it-is-no-list-of-lines", "e", e.getMessage()),
          say("price.nothing-was-taken-in-save-it"));
    }
    if (!wrong.isEmpty() || prices.isEmpty() || prices.size() > MAX_LINES) {
      throw Refusal.badRequest(
          wrong.isEmpty()
              ? say("price.it-has-lines-1-to-can", "count", prices.size(), "maxLines", MAX_LINES)
              : wrong.stream().limit(10).collect(Collectors.joining(" ")),
          say("price.nothing-was-taken-in-put-the"));
    }
    prices.forEach(price -> keep(price.part(), price.words(), price.amount(), by));
    return prices.size();
  }

  private static Optional<Price> read(CSVRecord line, Set<String> sorts) {
    try {
      String part = line.get("part");
      String words = line.get("words");
      BigDecimal amount = new BigDecimal(line.get("price"));
      boolean sound =
          sorts.contains(part)
              && !words.isBlank()
              && words.length() <= MAX_WORDS
              && amount.signum() >= 0
              && amount.compareTo(MAX_AMOUNT) < 0
              && amount.scale() <= 3;
      return sound ? Optional.of(new Price(part, words, amount)) : Optional.empty();
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static String said(CSVRecord line, Set<String> sorts) {
    String part = line.size() > 0 ? line.get(0) : "";
    return sorts.contains(part)
        ? say(
            "price.line-needs-words-of-at-most",
            "recordNumber",
            line.getRecordNumber() + 1,
            "maxWords",
            MAX_WORDS)
        : say("price.line-names-no-sort-of-part", "recordNumber", line.getRecordNumber() + 1);
  }
}
