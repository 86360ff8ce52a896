package tekmerion.sim.board;

import java.time.Duration;
import java.util.OptionalDouble;
import java.util.concurrent.locks.LockSupport;
import tekmerion.core.port.MemoryRegion;

/** Simulated memory that takes the time that real memory of its machine would. */
final class Paced implements MemoryRegion {
  /** Of 16 GB at 10 GB a second, read and written several times. */
  private static final double NANOS_A_SWEEP = 15e9;

  private final MemoryRegion memory;
  private final String coverage;
  private final double speed;

  Paced(MemoryRegion memory, String coverage, double speed) {
    this.memory = memory;
    this.coverage = coverage;
    this.speed = speed;
  }

  @Override
  public void sweep(
      long from, long to, boolean down, Operation[] operations, Data data, Mismatch mismatch) {
    memory.sweep(from, to, down, operations, data, mismatch);
    LockSupport.parkNanos((long) (NANOS_A_SWEEP / speed));
  }

  @Override
  public long words() {
    return memory.words();
  }

  @Override
  public long read(long word) {
    return memory.read(word);
  }

  @Override
  public void write(long word, long value) {
    memory.write(word, value);
  }

  @Override
  public void hold(Duration time) {
    memory.hold(time);
  }

  @Override
  public OptionalDouble celsius() {
    return memory.celsius();
  }

  @Override
  public String coverage() {
    return coverage;
  }

  @Override
  public void close() {
    memory.close();
  }
}
