package tekmerion.probe.instrument;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.files.FileBody;
import tekmerion.core.files.FoundFile;
import tekmerion.core.files.InUse;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.core.rescue.RescuedBytes;
import tekmerion.probe.linux.RawFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Which files are on an image or a device. Formats are in docs/formats.md. */
@Command(
    name = "files",
    description = {
      "List the files of an image or a device from its volumes' own structures, damaged or not:",
      "FAT, exFAT, NTFS, ext2, ext3, ext4. Reads only. Prints one JSON object.",
      "Exit 0; 1 if a structure could not be read; 2 if it could not run."
    },
    mixinStandardHelpOptions = true)
public final class FilesCommand implements Callable<Integer> {
  private static final int TROUBLE = 1;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(paramLabel = "PATH")
  private Path path;

  @Option(
      names = "--map",
      paramLabel = "FILE",
      description = "Of the rescue that made this image: also tells which files it did not get.")
  private Path mapFile;

  @Override
  public Integer call() throws IOException {
    try (RawFile image = RawFile.open(path)) {
      Optional<KeptRescue> kept =
          mapFile == null
              ? Optional.empty()
              : Optional.of(KeptRescue.parse(Files.readString(mapFile)));
      ByteSource source =
          kept.isPresent() ? new RescuedBytes(image, kept.get().map(), Optional.empty()) : image;
      InUse found = InUse.of(source);
      System.out.println(
          JSON.writeValueAsString(
              Map.of("volumes", found.volumes().stream().map(v -> json(v, kept)).toList())));
      return found.volumes().stream().allMatch(v -> v.list().troubles().isEmpty()) ? 0 : TROUBLE;
    }
  }

  private static Map<String, Object> json(InUse.Volume volume, Optional<KeptRescue> kept) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("number", volume.part().number());
    json.put("content", volume.part().volume().content().words());
    json.put("troubles", volume.list().troubles());
    json.put("files", volume.list().files().stream().map(f -> json(f, kept)).toList());
    return json;
  }

  private static Map<String, Object> json(FoundFile file, Optional<KeptRescue> kept) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("path", file.path());
    json.put("folder", file.folder());
    json.put("bytes", file.bytes());
    json.put("modified", file.modified().map(Instant::toString).orElse(null));
    json.put("trouble", file.trouble().orElse(null));
    kept.ifPresent(k -> json.put("missingBytes", FileBody.missing(file, k.map())));
    return json;
  }
}
