package tekmerion.server.job;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;

/** Writes the history and tells the browsers. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Tell {
  private final Journal journal;
  private final LiveEvents live;
  private final Clock clock;

  Tell(Journal journal, LiveEvents live, Clock clock) {
    this.journal = journal;
    this.live = live;
    this.clock = clock;
  }

  public void journal(Job job, JournalEntry.Kind kind, String title, String detail, Person by) {
    journal.save(
        new JournalEntry(job.id(), clock.instant(), kind, title, detail, by.displayName()));
    changed(job);
  }

  public void changed(Job job) {
    live.changed("job:" + job.number());
    live.changed("floor");
  }
}
