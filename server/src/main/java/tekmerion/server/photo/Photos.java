package tekmerion.server.photo;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.files.NoRoomException;
import tekmerion.link.files.WholeFile;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.job.JournalEntry;
import tekmerion.server.job.Tell;
import tekmerion.server.person.Person;
import tekmerion.server.problem.Refusal;

/** Photos of a job, each kept once by what it shows. */
@Service
public class Photos {
  /** Of one photo as it is kept. */
  public static final int MAX_BYTES = 12 << 20;

  private final JdbcClient jdbc;
  private final Jobs jobs;
  private final Tell tell;
  private final Clock clock;
  private final Path folder;

  /** One photo of a job. */
  public record PhotoNote(UUID id, String words, Instant addedAt) {}

  Photos(JdbcClient jdbc, Jobs jobs, Tell tell, Clock clock, TekmerionProperties properties) {
    this.jdbc = jdbc;
    this.jobs = jobs;
    this.tell = tell;
    this.clock = clock;
    this.folder = properties.files().toAbsolutePath().resolve("photos");
    WholeFile.deleteLeftParts(folder);
  }

  @Transactional(readOnly = true)
  public List<PhotoNote> of(long jobId) {
    return jdbc.sql(
            "SELECT id, words, added_at FROM photo WHERE job_id = ? AND gone_at IS NULL"
                + " ORDER BY added_at")
        .param(jobId)
        .query(
            (rs, n) ->
                new PhotoNote(
                    UUID.fromString(rs.getString(1)),
                    rs.getString(2),
                    rs.getTimestamp(3).toInstant()))
        .list();
  }

  @Transactional
  UUID add(String number, byte[] jpeg, String words, Person by) {
    Job job = jobs.named(number);
    if (job.endedAt() != null) {
      throw Refusal.notPossibleNow(
          say("photo.the-job-is-ended"), say("photo.take-the-machine-in-anew"));
    }
    byte[] hash = sha256(jpeg);
    write(file(hash), jpeg);
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO photo (id, job_id, sha256, words, added_by, added_at)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            id.toString(), job.id(), hash, words.strip(), by.id(), Timestamp.from(clock.instant()))
        .update();
    tell.journal(
        job, JournalEntry.Kind.PHOTO, () -> say("photo.photo-added"), () -> words.strip(), by);
    return id;
  }

  @Transactional(readOnly = true)
  byte[] bytes(UUID id) {
    byte[] hash =
        jdbc.sql("SELECT sha256 FROM photo WHERE id = ? AND gone_at IS NULL")
            .param(id.toString())
            .query(byte[].class)
            .optional()
            .orElseThrow(() -> Refusal.notFound(say("photo.there-is-no-such-photo")));
    try {
      return Files.readAllBytes(file(hash));
    } catch (IOException e) {
      throw Refusal.notFound(say("photo.the-photos-file-is-missing-in"));
    }
  }

  /** By its hash; for whoever sends a job elsewhere. */
  public byte[] kept(byte[] hash) {
    try {
      return Files.readAllBytes(file(hash));
    } catch (IOException e) {
      throw Refusal.notFound(say("photo.a-photos-file-is-missing-in"));
    }
  }

  /**
   * Keeps a picture that came with a job from elsewhere.
   *
   * @throws Refusal 400 if it is no picture
   */
  public void keep(byte[] hash, byte[] jpeg) {
    Redrawn.jpeg(jpeg); // only whether it is one: its hash is its name, so it stays as it is
    write(file(hash), jpeg);
  }

  /** Deletes files that no photo shows any more; after a customer was erased. */
  @Transactional
  public void deleteUnshown() {
    List<byte[]> gone =
        jdbc.sql(
                "SELECT DISTINCT p.sha256 FROM photo p WHERE p.gone_at IS NOT NULL AND NOT EXISTS"
                    + " (SELECT 1 FROM photo q WHERE q.sha256 = p.sha256 AND q.gone_at IS NULL)")
            .query(byte[].class)
            .list();
    for (byte[] hash : gone) {
      try {
        Files.deleteIfExists(file(hash));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private Path file(byte[] hash) {
    return folder.resolve(HexFormat.of().formatHex(hash) + ".jpg");
  }

  private void write(Path file, byte[] bytes) {
    try {
      Files.createDirectories(folder);
      WholeFile.write(file, bytes);
    } catch (NoRoomException e) {
      throw Refusal.noRoom();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static byte[] sha256(byte[] bytes) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}
