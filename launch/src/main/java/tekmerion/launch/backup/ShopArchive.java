package tekmerion.launch.backup;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A shop as one stream: a zip of {@code manifest.json}, {@code database.sql} as MariaDB writes it
 * down, {@code rights.sql}, everything in the folders {@link #FOLDERS}, and at its end {@code
 * sums.json}: the SHA-256 of each of them. Sealed by {@link Sealed}.
 */
public final class ShopArchive {
  static final String FORMAT = "tekmerion-shop";
  static final int VERSION = 1;

  /** What a shop keeps beside its database. */
  static final List<String> FOLDERS = List.of("files", "keys", "tls");

  private static final String MANIFEST = "manifest.json";
  private static final String DATABASE = "database.sql";
  private static final String RIGHTS = "rights.sql";
  private static final String SUMS = "sums.json";
  private static final JsonMapper JSON = JsonMapper.shared();

  /** A right that the server's user has on the shop's own tables and procedures, and no other. */
  private static final Pattern RIGHT =
      Pattern.compile("GRANT [A-Z, ()`a-z_0-9]+ ON (PROCEDURE )?`\\w+`\\.`\\w+` TO `\\w+`@`%`;");

  private ShopArchive() {}

  /**
   * What is in one.
   *
   * @param at when it was begun
   * @param sums SHA-256 of each entry, in hexadecimal
   */
  public record Content(Instant at, Map<String, String> sums) {
    public Content {
      sums = Map.copyOf(sums);
    }

    /** Of the database as MariaDB writes it down. */
    public String database() {
      return sums.get(DATABASE);
    }

    /** How many files of the shop's folders. */
    public long files() {
      return sums.keySet().stream().filter(ShopArchive::isFile).count();
    }
  }

  /** Takes what is read, entry by entry; each stream must be read before it returns. */
  public interface Reader {
    void database(InputStream statements) throws IOException;

    /**
     * @param statements that give the server's user its rights; nothing else is among them
     */
    void rights(String statements) throws IOException;

    /**
     * @param name below the shop's folder, in one of {@link #FOLDERS}
     */
    void file(String name, InputStream content) throws IOException;
  }

  /**
   * @param data the shop's folder
   * @param at when it was begun
   */
  public static Content write(
      Path data, Database database, Instant at, OutputStream to, char[] passphrase)
      throws IOException {
    Map<String, String> sums = new LinkedHashMap<>();
    try (OutputStream sealed = Sealed.seal(to, passphrase);
        ZipOutputStream zip = new ZipOutputStream(sealed)) {
      Programs programs = new Programs(database);
      Map<String, Object> manifest = new LinkedHashMap<>();
      manifest.put("format", FORMAT);
      manifest.put("version", VERSION);
      manifest.put("at", at.toString());
      entry(zip, MANIFEST, sums, out -> out.write(JSON.writeValueAsBytes(manifest)));
      entry(zip, DATABASE, sums, programs::dump);
      String rights = programs.rights();
      entry(zip, RIGHTS, sums, out -> out.write(rights.getBytes(StandardCharsets.UTF_8)));
      // After the database: a photo is kept before its row is, so none that a row names is missing.
      for (Path file : filesOf(data)) {
        String name = data.relativize(file).toString().replace('\\', '/');
        try (InputStream in = Files.newInputStream(file)) {
          entry(zip, name, sums, in::transferTo);
        } catch (NoSuchFileException e) {
          continue; // deleted while this was made
        }
      }
      entry(zip, SUMS, new LinkedHashMap<>(), out -> out.write(JSON.writeValueAsBytes(sums)));
    }
    return new Content(at, sums);
  }

  private interface Filling {
    void into(OutputStream out) throws IOException;
  }

  private static void entry(
      ZipOutputStream zip, String name, Map<String, String> sums, Filling filling)
      throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    DigestOutputStream counted = new DigestOutputStream(zip, sha256());
    filling.into(counted);
    zip.closeEntry();
    sums.put(name, HexFormat.of().formatHex(counted.getMessageDigest().digest()));
  }

  /** Whole ones: what is half written has another name until it is. */
  private static List<Path> filesOf(Path data) throws IOException {
    List<Path> all = new ArrayList<>();
    for (String folder : FOLDERS) {
      if (Files.isDirectory(data.resolve(folder))) {
        try (Stream<Path> files = Files.walk(data.resolve(folder))) {
          files
              .filter(Files::isRegularFile)
              .filter(file -> !file.getFileName().toString().endsWith(".part"))
              .sorted()
              .forEach(all::add);
        }
      }
    }
    return all;
  }

  /**
   * Reads all of it. Only when this returns was all of it as it was written.
   *
   * @throws BackupException if it is damaged, cut off, another passphrase's, or none of ours
   */
  public static Content read(InputStream from, char[] passphrase, Reader reader)
      throws IOException {
    Map<String, String> sums = new LinkedHashMap<>();
    try (InputStream clear = Sealed.open(from, passphrase);
        ZipInputStream zip = new ZipInputStream(clear)) {
      Instant at = manifest(zip, sums);
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        String name = entry.getName();
        if (name.equals(SUMS)) {
          check(sums, JSON.readTree(zip.readAllBytes()));
          if (zip.getNextEntry() != null) {
            throw new BackupException("The backup goes on after its end.");
          }
          // The zip's own directory follows, and with the last byte the last proof of the seal.
          clear.transferTo(OutputStream.nullOutputStream());
          return new Content(at, sums);
        }
        if (sums.containsKey(name)) {
          throw new BackupException("The backup holds %s twice.".formatted(name));
        }
        DigestInputStream counted = new DigestInputStream(kept(zip), sha256());
        switch (name) {
          case DATABASE -> reader.database(counted);
          case RIGHTS -> reader.rights(rights(counted));
          default -> {
            if (!isFile(name)) {
              throw new BackupException("The backup holds something unknown: " + name);
            }
            reader.file(name, counted);
          }
        }
        counted.transferTo(OutputStream.nullOutputStream());
        sums.put(name, HexFormat.of().formatHex(counted.getMessageDigest().digest()));
      }
      throw new BackupException("The backup is cut off: its end is missing.");
    } catch (ZipException e) {
      throw new BackupException("The backup is damaged: " + e.getMessage(), e);
    } catch (IOException e) {
      throw new BackupException("The backup is damaged or cut off: " + e.getMessage(), e);
    }
  }

  private static Instant manifest(ZipInputStream zip, Map<String, String> sums) throws IOException {
    ZipEntry first = zip.getNextEntry();
    if (first == null || !first.getName().equals(MANIFEST)) {
      throw new BackupException("This is not a backup of Tekmerion.");
    }
    byte[] bytes = zip.readAllBytes();
    JsonNode manifest = JSON.readTree(bytes);
    if (!manifest.path("format").asString("").equals(FORMAT)) {
      throw new BackupException("This is not a backup of Tekmerion.");
    }
    if (manifest.path("version").asInt(0) != VERSION) {
      throw new BackupException(
          "The backup has version %s; this program reads %d. Restore it with the program that made it, then upgrade."
              .formatted(manifest.path("version").asString("none"), VERSION));
    }
    sums.put(MANIFEST, HexFormat.of().formatHex(sha256().digest(bytes)));
    return Instant.parse(manifest.path("at").asString());
  }

  /** Only rights on tables, each a line: a statement of any other kind is none of ours. */
  private static String rights(InputStream from) throws IOException {
    String rights = new String(from.readAllBytes(), StandardCharsets.UTF_8);
    rights
        .lines()
        .filter(line -> !RIGHT.matcher(line).matches())
        .findFirst()
        .ifPresent(
            line -> {
              throw new BackupException("The backup's rights hold something else: " + line);
            });
    return rights;
  }

  private static void check(Map<String, String> read, JsonNode written) {
    Map<String, String> sums = new LinkedHashMap<>();
    written.properties().forEach(e -> sums.put(e.getKey(), e.getValue().asString()));
    if (!sums.equals(read) || !sums.containsKey(DATABASE)) {
      throw new BackupException("The backup is damaged: what was read is not what was written.");
    }
  }

  private static boolean isFile(String name) {
    return FOLDERS.contains(name.replaceFirst("/.*", ""))
        && name.contains("/")
        && !name.contains("\\")
        && Stream.of(name.split("/", -1))
            .noneMatch(part -> part.isEmpty() || part.equals(".") || part.equals(".."));
  }

  /** Whoever reads an entry may close it: the rest is read after it. */
  private static InputStream kept(ZipInputStream zip) {
    return new FilterInputStream(zip) {
      @Override
      public void close() {
        // the zip is closed once, at its end
      }
    };
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }
}
