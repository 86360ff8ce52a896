package tekmerion.probe.linux;

import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.Optional;
import tekmerion.link.stick.StickKey;
import tekmerion.link.stick.StickStore;
import tekmerion.link.stick.StickStore.Head;

/**
 * The stick that this system was started from, while it is plugged in, and the store on it. It is
 * known by the name of its partition and by the store's first sector, which must hold this shop's
 * key and say that it lies where it lies: a drive of the machine has neither. It is written to
 * within the store only, and read-only in the kernel before and after.
 */
public final class StickDevice implements StickStore.Bytes {
  /** The store lies in its first partition: its first sector is within so much. */
  private static final int LOOK_BYTES = 8 << 20;

  private final Path device;
  private final Head head;

  private StickDevice(Path device, Head head) {
    this.device = device;
    this.head = head;
  }

  /**
   * @param key of the shop whose stick it must be
   * @return empty if it is not plugged in, or has no store of this shop
   */
  public static Optional<StickStore> find(StickKey key) throws IOException {
    Optional<SysDrive> stick = LocalDrives.stick();
    return stick.isEmpty() ? Optional.empty() : on(stick.get().device(), key);
  }

  /** The store of this shop on a device or in an image; empty if none is there. */
  static Optional<StickStore> on(Path device, StickKey key) throws IOException {
    byte[] begin;
    try (FileChannel channel = FileChannel.open(device, StandardOpenOption.READ)) {
      begin = read(channel, 0, LOOK_BYTES);
    }
    for (int at = 0; at < begin.length; at += StickStore.SECTOR) {
      int here = at;
      Optional<Head> head =
          Head.of(Arrays.copyOfRange(begin, at, at + StickStore.SECTOR))
              .filter(h -> h.at() == here && h.key().equals(key));
      if (head.isPresent()) {
        return StickStore.on(new StickDevice(device, head.get()), at);
      }
    }
    return Optional.empty();
  }

  @Override
  public byte[] read(long at, int length) throws IOException {
    try (FileChannel channel = FileChannel.open(device, StandardOpenOption.READ)) {
      return read(channel, at, length);
    }
  }

  private static byte[] read(FileChannel channel, long at, int length) throws IOException {
    ByteBuffer into = ByteBuffer.allocate(length);
    while (into.hasRemaining()) {
      if (channel.read(into, at + into.position()) < 0) {
        throw new EOFException("it ends before byte " + (at + length));
      }
    }
    return into.array();
  }

  @Override
  public void write(long at, byte[] what) throws IOException {
    if (at < head.at() + StickStore.SECTOR || at + what.length > head.at() + head.length()) {
      throw new IOException("%d bytes at %d are not in the store".formatted(what.length, at));
    }
    ReadOnlyMark mark = ReadOnlyMark.takenOff(device);
    try (FileChannel channel = FileChannel.open(device, StandardOpenOption.WRITE)) {
      ByteBuffer from = ByteBuffer.wrap(what);
      while (from.hasRemaining()) {
        channel.write(from, at + from.position());
      }
      channel.force(true);
    } finally {
      mark.putBack();
    }
  }
}
