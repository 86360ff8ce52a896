package tekmerion.server.floor;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import tekmerion.link.files.LastBackup;
import tekmerion.server.TekmerionProperties;
import tekmerion.server.floor.FloorController.OldBackup;

/**
 * Whether the last good backup is too old. They are made by the launcher, which writes into a file
 * when the last one was that could be restored.
 */
@Service
class Backups {
  private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
  private static final Duration OLD = Duration.ofDays(2);
  private final Path files;
  private final boolean demo;
  private final JdbcClient jdbc;
  private final Clock clock;

  Backups(TekmerionProperties properties, JdbcClient jdbc, Clock clock) {
    this.files = properties.files();
    this.demo = properties.demo();
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * What the floor says of it; nothing while all is well, in a shop's first two days, or a demo.
   */
  Optional<OldBackup> old() {
    Instant before = clock.instant().minus(OLD);
    if (demo) {
      return Optional.empty();
    }
    Optional<Instant> last = last();
    return last.or(this::opened)
        .filter(before::isAfter)
        .map(at -> new OldBackup(last.orElse(null)));
  }

  private Optional<Instant> last() {
    try {
      return LastBackup.read(files);
    } catch (IOException e) {
      LOG.warn("When the last backup was made cannot be read", e);
      return Optional.empty();
    }
  }

  /** When the shop began. */
  private Optional<Instant> opened() {
    return jdbc.sql("SELECT MIN(created_at) FROM account")
        .query(LocalDateTime.class)
        .optional()
        .map(at -> at.toInstant(ZoneOffset.UTC));
  }
}
