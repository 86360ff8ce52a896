package tekmerion.server.job;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.account.Person;
import tekmerion.server.live.LiveEvents;

/** Writes the trace and tells the browsers. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Tell {
  private final Trace trace;
  private final LiveEvents live;
  private final Clock clock;

  Tell(Trace trace, LiveEvents live, Clock clock) {
    this.trace = trace;
    this.live = live;
    this.clock = clock;
  }

  public void trace(Job job, TraceEntry.Kind kind, String title, String detail, Person by) {
    trace.save(new TraceEntry(job.id(), clock.instant(), kind, title, detail, by.displayName()));
    changed(job);
  }

  public void changed(Job job) {
    live.changed("job:" + job.number());
    live.changed("floor");
  }
}
