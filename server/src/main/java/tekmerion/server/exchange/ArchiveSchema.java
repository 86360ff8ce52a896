package tekmerion.server.exchange;

import static tekmerion.words.Words.say;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The JSON Schema of a job's archive, as this release writes it; it travels with each archive. */
@Component
class ArchiveSchema {
  private final Columns columns;

  ArchiveSchema(Columns columns) {
    this.columns = columns;
  }

  Map<String, Object> schema() {
    Map<String, Object> tables = new LinkedHashMap<>();
    for (ArchiveTable table : ArchiveTable.ALL) {
      Map<String, Object> row = new LinkedHashMap<>();
      columns
          .of(table.name())
          .forEach(
              (column, kind) -> {
                if (kind != Columns.Kind.ID && !table.left().contains(column)) {
                  row.put(column, type(table, column, kind));
                }
              });
      tables.put(
          table.name(),
          Map.of(
              "type",
              "array",
              "items",
              Map.of("type", "object", "properties", row, "additionalProperties", false)));
    }
    Map<String, Object> schema = new LinkedHashMap<>();
    schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
    schema.put("title", say("exchange.a-job-of-a-repair-shop", "version", JobArchive.VERSION));
    schema.put("type", "object");
    schema.put("required", List.of("format", "version", "tables"));
    schema.put(
        "properties",
        Map.of(
            "format",
            Map.of("const", JobArchive.FORMAT),
            "version",
            Map.of("const", JobArchive.VERSION),
            "tables",
            Map.of("type", "object", "properties", tables, "additionalProperties", false)));
    return schema;
  }

  private static Map<String, Object> type(ArchiveTable table, String column, Columns.Kind kind) {
    String into = table.pointsInto(column);
    if (into != null) {
      return Map.of(
          "type",
          "integer",
          "minimum",
          0,
          "description",
          say("exchange.place-in-the-list-of", "into", into));
    }
    if (ArchiveTable.PEOPLE.contains(column)) {
      return Map.of("type", "string", "description", "a person's name");
    }
    return switch (kind) {
      case TIME -> Map.of("type", "string", "format", "date-time");
      case BYTES -> Map.of("type", "string", "pattern", "^([0-9a-f]{2})*$");
      case BOOLEAN -> Map.of("type", "boolean");
      case WHOLE -> Map.of("type", "integer");
      case DECIMAL -> Map.of("type", "number");
      default -> Map.of("type", "string");
    };
  }
}
