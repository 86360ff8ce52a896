package tekmerion.probe.instrument;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** CSV as the instruments read it: UTF-8, the first line names the columns. */
final class CsvFile {
  /** A sample a second for a month is under 100 MB. */
  private static final long MAX_BYTES = 100_000_000;

  private CsvFile() {}

  /** Takes a row. */
  interface Row {
    void take(CSVRecord row, long line);
  }

  /**
   * Gives every row in order.
   *
   * @param wanted columns that must be there
   * @throws BadInputException if it cannot be read so, or has no row
   */
  static void read(Path file, List<String> wanted, Row each) {
    Input.check(file, MAX_BYTES);
    long rows = 0;
    try (BufferedReader in = Files.newBufferedReader(file, StandardCharsets.UTF_8);
        CSVParser parser =
            CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get()
                .parse(in)) {
      for (String column : wanted) {
        if (!parser.getHeaderMap().containsKey(column)) {
          throw BadInputException.atLine(
              "a column is missing", 1, column, String.join(",", parser.getHeaderNames()), file);
        }
      }
      for (CSVRecord row : parser) {
        long line = parser.getCurrentLineNumber();
        if (!row.isConsistent()) {
          throw BadInputException.atLine(
              "a row has not as many fields as the first line",
              line,
              "%d fields".formatted(parser.getHeaderNames().size()),
              "%d fields".formatted(row.size()),
              file);
        }
        each.take(row, line);
        rows++;
      }
    } catch (CharacterCodingException e) {
      throw BadInputException.of("the file is no text", "text in UTF-8", "other bytes", file);
    } catch (CSVException e) {
      throw notCsv(file, e);
    } catch (java.io.UncheckedIOException e) {
      throw e.getCause() instanceof CharacterCodingException
          ? BadInputException.of("the file is no text", "text in UTF-8", "other bytes", file)
          : notCsv(file, e.getCause());
    } catch (IOException | IllegalArgumentException e) {
      throw notCsv(file, e);
    }
    if (rows == 0) {
      throw BadInputException.atLine("the file has no rows", 2, "at least one row", "none", file);
    }
  }

  private static BadInputException notCsv(Path file, Exception e) {
    return BadInputException.of(
        "the file is no CSV",
        "a CSV file with the columns in its first line",
        e.getMessage(),
        file);
  }
}
