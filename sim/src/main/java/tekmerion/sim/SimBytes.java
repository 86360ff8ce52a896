package tekmerion.sim;

import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;
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
  public ReadResult read(long offset, int length) {
    ReadResult result = surface.read(offset, length);
    return result instanceof ReadResult.Data data
        ? new ReadResult.Data(() -> content.read(offset, length), data.latencyNanos())
        : result;
  }

  @Override
  public void close() {
    surface.close();
  }
}
