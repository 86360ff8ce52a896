package tekmerion.launch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/**
 * The JVM's archive of loaded classes (JEP 350), which saves a start some seconds. Written when a
 * program first ends in order after a build, used from then on.
 *
 * @param archive where it is or will be
 * @param programJar it belongs to
 */
record ClassArchive(Path archive, Path programJar) {

  static ClassArchive of(Home home, String module) {
    Path target = home.root().resolve(module).resolve("target");
    return new ClassArchive(target.resolve(module + ".jsa"), target.resolve(module + "-0.1.0.jar"));
  }

  List<String> useOrWrite() {
    return isFresh()
        ? List.of("-XX:SharedArchiveFile=" + archive, "-Xshare:auto", "-Xlog:cds=off")
        : List.of("-XX:ArchiveClassesAtExit=" + archive, "-Xlog:cds=off", "-Xlog:cds+dynamic=off");
  }

  private boolean isFresh() {
    try {
      return Files.exists(archive)
          && Files.getLastModifiedTime(archive).compareTo(Files.getLastModifiedTime(programJar))
              > 0;
    } catch (IOException e) {
      return false;
    }
  }
}
