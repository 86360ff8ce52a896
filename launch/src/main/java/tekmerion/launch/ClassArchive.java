package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.List;

/**
 * The JVM's archive of loaded classes (JEP 350), which saves a start some seconds. Written when a
 * program first ends in order after a build, used from then on.
 *
 * @param archive where it is or will be
 * @param programJars it belongs to
 */
record ClassArchive(Path archive, List<Path> programJars) {

  /**
   * @param modules on the class path, in this order; each class path has an archive of its own
   */
  static ClassArchive of(Home home, String... modules) {
    List<Path> jars =
        Arrays.stream(modules)
            .map(module -> home.root().resolve(module + "/target/" + module + "-0.1.0.jar"))
            .toList();
    Path last = jars.get(jars.size() - 1);
    return new ClassArchive(last.resolveSibling(String.join("-", modules) + ".jsa"), jars);
  }

  List<String> useOrWrite() {
    return isFresh()
        ? List.of("-XX:SharedArchiveFile=" + archive, "-Xshare:auto", "-Xlog:cds=off")
        : List.of("-XX:ArchiveClassesAtExit=" + archive, "-Xlog:cds=off", "-Xlog:cds+dynamic=off");
  }

  private boolean isFresh() {
    try {
      if (!Files.exists(archive)) {
        return false;
      }
      FileTime written = Files.getLastModifiedTime(archive);
      for (Path jar : programJars) {
        if (written.compareTo(Files.getLastModifiedTime(jar)) <= 0) {
          return false;
        }
      }
      return true;
    } catch (IOException e) {
      return false;
    }
  }
}
