package tekmerion.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SecretsTest {
  @TempDir private Path folder;

  @Test
  void areMadeOnceAndFoundAgain() {
    String first = Secrets.in(folder).get("database", 24);

    assertThat(first).matches("[a-z2-9]{24}");
    assertThat(Secrets.in(folder).get("database", 24)).isEqualTo(first);
    assertThat(Secrets.in(folder).get("other", 24)).isNotEqualTo(first);
  }

  @Test
  void nobodyElseCanReadThem() throws IOException {
    Secrets.in(folder).get("database", 24);

    Path file = folder.resolve("secrets.properties");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-------");
  }
}
