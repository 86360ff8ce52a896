package tekmerion.launch;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Properties;
import tekmerion.link.files.WholeFile;

/** Passwords made at the first start and kept in a file that only its owner can read. */
public final class Secrets {
  private static final String LETTERS = "abcdefghijkmnpqrstuvwxyz23456789";
  private final Properties values = new Properties();
  private final Path file;

  private Secrets(Path file) {
    this.file = file;
  }

  public static Secrets in(Path folder) {
    Secrets secrets = new Secrets(folder.resolve("secrets.properties"));
    try {
      Files.createDirectories(folder);
      if (Files.exists(secrets.file)) {
        try (InputStream in = Files.newInputStream(secrets.file)) {
          secrets.values.load(in);
        }
      } else {
        WholeFile.write(secrets.file, "");
      }
      return secrets;
    } catch (IOException e) {
      throw new LaunchException("Cannot keep secrets in " + folder + ": " + e.getMessage(), e);
    }
  }

  /** The secret of that name; made when first asked for. */
  public String get(String name, int length) {
    String known = values.getProperty(name);
    if (known != null) {
      return known;
    }
    SecureRandom random = new SecureRandom();
    StringBuilder made = new StringBuilder();
    for (int i = 0; i < length; i++) {
      made.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
    }
    put(name, made.toString());
    return made.toString();
  }

  /** A key of 32 random bytes in base 64; made when first asked for. */
  String key(String name) {
    String known = values.getProperty(name);
    if (known != null) {
      return known;
    }
    byte[] bytes = new byte[32];
    new SecureRandom().nextBytes(bytes);
    put(name, Base64.getEncoder().encodeToString(bytes));
    return peek(name);
  }

  /** Null if there is none of that name. */
  String peek(String name) {
    return values.getProperty(name);
  }

  void put(String name, String value) {
    values.setProperty(name, value);
    StringWriter text = new StringWriter();
    try {
      values.store(text, "made by the launcher; not for a repository");
      // Whole or not at all: with half of this file the database could never be opened again.
      WholeFile.write(file, text.toString());
    } catch (IOException e) {
      throw new LaunchException("Cannot write " + file + ": " + e.getMessage(), e);
    }
  }
}
