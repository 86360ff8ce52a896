package tekmerion.server.floor;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tekmerion.core.forecast.LikelyEnd;
import tekmerion.core.forecast.OpenHours;
import tekmerion.core.forecast.Stage;
import tekmerion.core.forecast.Typical;
import tekmerion.server.job.Job;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunWords;

/**
 * What likely ends are told from.
 *
 * @param partOn day on which the last ordered part is expected, by job
 * @param atWork what the work on jobs is at, by job; a job of which nothing is begun is not in it
 */
record Outlook(
    Typical typical,
    Map<Long, LocalDate> partOn,
    Map<Long, String> atWork,
    OpenHours hours,
    Instant now) {

  /**
   * @param run of the job that goes on; null for none
   */
  LikelyEnd end(Job job, Run run) {
    Instant notBefore =
        outsideUntil(job)
            .filter(until -> until.isAfter(now))
            .orElseGet(() -> RunWords.likelyEnd(run, now));
    return LikelyEnd.of(
        now, hours.between(job.stageSince(), now), notBefore, job.stage(), typical, hours);
  }

  /** Of a job of which nothing can be told. */
  LikelyEnd unknown() {
    return LikelyEnd.of(now, 0, null, Stage.HAND_BACK, typical, hours);
  }

  /** When what it waits for outside is expected: an answer, or the last part that was ordered. */
  private Optional<Instant> outsideUntil(Job job) {
    Optional<Instant> said =
        job.waitsFor() == null ? Optional.empty() : Optional.ofNullable(job.waitsUntil());
    Optional<Instant> part =
        Optional.ofNullable(partOn.get(job.id()))
            .map(day -> hours.whenOpen(day.atStartOfDay(hours.zone()).toInstant()));
    return Stream.concat(said.stream(), part.stream()).max(Comparator.naturalOrder());
  }
}
