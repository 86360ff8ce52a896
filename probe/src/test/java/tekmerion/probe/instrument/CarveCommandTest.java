package tekmerion.probe.instrument;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tekmerion.probe.Tekmerion;

/** Files that the usual libraries wrote, on a disk without a folder. */
class CarveCommandTest {
  private static final int MIB = 1 << 20;

  @TempDir Path folder;

  private static byte[] picture(String kind) throws IOException {
    BufferedImage image = new BufferedImage(220, 160, BufferedImage.TYPE_INT_RGB);
    Random random = new Random(2);
    for (int i = 0; i < 220 * 160; i++) {
      image.setRGB(i % 220, i / 220, random.nextInt(0xFFFFFF));
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, kind, out);
    return out.toByteArray();
  }

  private static byte[] zip(String first, String content) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      byte[] bytes = content.getBytes(StandardCharsets.US_ASCII);
      ZipEntry entry = new ZipEntry(first);
      entry.setMethod(ZipEntry.STORED);
      entry.setSize(bytes.length);
      CRC32 crc = new CRC32();
      crc.update(bytes);
      entry.setCrc(crc.getValue());
      zip.putNextEntry(entry);
      zip.write(bytes);
      zip.putNextEntry(new ZipEntry("content.xml"));
      zip.write(new byte[5_000]);
    }
    return out.toByteArray();
  }

  /** One object, a table that says where it is, and where the table is: ISO 32000-1, 7.5. */
  private static byte[] pdf() {
    String head = "%PDF-1.7\n";
    String object = "1 0 obj\n<< /Type /Catalog >>\nendobj\n";
    String table =
        "xref\n0 2\n0000000000 65535 f \n%010d 00000 n \n".formatted(head.length())
            + "trailer\n<< /Size 2 /Root 1 0 R >>\nstartxref\n%d\n%%%%EOF\n"
                .formatted(head.length() + object.length());
    return (head + object + table).getBytes(StandardCharsets.US_ASCII);
  }

  private byte[] database() throws Exception {
    Path file = folder.resolve("made.db");
    try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
        var statement = connection.createStatement()) {
      statement.execute("CREATE TABLE voice (name TEXT)");
      statement.execute("INSERT INTO voice VALUES ('alto')");
    }
    return Files.readAllBytes(file);
  }

  private int carve(Path disk, Path out) {
    return Tekmerion.commandLine().execute("carve", disk.toString(), "--out", out.toString());
  }

  @Test
  void findsWholeFilesAndOnlyThose() throws Exception {
    byte[] disk = new byte[16 * MIB];
    new Random(31).nextBytes(disk);
    Map<String, byte[]> files = new LinkedHashMap<>();
    files.put("jpg", picture("jpg"));
    files.put("png", picture("png"));
    files.put("pdf", pdf());
    files.put("odt", zip("mimetype", "application/vnd.oasis.opendocument.text"));
    files.put("zip", zip("notes.txt", "low water at six"));
    files.put("sqlite", database());
    int at = MIB;
    for (byte[] file : files.values()) {
      System.arraycopy(file, 0, disk, at, file.length);
      at += MIB;
    }
    // Beginnings that lead nowhere, and a picture whose second half is something else.
    System.arraycopy(files.get("png"), 0, disk, 10 * MIB, files.get("png").length / 2);
    System.arraycopy("%PDF-1.4\n".getBytes(StandardCharsets.US_ASCII), 0, disk, 11 * MIB, 9);
    System.arraycopy(
        new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0}, 0, disk, 12 * MIB, 4);
    Path image = Files.write(folder.resolve("disk.img"), disk);
    Path out = folder.resolve("found");

    assertThat(carve(image, out)).isZero();

    Map<String, byte[]> found = new LinkedHashMap<>();
    try (Stream<Path> list = Files.list(out)) {
      for (Path path : list.sorted().toList()) {
        String name = path.getFileName().toString();
        found.put(name.substring(name.indexOf('.') + 1), Files.readAllBytes(path));
      }
    }
    assertThat(found.keySet()).containsExactlyElementsOf(files.keySet());
    files.forEach((kind, bytes) -> assertThat(found.get(kind)).as(kind).isEqualTo(bytes));
  }

  @Test
  void findsNothingInNoiseAndNothingInZeros() throws Exception {
    byte[] noise = new byte[4 * MIB];
    new Random(32).nextBytes(noise);
    for (byte[] bytes : List.of(noise, new byte[MIB])) {
      Path image = Files.write(folder.resolve("disk.img"), bytes);
      assertThat(carve(image, folder.resolve("nothing"))).isEqualTo(1);
    }
  }

  /** Whatever is changed in them, it ends, and what it names lies on the disk. */
  @Test
  void neverFailsOnMutatedFiles() throws Exception {
    Random random = new Random(33);
    List<byte[]> files = List.of(picture("jpg"), picture("png"), pdf(), zip("a", "b"), database());
    for (int i = 0; i < 60; i++) {
      byte[] file = files.get(i % files.size()).clone();
      for (int m = 0; m < 1 + random.nextInt(8); m++) {
        file[random.nextInt(Math.min(file.length, 2_000))] = (byte) random.nextInt(256);
      }
      byte[] disk = Arrays.copyOf(file, (file.length + 511) / 512 * 512);
      Path image = Files.write(folder.resolve("disk.img"), disk);
      assertThat(carve(image, folder.resolve("mutated-" + i))).isBetween(0, 1);
    }
  }
}
