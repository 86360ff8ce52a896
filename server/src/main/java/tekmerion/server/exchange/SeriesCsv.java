package tekmerion.server.exchange;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.server.evidence.Visit;
import tekmerion.server.evidence.Visits;
import tekmerion.server.job.Job;
import tekmerion.server.job.Jobs;
import tekmerion.server.part.PartPlace;
import tekmerion.server.part.PartService;

/** Every number that the drives of a job ever told, one a line. */
@Service
class SeriesCsv {
  private final Jobs jobs;
  private final PartService parts;
  private final Visits visits;

  SeriesCsv(Jobs jobs, PartService parts, Visits visits) {
    this.jobs = jobs;
    this.parts = parts;
    this.visits = visits;
  }

  @Transactional(readOnly = true)
  public byte[] of(String number) {
    Job job = jobs.named(number);
    StringWriter text = new StringWriter();
    try (CSVPrinter csv =
        new CSVPrinter(
            text,
            CSVFormat.RFC4180
                .builder()
                .setHeader(
                    "drive",
                    "model",
                    "serial",
                    "taken_at",
                    "power_on_hours",
                    "number",
                    "name",
                    "value",
                    "unit",
                    "page",
                    "byte_offset")
                .get())) {
      for (PartPlace place : parts.inMachine(job.machine().id())) {
        for (Visit visit : visits.of(place.part().id())) {
          print(csv, place, visit);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  /**
   * What a machine told, so that no spreadsheet takes it for a formula.
   *
   * @param told null if it was not reported: the cell is empty then
   * @see "OWASP, CSV injection: cells that begin with = + - @, a tab or a carriage return"
   */
  static String cell(String told) {
    if (told == null) {
      return "";
    }
    return !told.isEmpty() && "=+-@\t\r\n".indexOf(told.charAt(0)) >= 0 ? "'" + told : told;
  }

  private static void print(CSVPrinter csv, PartPlace place, Visit visit) throws IOException {
    List<Object> begin =
        List.of(
            cell(place.partKey()),
            cell(place.part().model()),
            cell(place.part().serial()),
            visit.said().takenAt());
    for (var number : visit.said().numbers().values()) {
      List<Object> line = new ArrayList<>(begin);
      line.add(visit.said().hours().isPresent() ? visit.said().hours().getAsDouble() : "");
      line.addAll(
          List.of(
              number.key(),
              number.name(),
              number.value(),
              number.unit(),
              number.page(),
              number.offset()));
      csv.printRecord(line);
    }
  }
}
