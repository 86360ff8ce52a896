package tekmerion.server.isolate;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.isolate.IsolationSession.Progress;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.Shown;

/** Puts what is known of a job's memory together for the screen. */
@Service
class MemoryViews implements Shown {
  private static final double MEANWHILE_SURE = 0.9;

  private final Jobs jobs;
  private final IsolationSession session;
  private final MemorySeen memory;

  MemoryViews(Jobs jobs, IsolationSession session, MemorySeen memory) {
    this.jobs = jobs;
    this.session = session;
    this.memory = memory;
  }

  @Override
  @Transactional(readOnly = true)
  public void mustShow(String jobNumber) {
    of(jobNumber);
  }

  @Transactional(readOnly = true)
  public MemoryView of(String number) {
    Job job = jobs.named(number);
    Optional<Progress> progress = session.progress(job, Sort.MEMORY);
    Optional<Modules> modules = progress.map(p -> (Modules) p.setup().layout());
    MemorySeen.Look look = memory.of(job);
    return new MemoryView(
        look.slots(),
        look.at(),
        modules.map(m -> look.placement(m.serials(), m.slotCount())).orElse(null),
        look.runs(),
        look.canTestMemory(),
        progress
            .flatMap(Progress::named)
            .flatMap(named -> modules.flatMap(m -> m.serialOf(named)))
            .map(look::replacement)
            .orElse(null),
        progress
            .flatMap(p -> modules.flatMap(m -> m.meanwhile(p.isolation(), MEANWHILE_SURE)))
            .orElse(null),
        session.view(job, Sort.MEMORY, progress));
  }
}
