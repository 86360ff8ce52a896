package tekmerion.server.job;

import java.time.Clock;
import java.util.UUID;
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
    journal(job, kind, title, detail, by.displayName());
  }

  /**
   * @param who in words, for what no person of the shop did: "probe"
   */
  public void journal(Job job, JournalEntry.Kind kind, String title, String detail, String who) {
    journal.save(new JournalEntry(job.id(), clock.instant(), kind, title, detail, who));
    changed(job);
  }

  public void changed(Job job) {
    live.changed("job:" + job.number());
    floor();
  }

  public void floor() {
    live.changed("floor");
  }

  public void run(UUID id) {
    live.changed("run:" + id);
  }
}
