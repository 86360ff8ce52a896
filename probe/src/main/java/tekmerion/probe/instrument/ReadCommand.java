package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.drive.DriveFindings;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.drive.PageDecoder;
import tekmerion.core.drive.PartReading;
import tekmerion.core.drive.ata.AtaJson;
import tekmerion.core.drive.ata.SmartData;
import tekmerion.core.page.DecodedPage;
import tekmerion.core.page.Decoding;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.SysDrive;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Every page of a drive of this computer, as files and decoded; no server needed. */
@Command(
    name = "read",
    description = {
      "Read every page of a drive into a folder: raw bytes as KIND.bin, all decoded in reading.json.",
      "Needs root. Reads only. Exit 0; 2 if there is no such drive or it cannot be asked at all."
    },
    mixinStandardHelpOptions = true)
public final class ReadCommand implements Callable<Integer> {
  private static final int CANNOT = 2;

  @Parameters(paramLabel = "DEVICE", description = "As probe list names it, e.g. /dev/sda.")
  private String device;

  @Option(names = "--out", required = true, description = "Folder for the files; made if needed.")
  private Path out;

  @Override
  public Integer call() throws IOException {
    if (!LocalDrives.mayAsk()) {
      System.err.println("Asking a drive for its pages needs root: start it with root's rights.");
      return CANNOT;
    }
    Optional<SysDrive> drive = LocalDrives.find(device);
    if (drive.isEmpty()) {
      System.err.printf("There is no drive %s here. ./tekmerion probe list names them.%n", device);
      return CANNOT;
    }
    Files.createDirectories(out);
    Map<PageKind, PageAnswer> answers = new EnumMap<>(PageKind.class);
    Map<String, Object> pages = new LinkedHashMap<>();
    PageSource source = LocalDrives.pages(drive.get());
    int got = 0;
    for (PageKind kind : source.kinds()) {
      PageAnswer answer = source.read(kind);
      answers.put(kind, answer);
      if (answer instanceof PageAnswer.Got raw) {
        Files.write(out.resolve(kind.wireName() + ".bin"), raw.raw().bytes());
        got += kind == PageKind.KERNEL_LOG ? 0 : 1;
      }
    }
    answers.forEach((kind, answer) -> pages.put(kind.wireName(), page(kind, answer, answers)));
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("device", device);
    json.put("bus", drive.get().bus().words());
    json.put(
        "identity",
        DriveIdentity.of(new PartReading(answers)).map(ReadCommand::identity).orElse(null));
    json.put("pages", pages);
    json.put(
        "findings",
        DriveFindings.of("drive", new PartReading(answers)).stream()
            .map(s -> Map.of("id", s.id(), "level", s.level(), "words", s.words()))
            .toList());
    String text =
        JsonMapper.builder()
            .build()
            .writer()
            .with(SerializationFeature.INDENT_OUTPUT)
            .writeValueAsString(json);
    Files.writeString(out.resolve("reading.json"), text);
    System.out.println(text);
    return got == 0 ? CANNOT : 0;
  }

  private static Map<String, Object> identity(DriveIdentity id) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("model", id.model().isEmpty() ? null : id.model());
    json.put("serial", id.serial().isEmpty() ? null : id.serial());
    json.put("firmware", id.firmware().isEmpty() ? null : id.firmware());
    json.put(
        "capacityBytes", id.capacityBytes().isPresent() ? id.capacityBytes().getAsLong() : null);
    json.put("solidState", id.solidState().orElse(null));
    return json;
  }

  /** An attribute's threshold stands on a page of its own. */
  private static Map<String, Object> decoded(DecodedPage page, Map<PageKind, PageAnswer> answers) {
    return page instanceof SmartData smart
        ? AtaJson.of(smart, new PartReading(answers).thresholds().flatMap(Decoding::decoded))
        : page.json();
  }

  private static Map<String, Object> page(
      PageKind kind, PageAnswer answer, Map<PageKind, PageAnswer> answers) {
    Map<String, Object> json = new LinkedHashMap<>();
    if (answer instanceof PageAnswer.NotReported not) {
      json.put("outcome", "not-reported");
      json.put("why", not.why());
    } else if (answer instanceof PageAnswer.CouldNotRun could) {
      json.put("outcome", "could-not-run");
      json.put("why", could.why());
    } else {
      Decoding<? extends DecodedPage> decoding =
          PageDecoder.decode(kind, answer.bytes().orElseThrow());
      json.put("outcome", "got");
      json.put("file", kind.wireName() + ".bin");
      json.put("damage", decoding.damage().orElse(null));
      json.put("decoded", decoding.decoded().map(page -> decoded(page, answers)).orElse(null));
    }
    return json;
  }
}
