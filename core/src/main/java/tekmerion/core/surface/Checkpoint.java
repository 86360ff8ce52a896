package tekmerion.core.surface;

import static tekmerion.words.Words.say;

import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.util.BitSet;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.CheckedOutputStream;
import tekmerion.core.port.BlockSource;

/**
 * A pass as bytes, so that it can go on after anything. Its own small format, versioned, with a
 * CRC-32 at the end: a file that was cut off is refused, not guessed.
 */
final class Checkpoint {
  private static final int MAGIC = 0x54534632; // "TSF2"

  private Checkpoint() {}

  static void write(ScanState state, OutputStream to) throws IOException {
    CheckedOutputStream checked = new CheckedOutputStream(to, new CRC32());
    DataOutputStream out = new DataOutputStream(checked);
    out.writeInt(MAGIC);
    out.writeUTF(state.source.name());
    out.writeLong(state.source.sizeBytes());
    out.writeInt(state.source.sectorBytes());
    out.writeInt(state.source.physicalBytes());
    out.writeInt(state.plan.blockBytes());
    out.writeInt(state.plan.zones());
    out.writeBoolean(state.plan.sampledOnly());
    out.writeInt(state.plan.sampleRounds());
    out.writeLong(state.plan.seed());
    out.writeLong(state.sampleSteps);
    out.writeLong(state.sampled);
    out.writeLong(state.sampledBad);
    out.writeLong(state.fillFrom);
    out.writeLong(state.errorNanos);
    out.writeLong(state.busyNanos);
    out.writeInt(state.unanswered);
    out.writeLong(state.unansweredBytes);
    byte[] bits = state.done.toByteArray();
    out.writeInt(bits.length);
    out.write(bits);
    for (int i = 0; i < state.plan.zones(); i++) {
      int[] sparse = state.latencies[i].sparse();
      out.writeInt(sparse.length);
      for (int value : sparse) {
        out.writeInt(value);
      }
      out.writeLong(state.latencies[i].maxNanos());
      out.writeInt(state.errors[i]);
      out.writeInt(state.retries[i]);
      out.writeInt(state.badSectors[i]);
    }
    out.writeInt(state.badEnds.size());
    for (BadRange range : state.bad()) {
      out.writeLong(range.firstSector());
      out.writeLong(range.sectors());
    }
    long crc = checked.getChecksum().getValue();
    out.writeLong(crc);
    out.flush();
  }

  /**
   * @throws CheckpointException if the bytes are damaged, or of another drive or plan
   */
  static ScanState read(InputStream from, BlockSource.Identity source, Plan plan)
      throws IOException {
    CheckedInputStream checked = new CheckedInputStream(from, new CRC32());
    DataInputStream in = new DataInputStream(checked);
    require(in.readInt() == MAGIC, say("surface.it-is-no-record-of-a"));
    boolean same =
        in.readUTF().equals(source.name())
            & in.readLong() == source.sizeBytes()
            & in.readInt() == source.sectorBytes()
            & in.readInt() == source.physicalBytes();
    require(same, say("surface.it-is-of-another-drive"));
    boolean samePlan =
        in.readInt() == plan.blockBytes()
            & in.readInt() == plan.zones()
            & in.readBoolean() == plan.sampledOnly()
            & in.readInt() == plan.sampleRounds()
            & in.readLong() == plan.seed();
    require(samePlan, say("surface.it-is-of-another-plan"));
    return rest(new ScanState(source, plan), in, checked);
  }

  /**
   * Without its drive: what was found until then.
   *
   * @throws CheckpointException if the bytes are damaged
   */
  static ScanState read(InputStream from) throws IOException {
    byte[] bytes = from.readAllBytes();
    mustHold(bytes); // before a size in it is believed
    CheckedInputStream checked =
        new CheckedInputStream(new ByteArrayInputStream(bytes), new CRC32());
    DataInputStream in = new DataInputStream(checked);
    require(in.readInt() == MAGIC, say("surface.it-is-no-record-of-a"));
    try {
      BlockSource.Identity source =
          new BlockSource.Identity(in.readUTF(), in.readLong(), in.readInt(), in.readInt(), false);
      int blockBytes = in.readInt();
      int zones = in.readInt();
      Plan plan =
          new Plan(
              blockBytes,
              zones,
              in.readBoolean(),
              in.readInt(),
              0,
              Long.MAX_VALUE,
              Double.MAX_VALUE,
              in.readLong());
      return rest(new ScanState(source, plan), in, checked);
    } catch (IllegalArgumentException e) {
      throw new CheckpointException(say("surface.the-kept-state-of-the-surface"));
    }
  }

  private static void mustHold(byte[] bytes) throws IOException {
    require(bytes.length > Long.BYTES, say("surface.it-is-too-short"));
    CRC32 crc = new CRC32();
    crc.update(bytes, 0, bytes.length - Long.BYTES);
    long stored = ByteBuffer.wrap(bytes, bytes.length - Long.BYTES, Long.BYTES).getLong();
    require(stored == crc.getValue(), say("surface.its-checksum-does-not-hold"));
  }

  private static ScanState rest(ScanState state, DataInputStream in, CheckedInputStream checked)
      throws IOException {
    state.sampleSteps = in.readLong();
    state.sampled = in.readLong();
    state.sampledBad = in.readLong();
    state.fillFrom = in.readLong();
    state.errorNanos = in.readLong();
    state.busyNanos = in.readLong();
    state.unanswered = in.readInt();
    state.unansweredBytes = in.readLong();
    int length = in.readInt();
    require(
        length >= 0 && length <= state.blocks / 8 + 1, say("surface.its-map-is-longer-than-the"));
    state.done.or(BitSet.valueOf(in.readNBytes(length)));
    state.doneBlocks = state.done.cardinality();
    for (int i = 0; i < state.plan.zones(); i++) {
      int values = in.readInt();
      require(
          values >= 0 && values <= 2 * Latencies.BUCKETS, say("surface.its-latencies-are-damaged"));
      int[] sparse = new int[values];
      for (int k = 0; k < values; k++) {
        sparse[k] = in.readInt();
        require(k % 2 == 1 || sparse[k] >= 0 && sparse[k] < Latencies.BUCKETS, "damaged");
      }
      state.latencies[i] = Latencies.of(sparse, in.readLong());
      state.errors[i] = in.readInt();
      state.retries[i] = in.readInt();
      state.badSectors[i] = in.readInt();
    }
    int ranges = in.readInt();
    require(ranges >= 0, "damaged");
    for (int i = 0; i < ranges; i++) {
      long first = in.readLong();
      state.badEnds.put(first, first + in.readLong());
    }
    long crc = checked.getChecksum().getValue();
    require(in.readLong() == crc, say("surface.its-checksum-does-not-hold"));
    return state;
  }

  private static void require(boolean holds, String what) throws CheckpointException {
    if (!holds) {
      throw new CheckpointException(say("surface.the-kept-state-of-the-surface-2", "what", what));
    }
  }
}
