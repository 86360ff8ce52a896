package tekmerion.launch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ChildTest {
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final List<String> SLEEP = List.of("/bin/sleep", "300");
  @TempDir private Path folder;

  private Child start(List<String> command, Map<String, String> environment) {
    return Child.start("child", folder, command, environment);
  }

  private Path pidFile() {
    return folder.resolve("child.pid");
  }

  @Test
  void keepsItsOutputAndTellsItsEnd() {
    Child child =
        start(List.of("/bin/sh", "-c", "echo \"$GREETING\"; exit 7"), Map.of("GREETING", "ahoy"));

    assertThat(child.waitFor(PATIENCE)).isTrue();
    assertThat(child.exitCode()).isEqualTo(7);
    assertThat(child.output()).isEqualTo("ahoy\n");
    assertThat(child.log())
        .satisfies(
            log ->
                assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(log)))
                    .isEqualTo("rw-------"));
  }

  @Test
  void endsWithItsLauncher() {
    Child child = start(SLEEP, Map.of());
    assertThat(child.isAlive()).isTrue();

    child.close();

    assertThat(child.isAlive()).isFalse();
    assertThat(pidFile()).doesNotExist();
  }

  @Test
  void aNewStartEndsWhatAKilledLauncherLeftBehind() {
    Child left = start(SLEEP, Map.of());

    try (Child child = start(SLEEP, Map.of())) {
      assertThat(left.waitFor(PATIENCE)).isTrue();
      assertThat(child.isAlive()).isTrue();
      assertThat(pidFile()).content().startsWith(child.pid() + " ");
    }
  }

  @Test
  void aStrangerWhoGotTheSameNumberIsLeftAlone() throws IOException {
    Process stranger = new ProcessBuilder(SLEEP).start();
    try {
      // The same program, too: only the moment at which it began tells them apart.
      for (String moment : List.of("", " another-boot:123", " " + bootId() + ":1")) {
        Files.writeString(pidFile(), stranger.pid() + moment);
        try (Child child = start(List.of("/bin/sleep", "300"), Map.of())) {
          assertThat(stranger.isAlive()).as("told by [%s]", moment).isTrue();
          assertThat(child.pid()).isNotEqualTo(stranger.pid());
        }
      }
    } finally {
      stranger.destroy();
    }
  }

  private static String bootId() throws IOException {
    return Files.readString(Path.of("/proc/sys/kernel/random/boot_id")).strip();
  }

  @Test
  void aProgramThatIsNotThereIsNamed() {
    assertThatThrownBy(() -> start(List.of("/nowhere/at-all"), Map.of()))
        .isInstanceOf(LaunchException.class)
        .hasMessageContaining("Cannot start child")
        .hasMessageContaining("/nowhere/at-all");
  }
}
