package tekmerion.server.move;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.core.permit.NamedDrive;
import tekmerion.server.person.Person;

/** Making a move by hand. */
@RestController
@RequestMapping("/api/jobs/{number}/moves/{move}")
@ResponseStatus(HttpStatus.NO_CONTENT)
class MoveController {
  private final MadeMoves moves;

  /**
   * @param drive wanted of what erases, null otherwise
   */
  record MoveBegun(
      long version,
      @NotBlank @Size(max = 60) String part,
      @Schema(nullable = true) @Valid NameOfDrive drive) {}

  /** As it was typed by whoever has it in hand. */
  record NameOfDrive(
      @NotNull @Size(max = 40) String size,
      @NotNull @Size(max = 100) String model,
      @NotNull @Size(max = 10) String lastFour) {}

  /**
   * @param levels level seen, by finding
   */
  record MoveMade(
      long version,
      @NotBlank @Size(max = 60) String part,
      @NotNull @Size(max = 12) Map<String, String> levels,
      @NotNull @Size(max = 400) String note) {}

  /**
   * @param silent whether it was because the drive did not answer; null for no
   */
  record MoveNotPossible(
      long version,
      @NotBlank @Size(max = 60) String part,
      @NotBlank @Size(max = 400) String why,
      @Schema(nullable = true) Boolean silent) {}

  MoveController(MadeMoves moves) {
    this.moves = moves;
  }

  @PostMapping("/begin")
  void begin(
      @PathVariable String number,
      @PathVariable String move,
      @Valid @RequestBody MoveBegun begun,
      @AuthenticationPrincipal Person person) {
    NameOfDrive drive = begun.drive();
    NamedDrive named =
        drive == null ? null : new NamedDrive(drive.size(), drive.model(), drive.lastFour());
    moves.begin(number, begun.version(), move, begun.part(), named, person);
  }

  @PostMapping("/outcome")
  void outcome(
      @PathVariable String number,
      @PathVariable String move,
      @Valid @RequestBody MoveMade made,
      @AuthenticationPrincipal Person person) {
    moves.made(number, made.version(), move, made.part(), made.levels(), made.note(), person);
  }

  @PostMapping("/could-not")
  void couldNot(
      @PathVariable String number,
      @PathVariable String move,
      @Valid @RequestBody MoveNotPossible not,
      @AuthenticationPrincipal Person person) {
    boolean silent = Boolean.TRUE.equals(not.silent());
    moves.couldNot(number, not.version(), move, not.part(), not.why(), silent, person);
  }

  @PostMapping("/take-back")
  void takeBack(
      @PathVariable String number,
      @PathVariable String move,
      @Valid @RequestBody MoveBegun what,
      @AuthenticationPrincipal Person person) {
    moves.takeBack(number, what.version(), move, what.part(), person);
  }
}
