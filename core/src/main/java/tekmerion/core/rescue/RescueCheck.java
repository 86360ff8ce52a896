package tekmerion.core.rescue;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import tekmerion.core.port.ByteSource;
import tekmerion.core.rescue.RescueMap.Stretch;

/** Reads an image again and compares it with what was read of its source. */
public final class RescueCheck {
  private static final int CHUNK = 1 << 20;

  private RescueCheck() {}

  /**
   * What came of it.
   *
   * @param checkedBytes that were read again
   * @param differingZones indices of zones whose sums are not the same
   * @param zoneBytes length of a zone
   */
  public record Checked(long checkedBytes, List<Integer> differingZones, long zoneBytes) {
    public boolean agrees() {
      return differingZones.isEmpty();
    }
  }

  /**
   * @param told how many bytes were read again until now
   * @return empty if it was stopped
   */
  public static Optional<Checked> run(
      KeptRescue kept, ByteSource image, LongConsumer told, BooleanSupplier stopped) {
    ReadSums again = new ReadSums(kept.map().size());
    long checked = 0;
    for (Stretch stretch : kept.map().stretches()) {
      for (long at = stretch.from();
          stretch.state() == State.READ && at < stretch.to();
          at += CHUNK) {
        if (stopped.getAsBoolean()) {
          return Optional.empty();
        }
        int length = (int) Math.min(CHUNK, stretch.to() - at);
        // What cannot be read of the image makes no sum, and so differs.
        long from = at;
        if (at + length <= image.sizeBytes()) {
          image.bytes(at, length).ifPresent(bytes -> again.add(from, bytes));
        }
        checked += length;
        told.accept(checked);
      }
    }
    return Optional.of(new Checked(checked, kept.sums().differing(again), again.zoneBytes()));
  }
}
