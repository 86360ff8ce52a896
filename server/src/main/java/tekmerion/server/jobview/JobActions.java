package tekmerion.server.jobview;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.handback.HandBacks;
import tekmerion.server.intake.Secret;
import tekmerion.server.job.Changes;
import tekmerion.server.job.Hands;
import tekmerion.server.job.Job;
import tekmerion.server.job.Notices;
import tekmerion.server.person.Person;

/** What people do with a job beside reading and decision; and the bell. */
@RestController
@RequestMapping("/api")
class JobActions {
  private final Hands hands;
  private final Changes changes;
  private final Ending ending;
  private final Secret secret;
  private final Notices notices;

  record Seen(long version) {}

  /**
   * @param to account, null leaves it for whoever is free
   */
  record HandOver(
      long version, @Schema(nullable = true) Long to, @NotNull @Size(max = 500) String note) {}

  record AllHandedOver(@Schema(nullable = true) Long to, @NotNull @Size(max = 500) String note) {}

  record HandedOver(int jobs) {}

  record Share(long version, long with, boolean on) {}

  /**
   * @param what null: it waits no longer
   */
  record Wait(
      long version,
      @Schema(nullable = true) Job.WaitsFor what,
      @NotNull @Size(max = 200) String note,
      @Schema(nullable = true) Instant until) {}

  record Change(long version, @NotBlank @Size(max = 200) String what) {}

  record Check(
      long version, @NotNull Changes.ComplaintNow result, @NotNull @Size(max = 1000) String note) {}

  record IntoBay(long version, @Schema(nullable = true) Integer bay) {}

  record End(long version, @NotNull Job.EndedHow how, @NotNull @Size(max = 500) String note) {}

  /**
   * @param strokes drawn signature; null if it was not drawn
   * @param paid what was paid; null for nothing
   */
  record HandedBack(
      long version,
      @NotBlank @Size(max = 200) String takenBy,
      @Schema(nullable = true) @Size(max = 40_000) String strokes,
      @NotNull HandBacks.PaidHow paidHow,
      @Schema(nullable = true) @DecimalMin("0") @Digits(integer = 8, fraction = 3) BigDecimal paid,
      @NotNull @Size(max = 500) String note) {}

  record SecretOpened(String secret) {}

  record BellSeen(long through) {}

  JobActions(Hands hands, Changes changes, Ending ending, Secret secret, Notices notices) {
    this.hands = hands;
    this.changes = changes;
    this.ending = ending;
    this.secret = secret;
    this.notices = notices;
  }

  @PostMapping("/jobs/{number}/take")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void take(
      @PathVariable String number,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person by) {
    hands.take(number, seen.version(), by);
  }

  @PostMapping("/jobs/{number}/hand-over")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void handOver(
      @PathVariable String number,
      @Valid @RequestBody HandOver over,
      @AuthenticationPrincipal Person by) {
    hands.handOver(number, over.version(), over.to(), over.note(), by);
  }

  @PostMapping("/me/hand-over-all")
  HandedOver handOverAll(
      @Valid @RequestBody AllHandedOver over, @AuthenticationPrincipal Person by) {
    return new HandedOver(hands.handOverAll(over.to(), over.note(), by));
  }

  @PostMapping("/jobs/{number}/share")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void share(
      @PathVariable String number,
      @Valid @RequestBody Share share,
      @AuthenticationPrincipal Person by) {
    hands.share(number, share.version(), share.with(), share.on(), by);
  }

  @PostMapping("/jobs/{number}/wait")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void waits(
      @PathVariable String number,
      @Valid @RequestBody Wait wait,
      @AuthenticationPrincipal Person by) {
    hands.wait(number, wait.version(), wait.what(), wait.note(), wait.until(), by);
  }

  @PostMapping("/jobs/{number}/changes")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void begin(
      @PathVariable String number,
      @Valid @RequestBody Change change,
      @AuthenticationPrincipal Person by) {
    changes.begin(number, change.version(), change.what(), null, by);
  }

  @PostMapping("/jobs/{number}/check")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void check(
      @PathVariable String number,
      @Valid @RequestBody Check check,
      @AuthenticationPrincipal Person by) {
    changes.check(number, check.version(), check.result(), check.note(), by);
  }

  @PostMapping("/jobs/{number}/bay")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void toBay(
      @PathVariable String number,
      @Valid @RequestBody IntoBay into,
      @AuthenticationPrincipal Person by) {
    ending.toBay(number, into.version(), into.bay(), by);
  }

  @PostMapping("/jobs/{number}/ready")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void ready(
      @PathVariable String number,
      @Valid @RequestBody Seen seen,
      @AuthenticationPrincipal Person by) {
    ending.ready(number, seen.version(), by);
  }

  @PostMapping("/jobs/{number}/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(
      @PathVariable String number,
      @Valid @RequestBody End end,
      @AuthenticationPrincipal Person by) {
    ending.end(number, end.version(), end.how(), end.note(), by);
  }

  @PostMapping("/jobs/{number}/hand-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void handBack(
      @PathVariable String number,
      @Valid @RequestBody HandedBack back,
      @AuthenticationPrincipal Person by) {
    HandBacks.Said said =
        new HandBacks.Said(
            back.takenBy(), back.strokes(), back.paidHow(), back.paid(), back.note());
    ending.handBack(number, back.version(), said, by);
  }

  @PostMapping("/jobs/{number}/secret")
  SecretOpened secret(@PathVariable String number, @AuthenticationPrincipal Person by) {
    return new SecretOpened(secret.open(number, by));
  }

  @GetMapping("/me/notices")
  List<Notices.Notice> notices(@AuthenticationPrincipal Person by) {
    return notices.of(by.id());
  }

  @PostMapping("/me/notices/seen")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void seen(@RequestBody BellSeen seen, @AuthenticationPrincipal Person by) {
    notices.seen(by.id(), seen.through());
  }
}
