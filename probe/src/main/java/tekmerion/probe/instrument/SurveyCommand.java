package tekmerion.probe.instrument;

import static tekmerion.core.page.OrNull.orNull;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tekmerion.core.survey.Content;
import tekmerion.core.survey.Damage;
import tekmerion.core.survey.Survey;
import tekmerion.core.survey.Volume;
import tekmerion.probe.linux.RawFile;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What is on an image or a device, and why it is not readable. Formats are in docs/formats.md. */
@Command(
    name = "survey",
    description = {
      "Partitions, file systems and encryption of an image or a device, what is damaged, why it is",
      "not readable and the safe next move. Reads only. Prints one JSON object.",
      "Exit 0; 2 with an error object on standard error if it cannot be opened."
    },
    mixinStandardHelpOptions = true)
public final class SurveyCommand implements Callable<Integer> {
  private static final JsonMapper JSON =
      JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

  @Parameters(paramLabel = "PATH")
  private Path path;

  @Option(
      names = "--reads",
      split = ",",
      paramLabel = "NAME",
      description =
          "File systems that the owner's system reads. Default: FAT, exFAT, NTFS, ISO 9660, UDF.")
  private List<String> reads;

  @Override
  public Integer call() throws IOException {
    try (RawFile source = RawFile.open(path)) {
      System.out.println(JSON.writeValueAsString(json(Survey.of(source, readable()))));
      return 0;
    }
  }

  private Set<Content> readable() {
    if (reads == null) {
      return Survey.READ_BY_MOST;
    }
    Set<Content> readable = EnumSet.noneOf(Content.class);
    for (String name : reads) {
      readable.add(
          Arrays.stream(Content.values())
              .filter(c -> c.isFileSystem() && c.words().equalsIgnoreCase(name.strip()))
              .findFirst()
              .orElseThrow(
                  () ->
                      BadInputException.of(
                          "--reads names no file system", "as fat32 or ext4", name, null)));
    }
    return readable;
  }

  private static Map<String, Object> json(Survey survey) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("sizeBytes", survey.sizeBytes());
    json.put("scheme", name(survey.scheme().name()));
    json.put("reason", name(survey.reason().name()));
    json.put("why", survey.reason().words());
    json.put("next", survey.reason().next());
    json.put("failedReads", survey.failedReads());
    json.put("parts", survey.parts().stream().map(SurveyCommand::json).toList());
    json.put("damage", survey.damage().stream().map(SurveyCommand::json).toList());
    return json;
  }

  private static Map<String, Object> json(Survey.Part part) {
    Volume volume = part.volume();
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("number", part.number());
    json.put("type", part.type());
    json.put("name", part.name());
    json.put("startByte", part.start());
    json.put("bytes", part.bytes());
    json.put("content", volume.content().words());
    json.put("label", volume.label().orElse(null));
    json.put("uuid", volume.uuid().orElse(null));
    json.put("volumeBytes", orNull(volume.sizeBytes()));
    json.put("usedBytes", orNull(volume.usedBytes()));
    json.put("damage", volume.damage().stream().map(SurveyCommand::json).toList());
    return json;
  }

  private static Map<String, Object> json(Damage damage) {
    Map<String, Object> json = new LinkedHashMap<>();
    json.put("what", damage.what());
    json.put("offset", damage.offset());
    json.put("length", damage.length());
    json.put("backupOffset", damage.backupOffset().orElse(null));
    return json;
  }

  private static String name(String constant) {
    return constant.toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
