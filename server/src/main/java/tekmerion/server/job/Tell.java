package tekmerion.server.job;

import java.time.Clock;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.live.LiveEvents;
import tekmerion.server.person.Person;
import tekmerion.words.Words;

/** Writes the history and tells the browsers. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Tell {
  private final Jobs jobs;
  private final Journal journal;
  private final LiveEvents live;
  private final Clock clock;

  Tell(Jobs jobs, Journal journal, LiveEvents live, Clock clock) {
    this.jobs = jobs;
    this.journal = journal;
    this.live = live;
    this.clock = clock;
  }

  /**
   * @param title and detail as messages, to be read in any language
   */
  public void journal(
      Job job, JournalEntry.Kind kind, Supplier<String> title, Supplier<String> detail, Person by) {
    journal(job, kind, title, detail, by.displayName());
  }

  /**
   * @param who in words, for what no person of the shop did: "probe"
   */
  public void journal(
      Job job,
      JournalEntry.Kind kind,
      Supplier<String> title,
      Supplier<String> detail,
      String who) {
    journal.save(
        new JournalEntry(
            job.id(), clock.instant(), kind, Words.kept(title), Words.kept(detail), who));
    changed(job, kind.aspects());
  }

  /** What is found or said of a drive counts in every open job whose machine has or had it. */
  public void changed(Job job, Set<JobAspect> aspects) {
    live.tell("job:" + job.number(), JobAspect.words(aspects));
    if (aspects.contains(JobAspect.EVIDENCE)) {
      jobs.withPartsOf(job.id(), job.machine().id())
          .forEach(other -> live.tell("job:" + other, JobAspect.words(JobAspect.ALL)));
    }
    floor();
  }

  /**
   * @param body how far the run has come, as JSON
   */
  public void progress(String number, String body) {
    live.tell("progress:" + number, body);
  }

  public void knowHow() {
    live.changed("know-how");
  }

  public void floor() {
    live.changed("floor");
  }

  public void run(UUID id) {
    live.changed("run:" + id);
  }
}
