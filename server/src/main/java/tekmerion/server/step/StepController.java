package tekmerion.server.step;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.permit.NamedDrive;
import tekmerion.core.replace.OldPartFate;
import tekmerion.server.person.Person;

/** Steps of a signed plan. */
@RestController
@RequestMapping("/api/jobs/{number}/steps")
class StepController {
  private final PlanSteps steps;
  private final StepSupply supply;

  /**
   * @param drive that is erased, as somebody typed it; null for what erases nothing
   */
  record StepBegun(long version, @Schema(nullable = true) NamedDrive drive) {}

  record PartTaken(long version, long stock) {}

  /**
   * @param words which part
   * @param expectedOn null if nobody knows
   */
  record PartOrdered(
      long version,
      @NotBlank @Size(max = 200) String words,
      @NotBlank @Size(max = 120) String supplier,
      @Schema(nullable = true) LocalDate expectedOn) {}

  /**
   * @param came false if it was called off
   */
  record OrderEnded(long version, boolean came) {}

  record PartPutBack(long version) {}

  /**
   * @param note the certificate's number, or who took it
   */
  record OldPartSaid(
      long version, @NotNull OldPartFate fate, @NotNull @Size(max = 500) String note) {}

  record StepNotDone(long version, @NotBlank @Size(max = 1000) String why) {}

  StepController(PlanSteps steps, StepSupply supply) {
    this.steps = steps;
    this.supply = supply;
  }

  @PostMapping("/{remedy}/begin")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void begin(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody StepBegun begun,
      @AuthenticationPrincipal Person by) {
    steps.begin(number, begun.version(), remedy, begun.drive(), by);
  }

  @PostMapping("/{remedy}/not-done")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void notDone(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody StepNotDone said,
      @AuthenticationPrincipal Person by) {
    steps.notDone(number, said.version(), remedy, said.why(), by);
  }

  @PostMapping("/{remedy}/part/take")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void take(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody PartTaken taken,
      @AuthenticationPrincipal Person by) {
    supply.take(number, taken.version(), remedy, taken.stock(), by);
  }

  @PostMapping("/{remedy}/part/order")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void order(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody PartOrdered o,
      @AuthenticationPrincipal Person by) {
    supply.order(number, o.version(), remedy, o.words(), o.supplier(), o.expectedOn(), by);
  }

  @PostMapping("/{remedy}/part/order-end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void orderEnded(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody OrderEnded ended,
      @AuthenticationPrincipal Person by) {
    supply.ordered(number, ended.version(), remedy, ended.came(), by);
  }

  @PostMapping("/{remedy}/part/put-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putBack(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody PartPutBack back,
      @AuthenticationPrincipal Person by) {
    supply.putBack(number, back.version(), remedy, by);
  }

  @PostMapping("/{remedy}/part/old")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void oldPart(
      @PathVariable String number,
      @PathVariable String remedy,
      @Valid @RequestBody OldPartSaid said,
      @AuthenticationPrincipal Person by) {
    supply.sayOld(number, said.version(), remedy, said.fate(), said.note(), by);
  }
}
