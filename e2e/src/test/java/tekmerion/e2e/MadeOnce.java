package tekmerion.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import tekmerion.link.files.WholeFile;

/**
 * A folder that several test processes begin with: the first makes it, all take a copy. To make a
 * demo shop takes a server longer than to start with one that is there.
 */
final class MadeOnce {
  /** What only the one that ran there has use for. */
  private static final Set<String> LEFT_OUT = Set.of("m.sock", "m.pid", "tmp");

  private final Path all;
  private final Path ofBuild;

  /**
   * @param all where they stand
   * @param build what they depend on; what another one made is of no use any more
   */
  MadeOnce(Path all, String build) {
    this.all = all;
    this.ofBuild = all.resolve(build);
  }

  /**
   * @param make makes it in the folder that it is given, and leaves nothing running there
   */
  void copyTo(String name, Path folder, Consumer<Path> make) {
    try {
      Files.createDirectories(all);
      try (FileChannel channel =
          FileChannel.open(
              all.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
        channel.lock(); // until the channel is closed
        Path made = ofBuild.resolve(name);
        if (!Files.exists(made)) {
          deleteOthers();
          // Made in a place of its own, so that what is cut off half way is no shop to begin with.
          Path part = ofBuild.resolve(name + ".part");
          WholeFile.deleteFolder(part);
          Files.createDirectories(part);
          make.accept(part);
          Files.move(part, made, StandardCopyOption.ATOMIC_MOVE);
        }
        copy(made, folder);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void deleteOthers() throws IOException {
    try (Stream<Path> builds = Files.list(all)) {
      for (Path other : builds.filter(p -> !p.equals(ofBuild) && Files.isDirectory(p)).toList()) {
        WholeFile.deleteFolder(other);
      }
    }
  }

  private static void copy(Path from, Path to) throws IOException {
    try (Stream<Path> files = Files.walk(from)) {
      for (Path file : files.toList()) {
        Path there = to.resolve(from.relativize(file).toString());
        if (LEFT_OUT.contains(file.getFileName().toString())) {
          continue;
        }
        if (Files.isDirectory(file)) {
          Files.createDirectories(there);
        } else if (Files.isRegularFile(file)) {
          Files.copy(file, there, StandardCopyOption.COPY_ATTRIBUTES);
        }
      }
    }
  }
}
