package tekmerion.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tekmerion.launch.Home;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What other people's code runs in a shop: every library, by number and by content, has been looked
 * at before it stands in the list. A new one, or another number of a known one, fails here until
 * somebody has.
 */
class LibrariesTest {
  private static final Path ROOT = Home.find().root();
  private static final Path LIST = ROOT.resolve("docs/libraries.csv");
  private static final List<String> PROGRAMS = List.of("server", "probe", "launch", "evaluation");

  /** By name: a hash of its content (Maven: SHA-256 of the file; npm: what the registry says). */
  private static Map<String, String> used() throws Exception {
    Map<String, String> used = new TreeMap<>();
    for (String program : PROGRAMS) {
      try (Stream<Path> files = Files.list(ROOT.resolve(program).resolve("target/lib"))) {
        for (Path jar : files.toList()) {
          String name = jar.getFileName().toString();
          if (!name.matches("(words|core|link|sim|probe|web|launch)-0\\.1\\.0\\.jar")) {
            used.put(name, sha256(jar));
          }
        }
      }
    }
    JsonNode packages =
        JsonMapper.builder()
            .build()
            .readTree(ROOT.resolve("web/package-lock.json").toFile())
            .get("packages");
    for (String place : packages.propertyNames()) {
      JsonNode one = packages.get(place);
      // What others could use if it were there, and we use to build only, is not in the page.
      boolean isForBuilding =
          one.path("dev").asBoolean(false) || one.path("devOptional").asBoolean(false);
      if (!place.isEmpty() && !isForBuilding) {
        String name = place.substring(place.lastIndexOf("node_modules/") + 13);
        used.put(name + "@" + one.get("version").stringValue(), one.get("integrity").stringValue());
      }
    }
    return used;
  }

  private static String sha256(Path file) throws Exception {
    byte[] hash = MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file));
    return "sha256-" + HexFormat.of().formatHex(hash);
  }

  private static Map<String, String> looked() throws IOException {
    Map<String, String> looked = new TreeMap<>();
    for (String line : Files.readAllLines(LIST)) {
      String[] cells = line.split(",");
      if (cells.length == 3 && !cells[0].equals("library")) {
        looked.put(cells[0], cells[1]);
      }
    }
    return looked;
  }

  @Test
  void everyLibraryThatRunsWasLookedAt() throws Exception {
    Map<String, String> used = used();
    String on = System.getProperty("tekmerion.lookedAtLibrariesOn");
    if (on != null) {
      Map<String, String> known = looked();
      StringBuilder list = new StringBuilder("library,content,looked at\n");
      List<String> before = Files.exists(LIST) ? Files.readAllLines(LIST) : List.of();
      used.forEach(
          (name, content) -> {
            String line = name + "," + content + ",";
            boolean same = content.equals(known.get(name));
            list.append(
                    same
                        ? before.stream().filter(l -> l.startsWith(line)).findFirst().orElseThrow()
                        : line + on)
                .append('\n');
          });
      Files.writeString(LIST, list);
    }

    assertThat(used).as("docs/libraries.csv; see docs/security.md").isEqualTo(looked());
    assertThat(used).hasSizeGreaterThan(150);
  }
}
