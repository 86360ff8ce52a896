package tekmerion.probe.linux;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.port.ReadResult;
import tekmerion.core.surface.Plan;
import tekmerion.core.surface.Progress;
import tekmerion.core.surface.ScannedSurface;
import tekmerion.core.surface.SurfaceScan;

class RawFileTest {
  @TempDir Path folder;

  private Path file(long bytes) throws IOException {
    Path file = folder.resolve("disk.img");
    Files.write(file, new byte[(int) bytes]);
    return file;
  }

  @ParameterizedTest(name = "{0} bytes")
  @ValueSource(longs = {1, 511, 4_096, 1_048_577, 9_000_000})
  void readsFilesOfAnySizeToTheirLastByte(long bytes) throws IOException {
    try (RawFile source = RawFile.direct(file(bytes))) {
      ScannedSurface result =
          SurfaceScan.begin(source, Plan.whole(source.identity()), System::nanoTime, new Quiet())
              .run();

      assertThat(result.end()).isEqualTo(ScannedSurface.End.COMPLETE);
      assertThat(result.bytesRead()).isEqualTo(bytes);
      assertThat(result.bad()).isEmpty();
    }
  }

  @Test
  void aFileThatWasCutWhileItIsReadSaysSoAndIsNotUnreadable() throws IOException {
    Path file = file(8 << 20);
    try (RawFile source = RawFile.direct(file)) {
      Files.write(file, new byte[4 << 20]);

      assertThat(source.read(0, 1 << 20)).isInstanceOf(ReadResult.Data.class);
      assertThat(source.read(6 << 20, 1 << 20))
          .isInstanceOfSatisfying(
              ReadResult.CouldNotRun.class, r -> assertThat(r.why()).contains("shorter"));
    }
  }

  @Test
  void refusesWhatCannotBeRead() throws IOException {
    Path empty = Files.createFile(folder.resolve("empty"));

    assertThatThrownBy(() -> RawFile.direct(empty)).hasMessageContaining("empty");
    assertThatThrownBy(() -> RawFile.direct(folder)).isInstanceOf(IOException.class);
    assertThatThrownBy(() -> RawFile.direct(folder.resolve("none")))
        .isInstanceOf(IOException.class);
  }

  static final class Quiet implements SurfaceScan.Listener {
    @Override
    public void progress(Progress progress) {}

    @Override
    public void checkpoint() {}
  }
}
