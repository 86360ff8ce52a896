package tekmerion.server.price;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.decision.Course;
import tekmerion.core.knowhow.Remedy;
import tekmerion.core.price.Tariff;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** What the shop charges: settings of its lead. */
@RestController
@RequestMapping("/api/prices")
class PriceController {
  private final Tariffs tariffs;
  private final PriceList list;

  /**
   * All amounts before tax.
   *
   * @param currency by ISO 4217: EUR
   * @param perHourOf rates of courses that cost another amount
   * @param taxShown whether owners are told amounts with the tax
   */
  @Schema(name = "Tariff")
  record TariffView(
      @NotNull @Size(min = 3, max = 3) String currency,
      @NotNull @DecimalMin("0") @Digits(integer = 8, fraction = 3) BigDecimal perHour,
      @NotNull @Size(max = 9)
          Map<Course, @NotNull @DecimalMin("0") @Digits(integer = 8, fraction = 3) BigDecimal>
              perHourOf,
      @NotNull @DecimalMin("0") @Digits(integer = 8, fraction = 3) BigDecimal minimum,
      @NotNull @DecimalMin("0") @DecimalMax("100") @Digits(integer = 3, fraction = 2)
          BigDecimal taxPercent,
      boolean taxShown) {}

  /**
   * @param tariff null until the lead has said what the shop charges
   * @param sorts of parts that remedies need
   */
  @Schema(name = "Prices")
  record PricesView(
      @Schema(nullable = true) TariffView tariff,
      List<PriceLine> prices,
      List<SortOfPart> sorts,
      List<CourseRate> courses) {}

  /**
   * @param part as remedies name it
   */
  @Schema(name = "PriceOfPart")
  record PriceLine(String part, String partWords, String words, BigDecimal amount) {}

  record SortOfPart(String part, String words) {}

  /** A course that can have a rate of its own. */
  record CourseRate(Course course, String words) {}

  /**
   * @param amount null takes it off the list
   */
  record PriceSet(
      @NotBlank @Size(max = 40) String part,
      @NotBlank @Size(max = 200) String words,
      @Schema(nullable = true) @DecimalMin("0") @Digits(integer = 8, fraction = 3)
          BigDecimal amount) {}

  /**
   * @param csv lines of part,words,price with the names of the columns first
   */
  record PricesTaken(@NotBlank @Size(max = 400_000) String csv) {}

  record PricesTakenIn(int lines) {}

  PriceController(Tariffs tariffs, PriceList list) {
    this.tariffs = tariffs;
    this.list = list;
  }

  @GetMapping
  PricesView prices() {
    return new PricesView(
        tariffs
            .now()
            .map(
                t ->
                    new TariffView(
                        t.currency().getCurrencyCode(),
                        t.perHour(),
                        t.perHourOf(),
                        t.minimum(),
                        t.taxPercent(),
                        t.taxShown()))
            .orElse(null),
        list.all().stream()
            .map(p -> new PriceLine(p.part(), Remedy.partWords(p.part()), p.words(), p.amount()))
            .toList(),
        list.sorts().stream().map(s -> new SortOfPart(s, Remedy.partWords(s))).toList(),
        List.of(Course.values()).stream().map(c -> new CourseRate(c, c.words())).toList());
  }

  @PutMapping("/tariff")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void set(@Valid @RequestBody TariffView tariff, @AuthenticationPrincipal Person by) {
    tariffs.set(
        new Tariff(
            currency(tariff.currency()),
            tariff.perHour(),
            tariff.perHourOf(),
            tariff.minimum(),
            tariff.taxPercent(),
            tariff.taxShown()),
        by);
  }

  private static Currency currency(String code) {
    try {
      return Currency.getInstance(code);
    } catch (IllegalArgumentException e) {
      throw Refusal.badRequest(
          say("price.is-no-currency", "code", code), say("price.three-letters-by-iso-4217-such"));
    }
  }

  @PutMapping("/part")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void set(@Valid @RequestBody PriceSet set, @AuthenticationPrincipal Person by) {
    list.set(set.part(), set.words(), set.amount(), by);
  }

  @PostMapping("/list")
  PricesTakenIn takeIn(@Valid @RequestBody PricesTaken taken, @AuthenticationPrincipal Person by) {
    return new PricesTakenIn(list.takeIn(taken.csv(), by));
  }
}
