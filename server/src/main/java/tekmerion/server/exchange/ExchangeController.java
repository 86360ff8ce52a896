package tekmerion.server.exchange;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.audit.Audit;
import tekmerion.server.job.Hands;
import tekmerion.server.job.Jobs;
import tekmerion.server.person.Person;
import tekmerion.server.person.Role;

/** Jobs out of this installation, and into it. */
@RestController
@RequestMapping("/api/jobs")
class ExchangeController {
  private static final String ZIP = "application/zip";
  private final JobExport export;
  private final JobImport imports;
  private final SeriesCsv series;
  private final Captures captures;
  private final Hands hands;
  private final Jobs jobs;
  private final Audit audit;

  /**
   * @param partKey what loose pages are of
   */
  record FilesDropped(
      @NotNull @Size(max = 60) String partKey,
      @NotEmpty @Size(max = 64) List<Captures.@NotNull Dropped> files) {}

  /** The number under which the job is here. */
  record JobImported(String number) {}

  ExchangeController(
      JobExport export,
      JobImport imports,
      SeriesCsv series,
      Captures captures,
      Hands hands,
      Jobs jobs,
      Audit audit) {
    this.hands = hands;
    this.jobs = jobs;
    this.audit = audit;
    this.export = export;
    this.imports = imports;
    this.series = series;
    this.captures = captures;
  }

  @GetMapping(path = "/{number}/archive.zip", produces = ZIP)
  ResponseEntity<byte[]> archive(
      @PathVariable String number, @AuthenticationPrincipal Person person) throws IOException {
    hands.mustBeOn(jobs.named(number), person);
    audit.of(Audit.Kind.JOB_EXPORTED, person, number, "");
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    export.write(number, out);
    return file(number + ".zip", out.toByteArray());
  }

  @GetMapping(path = "/{number}/series.csv", produces = "text/csv")
  ResponseEntity<byte[]> series(@PathVariable String number) {
    return file(number + ".csv", series.of(number));
  }

  /** Pages as files: of a drive, a board or a battery. */
  @PostMapping("/{number}/captures")
  List<Captures.Taken> take(
      @PathVariable String number,
      @Valid @RequestBody FilesDropped dropped,
      @AuthenticationPrincipal Person person) {
    person.must(Role.TECHNICIAN, Role.LEAD);
    return captures.take(number, dropped.partKey(), dropped.files(), person);
  }

  /** The body of the request is the archive itself. */
  @PostMapping(
      path = "/import",
      consumes = {ZIP, MediaType.APPLICATION_OCTET_STREAM_VALUE})
  @ResponseStatus(HttpStatus.CREATED)
  JobImported bring(@RequestBody byte[] archive, @AuthenticationPrincipal Person person) {
    person.must(Role.LEAD);
    return new JobImported(imports.read(archive, person));
  }

  private static ResponseEntity<byte[]> file(String name, byte[] bytes) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
        .body(bytes);
  }
}
