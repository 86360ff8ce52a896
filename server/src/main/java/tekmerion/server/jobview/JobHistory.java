package tekmerion.server.jobview;

import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import tekmerion.server.job.Job;
import tekmerion.server.job.Journal;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.move.MoveLog;

/** What was done to it, and all that happened, in its order. */
record JobHistory(List<MoveLog.Made> made, List<JournalLine> journal) {

  record JournalLine(Instant at, JournalEntry.Kind kind, String title, String detail, String who) {
    static JournalLine of(JournalEntry entry) {
      return new JournalLine(entry.at(), entry.kind(), entry.title(), entry.detail(), entry.who());
    }
  }

  /** Puts it together. */
  @Service
  static class Views {
    private final MoveLog made;
    private final Journal journal;

    Views(MoveLog made, Journal journal) {
      this.made = made;
      this.journal = journal;
    }

    JobHistory of(Job job) {
      return new JobHistory(
          made.of(job.id()),
          journal.findByJobIdOrderByAtAscIdAsc(job.id()).stream().map(JournalLine::of).toList());
    }
  }
}
