package tekmerion.sim;

import java.io.IOException;
import java.util.Optional;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.ReadResult;
import tekmerion.sim.disk.DiskContent;

/** Writes to a simulated disk, which takes as long as reading it; damaged places take nothing. */
final class SimWriter implements DriveWriter {
  private final SimSurface surface;
  private final DiskContent content;

  private SimWriter(SimSurface surface, DiskContent content) {
    this.surface = surface;
    this.content = content;
  }

  interface Surface {
    SimSurface open();
  }

  /**
   * @param offLimits why it is never written to; empty if nothing speaks against it
   */
  static MachineUnderTest.WriterOpener of(
      Surface surface, DiskContent content, Optional<String> offLimits) {
    return new MachineUnderTest.WriterOpener() {
      @Override
      public Optional<String> offLimits() {
        return offLimits;
      }

      @Override
      public DriveWriter open() {
        return new SimWriter(surface.open(), content);
      }
    };
  }

  @Override
  public void write(long offset, byte[] bytes) throws IOException {
    if (surface.read(offset, bytes.length) instanceof ReadResult.Failure failure) {
      throw new IOException(failure.why());
    }
    content.write(offset, bytes);
  }

  @Override
  public void flush() {
    // written at once
  }

  @Override
  public void close() {
    surface.close();
  }
}
