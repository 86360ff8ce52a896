package tekmerion.launch;

import java.nio.file.Files;
import java.nio.file.Path;

/**
 * Where the built program is.
 *
 * @param root of the checkout
 */
public record Home(Path root) {

  /** From the property {@code tekmerion.home}, else upwards from the working folder. */
  public static Home find() {
    String given = System.getProperty("tekmerion.home");
    Path start = Path.of(given == null ? "" : given).toAbsolutePath().normalize();
    for (Path folder = start; folder != null; folder = folder.getParent()) {
      if (Files.isExecutable(folder.resolve("tekmerion"))) {
        return new Home(folder);
      }
    }
    throw new LaunchException("Not inside a Tekmerion checkout: " + start);
  }

  /** Class path of a module: its own jar and the libraries beside it. */
  public String classPath(String... modules) {
    StringBuilder path = new StringBuilder();
    for (String module : modules) {
      Path target = root.resolve(module).resolve("target");
      if (!path.isEmpty()) {
        path.append(':');
      }
      path.append(target.resolve(module + "-0.1.0.jar"))
          .append(':')
          .append(target.resolve("lib/*"));
    }
    return path.toString();
  }

  /** The Java that runs this very program. */
  public static String java() {
    return Path.of(System.getProperty("java.home"), "bin", "java").toString();
  }
}
