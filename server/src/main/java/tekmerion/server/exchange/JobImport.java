package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.Map;
import java.util.concurrent.Semaphore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.photo.Photos;
import tekmerion.server.problem.Refusal;
import tekmerion.server.search.SearchIndex;
import tekmerion.server.transaction.Transactions;

/**
 * Takes a job in from its archive. All of it or nothing, and every value is checked before the
 * first is stored. What comes in is told and proves nothing here: its runs are ended and on no
 * probe of the shop's, its copies count for none, its signatures bind nobody, its people cannot
 * sign in.
 */
@Service
class JobImport {

  /** One at a time: what an archive takes of memory is bounded, and so is what all take. */
  private final Semaphore turn = new Semaphore(1);

  private final ArchiveChecks checks;
  private final ArchiveRows rows;
  private final OwnMovesInArchive ownMoves;
  private final JdbcClient jdbc;
  private final Jobs jobs;
  private final SearchIndex search;
  private final Photos photos;
  private final Audit audit;
  private final Tell tell;
  private final Transactions transaction;
  private final EveryView views;
  private final Clock clock;

  JobImport(
      ArchiveChecks checks,
      ArchiveRows rows,
      OwnMovesInArchive ownMoves,
      JdbcClient jdbc,
      Jobs jobs,
      SearchIndex search,
      Photos photos,
      Audit audit,
      Tell tell,
      Transactions transaction,
      EveryView views,
      Clock clock) {
    this.checks = checks;
    this.rows = rows;
    this.ownMoves = ownMoves;
    this.jdbc = jdbc;
    this.jobs = jobs;
    this.search = search;
    this.photos = photos;
    this.audit = audit;
    this.tell = tell;
    this.transaction = transaction;
    this.views = views;
    this.clock = clock;
  }

  /**
   * @param by who brings it
   * @return the job's number here: the one it had, unless another job has it
   * @throws Refusal 400 if it is no archive of ours, 409 if the job is here already, or another one
   *     is being read
   */
  public String read(byte[] zip, Person by) {
    if (!turn.tryAcquire()) {
      throw Refusal.notPossibleNow(
          say("exchange.another-archive-is-being-read"), say("exchange.try-again-in-a-moment"));
    }
    try {
      Map<String, byte[]> files = ArchiveFiles.unpack(zip);
      JobArchive archive = checks.checked(files);
      return transaction.execute(status -> keep(files, archive, by));
    } finally {
      turn.release();
    }
  }

  private String keep(Map<String, byte[]> files, JobArchive archive, Person by) {
    keepPages(files);
    keepPhotos(files);
    String number = rows.keep(ownMoves.here(archive.tables()));
    Job job = jobs.findByNumber(number).orElseThrow();
    jdbc.sql("UPDATE job SET imported_at = ? WHERE id = ?")
        .params(Timestamp.from(clock.instant()), job.id())
        .update();
    search.note(job);
    tell.journal(
        job,
        JournalEntry.Kind.INTAKE,
        () -> say("exchange.brought-in-from-an-archive"),
        () -> say("exchange.what-was-signed-copied-and-tested"),
        by);
    audit.of(Audit.Kind.JOB_IMPORTED, by, number, "");
    views.mustShow(number);
    return number;
  }

  private void keepPages(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          if (name.startsWith(JobArchive.PAGES)) {
            byte[] hash = ArchiveChecks.hashOf(name.substring(JobArchive.PAGES.length()), bytes);
            jdbc.sql("INSERT IGNORE INTO raw_page (sha256, bytes) VALUES (?, ?)")
                .params(hash, bytes)
                .update();
          }
        });
  }

  private void keepPhotos(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          if (name.startsWith(JobArchive.PHOTOS)) {
            photos.keep(
                ArchiveChecks.hashOf(name.substring(JobArchive.PHOTOS.length()), bytes), bytes);
          }
        });
  }
}
