package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import tekmerion.link.files.LastBackup;

/**
 * A backup every night, and at once if none was made for a day. It has its name only after it was
 * checked, so the newest is always a good one; the server is told of it in a file.
 */
final class NightlyBackups implements AutoCloseable {
  private static final Duration AT_MOST = Duration.ofHours(24);
  private static final Duration AFTER_A_FAILURE = Duration.ofHours(1);

  private final ShopFolder shop;
  private final Path files;
  private final BackupFiles backups;
  private final char[] passphrase;
  private final LocalTime time;
  private final Clock clock;
  private Instant notBefore = Instant.MIN;
  private final ScheduledExecutorService nights =
      Executors.newSingleThreadScheduledExecutor(
          work -> {
            Thread thread = new Thread(work, "nightly backup");
            thread.setDaemon(true);
            return thread;
          });

  /**
   * @param folder of the backups, best on another disk
   * @param time of the day, where this machine is
   */
  NightlyBackups(Path data, Path folder, char[] passphrase, LocalTime time, Clock clock) {
    this.shop = new ShopFolder(data);
    this.files = data.resolve("files");
    this.backups = new BackupFiles(folder);
    this.passphrase = passphrase.clone();
    this.time = time;
    this.clock = clock;
  }

  NightlyBackups start() {
    nights.scheduleWithFixedDelay(this::ifDue, 1, 1, TimeUnit.MINUTES);
    return this;
  }

  private void ifDue() {
    try {
      if (!clock.instant().isBefore(notBefore) && isDue()) {
        System.out.println("The backup " + once() + " was made and checked.");
      }
    } catch (IOException | RuntimeException e) {
      notBefore = clock.instant().plus(AFTER_A_FAILURE);
      System.err.printf(
          "The nightly backup could not be made: %s It is tried again in an hour.%n",
          e.getMessage());
    }
  }

  boolean isDue() throws IOException {
    Instant last = backups.all().keySet().stream().reduce((a, b) -> b).orElse(Instant.MIN);
    ZonedDateTime now = clock.instant().atZone(clock.getZone());
    ZonedDateTime today = now.with(time);
    Instant night = (now.isBefore(today) ? today.minusDays(1) : today).toInstant();
    return last.isBefore(night) || last.isBefore(now.toInstant().minus(AT_MOST));
  }

  /** Makes one now, checks it, and deletes older ones that need not be kept. */
  Path once() throws IOException {
    Instant at = clock.instant().truncatedTo(ChronoUnit.SECONDS);
    Path file = backups.of(at);
    Path unchecked = file.resolveSibling(file.getFileName() + ".unchecked");
    backups.clearUp();
    try {
      shop.backUp(unchecked, passphrase, System.getenv());
      ShopFolder.check(unchecked, passphrase);
      Files.move(unchecked, file, StandardCopyOption.ATOMIC_MOVE);
    } finally {
      Files.deleteIfExists(unchecked);
    }
    LastBackup.write(files, at);
    backups.thinOut(clock.getZone());
    return file;
  }

  @Override
  public void close() {
    nights.shutdownNow();
  }
}
