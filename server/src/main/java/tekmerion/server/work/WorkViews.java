package tekmerion.server.work;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.load.Shift;
import tekmerion.link.LinkEvent;
import tekmerion.link.LoadResult;
import tekmerion.link.RunKind;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Shown;
import tekmerion.server.probe.ProbeOfJob;
import tekmerion.server.problem.Refusal;
import tekmerion.server.run.Run;
import tekmerion.server.run.RunView;
import tekmerion.server.run.Runs;

/** Samples of a machine's work, and what a change did to it. */
@Service
class WorkViews implements Shown {
  /** A sample that was ended early may be too short to compare. */
  private static final int MIN_MOMENTS = 5;

  private final Jobs jobs;
  private final Runs runs;
  private final Journal journal;
  private final ProbeOfJob probeOf;

  WorkViews(Jobs jobs, Runs runs, Journal journal, ProbeOfJob probeOf) {
    this.jobs = jobs;
    this.runs = runs;
    this.journal = journal;
    this.probeOf = probeOf;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    of(jobNumber);
  }

  @Transactional(readOnly = true)
  public WorkView of(String number) {
    Job job = jobs.named(number);
    List<Run> all = runs.ofJob(job.id(), Set.of(RunKind.LOAD_SAMPLE));
    List<Run> ended =
        all.stream()
            .filter(r -> r.ending() != null && r.ending().end() != LinkEvent.End.COULD_NOT_RUN)
            .filter(r -> r.result() instanceof LoadResult)
            .toList();
    boolean two = ended.size() >= 2;
    return new WorkView(
        number,
        job.version(),
        job.machine().name(),
        all.stream().map(RunView::of).toList(),
        two ? shifts(found(ended.get(1)), found(ended.get(0))) : List.of(),
        two
            ? between(job, ended.get(1).ending().endedAt(), ended.get(0).ending().startedAt())
            : List.of(),
        canSample(job));
  }

  private static LoadResult found(Run run) {
    return (LoadResult) run.result();
  }

  private static List<WorkView.ShiftShown> shifts(LoadResult before, LoadResult after) {
    List<WorkView.ShiftShown> shifts = new ArrayList<>();
    after.series().keySet().stream()
        .sorted()
        .forEach(
            what -> {
              double[] then = values(before.series().get(what));
              double[] now = values(after.series().get(what));
              if (then.length >= MIN_MOMENTS && now.length >= MIN_MOMENTS) {
                Shift shift = Shift.of(then, now);
                shifts.add(
                    new WorkView.ShiftShown(
                        what,
                        shift.words(what),
                        shift.before(),
                        shift.after(),
                        shift.change().low(),
                        shift.change().high(),
                        shift.isCertain()));
              }
            });
    return shifts;
  }

  private static double[] values(List<Double> of) {
    return of == null ? new double[0] : of.stream().mapToDouble(Double::doubleValue).toArray();
  }

  /** Changes of the job that lie between two samples. */
  private List<WorkView.Between> between(Job job, Instant from, Instant to) {
    return journal.findByJobIdOrderByAtAscIdAsc(job.id()).stream()
        .filter(t -> t.kind() == JournalEntry.Kind.CHANGE || t.kind() == JournalEntry.Kind.MOVE)
        .filter(t -> t.at().isAfter(from) && t.at().isBefore(to))
        .map(t -> new WorkView.Between(t.title(), t.at()))
        .toList();
  }

  private String canSample(Job job) {
    try {
      probeOf.of(job, RunKind.LOAD_SAMPLE, RunKind.BOARD);
      return null;
    } catch (Refusal refused) {
      return refused.getMessage();
    }
  }
}
