package tekmerion.server.step;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.permit.Permissions;
import tekmerion.core.replace.Fitted;
import tekmerion.core.replace.NeededPart;
import tekmerion.core.replace.Supply;
import tekmerion.core.replace.Supply.Happened;
import tekmerion.server.job.Changes.Came;
import tekmerion.server.job.Job;
import tekmerion.server.part.Part;
import tekmerion.server.person.Person;
import tekmerion.server.step.StepPart.FromStock;
import tekmerion.server.stock.Stock;
import tekmerion.server.stock.StockView.StockItem;
import tekmerion.server.supply.NeededParts;
import tekmerion.server.supply.PartSupplies;
import tekmerion.server.weighing.WeighingService.Evidence;
import tekmerion.words.Words;

/** The part that a step needs: which one, what of the stock fits, where it is. */
@Service
class StepParts {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM");
  private static final String OTHER = "other";

  private final PartSupplies supplies;
  private final TakenOut takenOut;
  private final Stock stock;
  private final OpenHours hours;
  private final Clock clock;

  StepParts(PartSupplies supplies, TakenOut takenOut, Stock stock, OpenHours hours, Clock clock) {
    this.supplies = supplies;
    this.takenOut = takenOut;
    this.stock = stock;
    this.hours = hours;
    this.clock = clock;
  }

  /** By remedy, where something happened. */
  @Transactional(readOnly = true)
  Map<String, PartSupplies.Standing> standing(Job job) {
    return supplies.of(job.id());
  }

  /**
   * @param came what came of the step; empty if it was not begun
   */
  StepPart of(
      Job job, Evidence evidence, Permissions permitted, Remedy remedy, Optional<Came> came) {
    Optional<PartSupplies.Standing> standing = Optional.ofNullable(standing(job).get(remedy.id()));
    Optional<NeededPart> needed = needed(evidence, remedy);
    Optional<Fitted<Part>> fitted = came.flatMap(c -> takenOut.fitted(job, remedy, c));
    return new StepPart(
        standing
            .map(PartSupplies.Standing::need)
            .or(() -> needed.map(NeededPart::words))
            .orElse(remedy.part()),
        standing.map(PartSupplies.Standing::supply).orElse(Supply.NEEDED),
        standing.map(this::words).orElse(""),
        stock(remedy, needed),
        fitted.map(Fitted::state).orElse(null),
        fitted.map(f -> TakenOut.words(f, remedy)).orElse(""),
        takenOut.readKey(job, remedy).orElse(null),
        fitted.flatMap(f -> takenOut.old(job, permitted, remedy, f)).orElse(null));
  }

  private static Optional<NeededPart> needed(Evidence evidence, Remedy remedy) {
    return NeededParts.of(evidence).stream()
        .filter(n -> n.sort().equals(remedy.part()))
        .map(NeededParts.Needed::part)
        .findFirst();
  }

  private String words(PartSupplies.Standing standing) {
    return switch (standing.supply()) {
      case NEEDED -> "";
      case ORDERED ->
          say(
              "step.ordered-from",
              "standing",
              standing.words(),
              "supplier",
              standing.supplier().orElse("a supplier"),
              "expectedOn",
              standing.expectedOn().map(this::expected).orElse(""));
      case HERE -> say("step.is-set-aside-for-this-job", "standing", standing.words());
    };
  }

  private String expected(LocalDate day) {
    LocalDate today = LocalDate.ofInstant(clock.instant(), hours.zone());
    return day.isBefore(today)
        ? say(
            "step.expected-it-is-late-ask-for",
            "day",
            DAY.withLocale(Words.speaking().language().locale()).format(day))
        : say(
            "step.expected",
            "day",
            DAY.withLocale(Words.speaking().language().locale()).format(day));
  }

  private List<FromStock> stock(Remedy remedy, Optional<NeededPart> needed) {
    String kind = TakenOut.KINDS.getOrDefault(remedy.part(), OTHER);
    return stock.items().stream()
        .filter(item -> item.pieces() > 0 && item.kind().equals(kind))
        .map(
            item ->
                new FromStock(
                    item.id(), item.model(), item.place(), item.pieces(), misfit(item, needed)))
        .sorted(Comparator.comparing(item -> item.misfit() != null))
        .toList();
  }

  /**
   * Something that happens to the part of a step.
   *
   * @param now what is kept of it, without what is needed
   */
  void happened(Job job, Evidence evidence, Remedy remedy, PartSupplies.Now now, Person by) {
    Optional<PartSupplies.Standing> before = Optional.ofNullable(standing(job).get(remedy.id()));
    boolean goesOn = now.what() != Happened.ORDERED && now.what() != Happened.TAKEN_FROM_STOCK;
    String need =
        before
            .filter(b -> goesOn)
            .map(PartSupplies.Standing::need)
            .or(() -> needed(evidence, remedy).map(NeededPart::words))
            .orElse(remedy.part());
    String words = goesOn ? before.map(PartSupplies.Standing::words).orElse("") : now.words();
    supplies.keep(
        job,
        remedy.id(),
        new PartSupplies.Now(
            now.what(), need, words, now.stock(), now.supplier(), now.expectedOn()),
        by);
  }

  /** Null if it fits. */
  private static String misfit(StockItem item, Optional<NeededPart> needed) {
    if (needed.isPresent()) {
      return needed.get().misfit(item.asPart()).orElse(null);
    }
    return item.kind().equals(OTHER)
        ? say("step.look-whether-it-fits-this-machine")
        : say("step.nobody-has-read-the-old-one");
  }
}
