package tekmerion.probe.instrument;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.carve.Carved;
import tekmerion.core.carve.Carver;
import tekmerion.core.files.FileBody;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.Piece;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescuedBytes;
import tekmerion.probe.copy.Room;
import tekmerion.probe.copy.ShopsOwn;
import tekmerion.probe.copy.SourceIsNot;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.RawFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Files by their content. Formats are in docs/formats.md. */
@Command(
    name = "carve",
    description = {
      "Find files by their content where no folder tells of them: JPEG, PNG, PDF, ZIP and documents",
      "that are ZIP inside, SQLite. One counts only if its whole structure holds. PATH is only read.",
      "Prints one JSON object. Exit 0; 1 if nothing was found; 2 if it could not run."
    },
    mixinStandardHelpOptions = true)
public final class CarveCommand implements Callable<Integer> {
  private static final int NOTHING = 1;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(paramLabel = "PATH")
  private Path path;

  @Option(
      names = "--map",
      paramLabel = "FILE",
      description = "Of the rescue that made this image: what was not read is not looked at.")
  private Path mapFile;

  @Option(names = "--out", paramLabel = "FOLDER", description = "Also write what is found there.")
  private Path out;

  @Override
  public Integer call() throws IOException {
    try (RawFile image = RawFile.open(path)) {
      ByteSource source =
          mapFile == null
              ? image
              : new RescuedBytes(
                  image, KeptRescue.parse(Files.readString(mapFile)).map(), Optional.empty());
      if (out != null) {
        Files.createDirectories(out);
        SourceIsNot.under(String.valueOf(path.getFileName()), out);
        ShopsOwn.mustHold(out, LocalDrives.list());
      }
      List<Map<String, Object>> found = new ArrayList<>();
      Carver.run(source, carved -> found.add(taken(source, carved)), () -> false);
      System.out.println(JSON.writeValueAsString(Map.of("found", found)));
      return found.isEmpty() ? NOTHING : 0;
    }
  }

  private Map<String, Object> taken(ByteSource source, Carved carved) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("offset", carved.offset());
    json.put("bytes", carved.bytes());
    json.put("extension", carved.extension());
    json.put("checked", carved.checked());
    if (out != null) {
      json.put("file", written(source, carved));
    }
    return json;
  }

  /** Named by its place: what it was called nothing tells any more. */
  private String written(ByteSource source, Carved carved) {
    String name = "%014d.%s".formatted(carved.offset(), carved.extension());
    FoundFile file =
        new FoundFile(
            name,
            false,
            carved.bytes(),
            Optional.empty(),
            List.of(new Piece(carved.offset(), carved.bytes())),
            Optional.empty(),
            Optional.empty());
    try {
      Room.check(out, carved.bytes());
      try (var to = Files.newOutputStream(out.resolve(name), StandardOpenOption.CREATE_NEW)) {
        FileBody.read(
            source,
            file,
            (bytes, length) -> {
              try {
                to.write(bytes, 0, length);
              } catch (IOException e) {
                throw new UncheckedIOException(e);
              }
            });
      }
      return name;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
