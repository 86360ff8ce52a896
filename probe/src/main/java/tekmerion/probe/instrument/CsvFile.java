package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;

/** CSV as the instruments read it: UTF-8, the first line names the columns. */
final class CsvFile {
  private CsvFile() {}

  /** To be closed by who opens it; that closes the file too. */
  static CSVParser open(Path file) throws IOException {
    return CSVFormat.DEFAULT
        .builder()
        .setHeader()
        .setSkipHeaderRecord(true)
        .setTrim(true)
        .setIgnoreEmptyLines(true)
        .get()
        .parse(Files.newBufferedReader(file, StandardCharsets.UTF_8));
  }
}
