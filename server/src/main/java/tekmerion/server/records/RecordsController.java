package tekmerion.server.records;

import static tekmerion.words.Words.say;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.problem.Refusal;

/** What jobs came to. */
@RestController
@RequestMapping("/api/records")
class RecordsController {
  private static final int MAX_YEARS = 10;
  private final Records records;

  RecordsController(Records records) {
    this.records = records;
  }

  /**
   * @param from first day on which jobs ended, in the shop's zone
   * @param to last day
   */
  @GetMapping
  RecordsView between(@RequestParam LocalDate from, @RequestParam LocalDate to) {
    if (to.isBefore(from) || ChronoUnit.YEARS.between(from, to) > MAX_YEARS) {
      throw Refusal.badRequest(
          say("records.these-days-are-no-stretch-of"),
          say("records.name-a-first-day-and-a", "maxYears", MAX_YEARS));
    }
    return records.between(from, to);
  }
}
