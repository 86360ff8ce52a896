package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import tekmerion.core.port.DriveWriter;
import tekmerion.core.port.MachineUnderTest;

/** Writes to a block device of this computer. */
final class RawWriter implements DriveWriter {
  private final FileChannel channel;
  private final ReadOnlyMark mark;

  private RawWriter(FileChannel channel, ReadOnlyMark mark) {
    this.channel = channel;
    this.mark = mark;
  }

  /** Never for what the running system uses. */
  static MachineUnderTest.WriterOpener of(SysDrive drive) {
    Path device = drive.device();
    return new MachineUnderTest.WriterOpener() {
      @Override
      public Optional<String> offLimits() {
        Optional<SysDrive> now = LocalDrives.find(device.toString());
        if (now.isEmpty()) {
          return Optional.of(say("probe.it-is-not-there-any-more"));
        }
        if (now.get().systemDrive()) {
          return Optional.of(say("probe.the-running-system-lies-on-it"));
        }
        return now.get().mounted()
            ? Optional.of(say("probe.something-of-it-is-mounted"))
            : Optional.empty();
      }

      @Override
      public DriveWriter open() throws IOException {
        ReadOnlyMark mark = ReadOnlyMark.takenOff(device);
        try {
          return new RawWriter(FileChannel.open(device, StandardOpenOption.WRITE), mark);
        } catch (IOException e) {
          mark.putBack();
          throw e;
        }
      }
    };
  }

  @Override
  public void write(long offset, byte[] bytes) throws IOException {
    ByteBuffer buffer = ByteBuffer.wrap(bytes);
    while (buffer.hasRemaining()) {
      channel.write(buffer, offset + buffer.position());
    }
    channel.force(false); // so that a refusal is told here, not later
  }

  @Override
  public void flush() throws IOException {
    channel.force(true);
  }

  @Override
  public void close() {
    try {
      channel.close();
    } catch (IOException e) {
      // Everything was forced out by then.
    } finally {
      mark.putBack();
    }
  }
}
