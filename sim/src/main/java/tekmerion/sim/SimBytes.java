package tekmerion.sim;

import java.util.Optional;
import tekmerion.core.port.BlockSource;
import tekmerion.core.port.ByteSource;
import tekmerion.sim.disk.DiskContent;

/** What is on a simulated drive, read as fast and as far as its surface lets it. */
final class SimBytes implements ByteSource {
  private final SimSurface surface;
  private final DiskContent content;

  SimBytes(SimSurface surface, DiskContent content) {
    this.surface = surface;
    this.content = content;
  }

  @Override
  public long sizeBytes() {
    return surface.identity().sizeBytes();
  }

  @Override
  public int sectorBytes() {
    return surface.identity().sectorBytes();
  }

  @Override
  public Optional<byte[]> read(long offset, int length) {
    return surface.read(offset, length).kind() == BlockSource.Answer.Kind.READ
        ? Optional.of(content.read(offset, length))
        : Optional.empty();
  }

  @Override
  public void close() {
    surface.close();
  }
}
