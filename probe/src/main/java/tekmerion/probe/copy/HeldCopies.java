package tekmerion.probe.copy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import tekmerion.core.rescue.KeptRescue;
import tekmerion.link.HeldCopy;

/** Looks which copies are there. Names and sizes only: that one is sound shows a check. */
public final class HeldCopies {
  private static final Pattern FILES = Pattern.compile("files-(\\d{1,6})");

  private HeldCopies() {}

  /**
   * Folders of names that we never give, as {@code lost+found}, are not ours and left out.
   *
   * @param all the probe's folder of copies; one that is not there holds none
   * @throws IOException if a folder that is there cannot be looked into: then nothing is known
   */
  public static List<HeldCopy> in(Path all) throws IOException {
    List<HeldCopy> held = new ArrayList<>();
    for (Path job : folders(all)) {
      for (Path drive : folders(job)) {
        CopyFolder.existing(all, job.getFileName().toString(), drive.getFileName().toString())
            .map(HeldCopies::look)
            .ifPresent(held::add);
      }
    }
    return held;
  }

  private static HeldCopy look(CopyFolder folder) {
    Set<Integer> volumes = new HashSet<>();
    try {
      for (Path inside : folders(folder.path())) {
        Matcher name = FILES.matcher(inside.getFileName().toString());
        if (name.matches()) {
          volumes.add(Integer.parseInt(name.group(1)));
        }
      }
    } catch (IOException e) {
      volumes.clear(); // it cannot be looked into, so nothing of it can be had
    }
    return new HeldCopy(
        folder.path().getParent().getFileName().toString(),
        folder.path().getFileName().toString(),
        isImageThere(folder),
        volumes,
        Files.isDirectory(folder.byContent()));
  }

  private static boolean isImageThere(CopyFolder folder) {
    try {
      long wanted = KeptRescue.parse(Files.readString(folder.map())).map().size();
      return Files.size(folder.image()) >= wanted;
    } catch (IOException | IllegalArgumentException e) {
      return false;
    }
  }

  private static List<Path> folders(Path of) throws IOException {
    if (!Files.isDirectory(of)) {
      return List.of();
    }
    try (Stream<Path> inside = Files.list(of)) {
      return inside
          .filter(Files::isDirectory)
          .filter(f -> CopyFolder.isName(f.getFileName().toString()))
          .sorted()
          .toList();
    }
  }
}
