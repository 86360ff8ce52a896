package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.time.Clock;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import tekmerion.core.page.RawPage;
import tekmerion.server.problem.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.json.JsonMapper;

/** Reads an archive's tables and checks every value before the first is stored. */
@Component
class ArchiveChecks {
  private static final int MAX_ROWS = 20_000;
  private static final int MAX_NAME = 120;

  private final Columns columns;
  private final ArchiveRules rules;
  private final Clock clock;
  private final JsonMapper json =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(8)
                          .maxStringLength(ArchiveFiles.MAX_TABLES_BYTES)
                          .maxDocumentLength(ArchiveFiles.MAX_TABLES_BYTES)
                          .build())
                  .build())
          .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
          .build();

  ArchiveChecks(Columns columns, ArchiveRules rules, Clock clock) {
    this.columns = columns;
    this.rules = rules;
    this.clock = clock;
  }

  /**
   * @param files as {@link ArchiveFiles#unpack} gives them
   * @throws Refusal 400 if anything in it is not as this server could have written it
   */
  JobArchive checked(Map<String, byte[]> files) {
    JobArchive archive = parsed(files.get(JobArchive.JOB_FILE));
    check(archive);
    check(files);
    return archive;
  }

  private JobArchive parsed(byte[] bytes) {
    JobArchive archive;
    try {
      archive = json.readValue(bytes, JobArchive.class);
    } catch (JacksonException e) {
      throw ArchiveFiles.unfit(say("exchange.its-cannot-be-read", "jobFile", JobArchive.JOB_FILE));
    }
    if (archive == null
        || !JobArchive.FORMAT.equals(archive.format())
        || archive.version() != JobArchive.VERSION
        || archive.tables() == null) {
      throw ArchiveFiles.unfit(say("exchange.it-is-of-another-format-or"));
    }
    return archive;
  }

  /** Every table, row and value, before the first is stored. */
  private void check(JobArchive archive) {
    long rows = 0;
    for (Map.Entry<String, List<Map<String, Object>>> entry : archive.tables().entrySet()) {
      ArchiveTable table =
          ArchiveTable.ALL.stream()
              .filter(t -> t.name().equals(entry.getKey()))
              .findFirst()
              .orElseThrow(() -> ArchiveFiles.unfit(say("exchange.it-has-a-table-that-is")));
      if (entry.getValue() == null) {
        throw ArchiveFiles.unfit(say("exchange.the-table-is-missing", "table", table.name()));
      }
      rows += entry.getValue().size();
      if (table.name().equals(OwnMovesInArchive.DEFINED)
          && entry.getValue().size() > OwnMovesInArchive.MAX) {
        throw ArchiveFiles.unfit(say("exchange.it-holds-more-moves-of-a"));
      }
      if (rows > MAX_ROWS) {
        throw ArchiveFiles.unfit(say("exchange.it-holds-more-than-any-job"));
      }
      Map<String, Columns.Kind> kinds = columns.of(table.name());
      entry.getValue().forEach(row -> check(table, kinds, row, archive));
    }
    for (String one : List.of("job", "machine", "customer")) {
      if (archive.tables().getOrDefault(one, List.of()).size() != 1) {
        throw ArchiveFiles.unfit(say("exchange.there-is-not-just-one-in", "one", one));
      }
    }
  }

  private void check(
      ArchiveTable table,
      Map<String, Columns.Kind> kinds,
      Map<String, Object> row,
      JobArchive archive) {
    if (row == null) {
      throw ArchiveFiles.unfit(say("exchange.a-row-of-is-missing", "table", table.name()));
    }
    Instant now = clock.instant();
    row.forEach(
        (column, value) -> {
          Columns.Kind kind = kinds.get(column);
          String name = table.name() + "." + column;
          if (kind == null || kind == Columns.Kind.ID || table.left().contains(column)) {
            throw ArchiveFiles.unfit(say("exchange.it-has-a-column-that-is"));
          }
          String into = table.pointsInto(column);
          boolean fits =
              into != null
                  ? value instanceof Integer at
                      && at >= 0
                      && at < archive.tables().getOrDefault(into, List.of()).size()
                  : ArchiveTable.PEOPLE.contains(column)
                      ? value instanceof String person && person.length() <= MAX_NAME
                      : column.equals("id")
                          ? value instanceof String id && isUuid(id)
                          : rules.allows(name, kind, value, now);
          if (!fits) {
            throw ArchiveFiles.unfit(say("exchange.a-value-of-does-not-fit", "name", name));
          }
        });
    if (!rules.allows(table.name(), row)) {
      throw ArchiveFiles.unfit(say("exchange.a-row-of-does-not-fit", "table", table.name()));
    }
  }

  private static boolean isUuid(String text) {
    try {
      return UUID.fromString(text).toString().equals(text);
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private void check(Map<String, byte[]> files) {
    files.forEach(
        (name, bytes) -> {
          int slash = name.indexOf('/');
          if (slash > 0) {
            hashOf(name.substring(slash + 1), bytes);
          }
        });
  }

  /** Its hash, if it is the one that its name says. */
  static byte[] hashOf(String sha, byte[] bytes) {
    byte[] hash = new RawPage(bytes).sha256();
    if (!HexFormat.of().formatHex(hash).equals(sha)) {
      throw ArchiveFiles.unfit(say("exchange.a-file-of-it-is-not", "sha", sha));
    }
    return hash;
  }
}
