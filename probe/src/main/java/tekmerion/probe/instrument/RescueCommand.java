package tekmerion.probe.instrument;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.rescue.RescueCopy;
import tekmerion.core.rescue.RescueMap;
import tekmerion.core.rescue.State;
import tekmerion.probe.linux.FileBytes;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Images a source that errs. The map's format is in docs/formats.md. */
@Command(
    name = "rescue",
    description = {
      "Copy what can still be read of SOURCE into the image DEST, easy parts first. SOURCE is only read.",
      "Goes on where it stopped if the map is there. Prints one JSON object.",
      "Exit 0 if all was read, 1 if sectors are lost, 2 if it could not run."
    },
    mixinStandardHelpOptions = true)
public final class RescueCommand implements Callable<Integer> {
  private static final int LOST = 1;
  private static final int CANNOT = 2;
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(index = "0", paramLabel = "SOURCE")
  private Path from;

  @Parameters(index = "1", paramLabel = "DEST", description = "An image file, never a device.")
  private Path to;

  @Option(names = "--map", required = true, paramLabel = "FILE", description = "What is known.")
  private Path mapFile;

  @Option(
      names = "--retries",
      defaultValue = "1",
      description = "How often lost sectors are tried again. Default: 1.")
  private int retries;

  @Override
  public Integer call() {
    try (FileBytes source = FileBytes.open(from)) {
      checkDestination(source.sizeBytes());
      RescueMap map =
          Files.exists(mapFile)
              ? RescueMap.parse(Files.readString(mapFile))
              : new RescueMap(source.sizeBytes());
      if (Files.exists(mapFile) && !Files.exists(to)) {
        throw new IllegalArgumentException(
            "the map is there, but not the image that it is of: give the image, or another map");
      }
      try (ImageFile image = ImageFile.open(to, mapFile)) {
        new RescueCopy(source, map, image, Thread::interrupted).run(retries);
        image.now(map);
      }
      System.out.println(JSON.writeValueAsString(json(map)));
      return map.bytes(State.READ) == map.size() ? 0 : LOST;
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      System.err.println(
          JSON.writeValueAsString(
              Map.of(
                  "error",
                  Map.of(
                      "what", "%s: %s".formatted(e.getClass().getSimpleName(), e.getMessage())))));
      return CANNOT;
    }
  }

  /** Never the source itself, never a device, never more than there is room for. */
  private void checkDestination(long bytes) throws IOException {
    Path folder = to.toAbsolutePath().getParent();
    if (Files.exists(to)) {
      if (Files.isSameFile(from, to)) {
        throw new IllegalArgumentException("the destination is the source");
      }
      if (!Files.isRegularFile(to)) {
        throw new IllegalArgumentException("the destination is no image file");
      }
    }
    FileStore store = Files.getFileStore(folder);
    long have = Files.exists(to) ? Files.size(to) : 0;
    if (store.getUsableSpace() < bytes - have) {
      throw new IllegalArgumentException(
          "there is no room: %,d bytes are wanted, %,d are free"
              .formatted(bytes - have, store.getUsableSpace()));
    }
  }

  private static Map<String, Object> json(RescueMap map) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("sizeBytes", map.size());
    json.put("readBytes", map.bytes(State.READ));
    json.put("lostBytes", map.bytes(State.BAD));
    json.put("untriedBytes", map.size() - map.bytes(State.READ) - map.bytes(State.BAD));
    json.put(
        "lost",
        map.stretches().stream()
            .filter(s -> s.state() == State.BAD)
            .map(s -> Map.of("fromByte", s.from(), "bytes", s.bytes()))
            .toList());
    return json;
  }
}
