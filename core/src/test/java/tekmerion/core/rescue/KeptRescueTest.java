package tekmerion.core.rescue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tekmerion.core.port.ByteSource;
import tekmerion.core.port.ReadResult;

/** What is kept of a rescue, and what it says of the image. */
class KeptRescueTest {
  private static final int MIB = 1 << 20;
  private static final int SIZE = 3 * MIB + 700;

  /** Bytes in memory, of which one place may not be readable. */
  private static final class Held implements ByteSource {
    private final byte[] bytes;
    private long unreadable = -1;
    private boolean closed;

    Held(byte[] bytes) {
      this.bytes = bytes;
    }

    @Override
    public long sizeBytes() {
      return bytes.length;
    }

    @Override
    public int sectorBytes() {
      return 4096;
    }

    @Override
    public ReadResult read(long offset, int length) {
      return unreadable >= offset && unreadable < offset + length
          ? new ReadResult.MediumError(0, "input/output error")
          : ReadResult.data(Arrays.copyOfRange(bytes, (int) offset, (int) offset + length), 0);
    }

    @Override
    public void close() {
      closed = true;
    }
  }

  private static byte[] content() {
    byte[] bytes = new byte[SIZE];
    for (int i = 0; i < SIZE; i++) {
      bytes[i] = (byte) (i ^ i >>> 9);
    }
    return bytes;
  }

  /** All of it read but the second mebibyte's first sector. */
  private static KeptRescue kept() {
    KeptRescue kept = KeptRescue.begin(SIZE);
    byte[] bytes = content();
    kept.sums().add(0, Arrays.copyOf(bytes, MIB));
    kept.sums().add(MIB + 512, Arrays.copyOfRange(bytes, MIB + 512, SIZE));
    kept.map().set(0, MIB, State.READ);
    kept.map().set(MIB, MIB + 512, State.BAD);
    kept.map().set(MIB + 512, SIZE, State.READ);
    return kept;
  }

  @Test
  void isTheSameAfterItWasWrittenAndRead() {
    KeptRescue again = KeptRescue.parse(kept().text());

    assertThat(again.map().stretches())
        .containsExactly(
            new RescueMap.Stretch(0, MIB, State.READ),
            new RescueMap.Stretch(MIB, MIB + 512, State.BAD),
            new RescueMap.Stretch(MIB + 512, SIZE, State.READ));
    assertThat(again.sums().differing(kept().sums())).isEmpty();
    assertThat(again.sums().whole()).isEqualTo(kept().sums().whole()).hasSize(64);
    assertThat(again.text()).isEqualTo(kept().text());
  }

  @Test
  void ofNothingReadKeepsNoSum() {
    KeptRescue begun = KeptRescue.begin(SIZE);

    assertThat(begun.text())
        .isEqualTo("tekmerion rescue map 1\n%d\n0 %d ?\nsums\n".formatted(SIZE, SIZE));
    assertThat(KeptRescue.parse(begun.text()).sums().text()).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "tekmerion rescue map 1\n512\n0 512 +\n", // no sums
        "sums\n",
        "tekmerion rescue map 2\n512\n0 512 +\nsums\n",
        "tekmerion rescue map 1\n512\n0 256 +\nsums\n", // ends before the source
        "tekmerion rescue map 1\n512\n0 256 +\n257 255 +\nsums\n", // a gap
        "tekmerion rescue map 1\n512\n0 0 +\n0 512 +\nsums\n",
        "tekmerion rescue map 1\n512\n0 512 x\nsums\n",
        "tekmerion rescue map 1\n0\n0 512 +\nsums\n",
        "tekmerion rescue map 1\n512\n0 512 +\nsums\n0 00ff\n",
        "tekmerion rescue map 1\n512\n0 512 +\nsums\n1 0000000000000000000000000000000000000000000000000000000000000000\n",
      })
  void refusesWhatIsDamaged(String text) {
    assertThatThrownBy(() -> KeptRescue.parse(text)).isInstanceOf(IllegalArgumentException.class);
  }

  /** SHA-256 over the sector's number (8 bytes, low first) and its content, as four numbers. */
  @Test
  void aSumIsThatOfTheSectorsInAnyOrder() throws Exception {
    byte[] bytes = content();
    long[] expected = new long[4];
    for (int sector : new int[] {0, 1}) {
      MessageDigest sha = MessageDigest.getInstance("SHA-256");
      sha.update(ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN).putLong(0, sector).array());
      sha.update(bytes, 512 * sector, 512);
      ByteBuffer digest = ByteBuffer.wrap(sha.digest());
      for (int lane = 0; lane < 4; lane++) {
        expected[lane] += digest.getLong();
      }
    }
    ReadSums sums = new ReadSums(SIZE);
    sums.add(512, Arrays.copyOfRange(bytes, 512, 1024));
    sums.add(0, Arrays.copyOf(bytes, 512));

    assertThat(sums.text())
        .isEqualTo(
            "0 %016x%016x%016x%016x\n"
                .formatted(expected[0], expected[1], expected[2], expected[3]));
    assertThatThrownBy(() -> sums.add(100, new byte[512])).hasMessageContaining("100");
  }

  /** At most 256 zones of whole mebibytes. */
  @ParameterizedTest(name = "{0} MiB: zones of {1} MiB")
  @CsvSource({"1, 1", "256, 1", "257, 2", "512, 2", "513, 3"})
  void zonesAreAsFewAsTheyMay(long mebibytes, long zone) {
    assertThat(new ReadSums(mebibytes * MIB).zoneBytes()).isEqualTo(zone * MIB);
  }

  @Test
  void tellsTheZoneOfAnotherSector() {
    ReadSums one = new ReadSums(SIZE);
    ReadSums other = new ReadSums(SIZE);
    one.add(0, new byte[1024]);
    other.add(0, new byte[512]);
    one.add(2 * MIB, new byte[512]);
    other.add(2 * MIB, new byte[512]);
    one.add(3 * MIB + 512, new byte[188]); // the source's last one, cut
    other.add(3 * MIB + 512, new byte[187]);

    assertThat(one.differing(other)).containsExactly(0, 3);
    assertThatThrownBy(() -> one.differing(new ReadSums(SIZE + 1)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void anImageThatHoldsWhatWasReadAgrees() {
    byte[] image = content();
    Arrays.fill(image, MIB, MIB + 512, (byte) 0); // was not read: may be anything
    List<Long> told = new ArrayList<>();

    RescueCheck.Checked checked =
        RescueCheck.run(kept(), new Held(image), told::add, () -> false).orElseThrow();

    assertThat(checked.agrees()).isTrue();
    assertThat(checked.checkedBytes()).isEqualTo(SIZE - 512);
    assertThat(checked.zoneBytes()).isEqualTo(MIB);
    // In pieces of a mebibyte from where each stretch begins.
    assertThat(told).containsExactly((long) MIB, 2L * MIB, 3L * MIB, (long) SIZE - 512);
  }

  @Test
  void aByteThatChangedSinceIsInItsZone() {
    byte[] image = content();
    image[2 * MIB + 5] ^= 1;

    RescueCheck.Checked checked =
        RescueCheck.run(kept(), new Held(image), n -> {}, () -> false).orElseThrow();

    assertThat(checked.agrees()).isFalse();
    assertThat(checked.differingZones()).containsExactly(2);
  }

  @Test
  void whatCannotBeReadOfTheImageOrIsCutOffDiffers() {
    Held image = new Held(content());
    image.unreadable = 10;
    Held cut = new Held(Arrays.copyOf(content(), SIZE - 1));

    assertThat(RescueCheck.run(kept(), image, n -> {}, () -> false))
        .hasValueSatisfying(c -> assertThat(c.differingZones()).containsExactly(0));
    assertThat(RescueCheck.run(kept(), cut, n -> {}, () -> false))
        .hasValueSatisfying(c -> assertThat(c.differingZones()).containsExactly(3));
  }

  @Test
  void aCheckThatIsStoppedSaysNothing() {
    List<Long> told = new ArrayList<>();

    assertThat(RescueCheck.run(kept(), new Held(content()), told::add, () -> told.size() == 2))
        .isEmpty();
    assertThat(told).hasSize(2);
  }

  @Test
  void whatWasReadComesFromTheImageAndTheRestFromTheSource() {
    byte[] blank = new byte[SIZE];
    Held image = new Held(content());
    Held source = new Held(blank);
    try (RescuedBytes rescued = new RescuedBytes(image, kept().map(), Optional.of(source))) {
      assertThat(rescued.sizeBytes()).isEqualTo(SIZE);
      assertThat(rescued.sectorBytes()).isEqualTo(4096);
      assertThat(rescued.bytes(512, 512)).hasValue(Arrays.copyOfRange(content(), 512, 1024));
      // Where a part was not read, the source is asked for all of it.
      assertThat(rescued.bytes(MIB - 512, 1024)).hasValue(new byte[1024]);
    }
    assertThat(image.closed).isTrue();
    assertThat(source.closed).isFalse(); // whoever opened it closes it
  }

  @Test
  void whatWasNotReadIsUnreadableWithoutASource() {
    RescuedBytes rescued = new RescuedBytes(new Held(content()), kept().map(), Optional.empty());

    assertThat(rescued.read(MIB, 512)).isInstanceOf(ReadResult.MediumError.class);
    assertThat(rescued.bytes(MIB + 512, 512)).isPresent();
  }

  @Test
  void theMapCountsAndFinds() {
    RescueMap map = kept().map();

    assertThat(map.bytes(State.READ, MIB - 100, 712)).isEqualTo(200); // 100 before, 100 after
    assertThat(map.bytes(State.BAD, MIB - 100, 712)).isEqualTo(512);
    assertThat(map.bytes(State.READ, SIZE - 10, 100)).isEqualTo(10);
    assertThat(map.bytes(State.READ, -5, 10)).isEqualTo(5);
    assertThat(map.next(State.READ, MIB))
        .hasValue(new RescueMap.Stretch(MIB + 512, SIZE, State.READ));
    assertThat(map.next(State.READ, 7)).hasValue(new RescueMap.Stretch(7, MIB, State.READ));
    assertThat(map.next(State.BAD, MIB + 512)).isEmpty();
    assertThat(map.previous(State.READ, MIB + 600))
        .hasValue(new RescueMap.Stretch(MIB + 512, MIB + 600, State.READ));
    assertThat(map.previous(State.READ, MIB)).hasValue(new RescueMap.Stretch(0, MIB, State.READ));
    assertThat(map.previous(State.READ, 0)).isEmpty();
  }

  @Test
  void whatIsLostCanBeTriedAgain() {
    RescueMap map = kept().map();
    map.set(0, 512, State.UNANSWERED);
    assertThat(map.lostBytes()).isEqualTo(1024);

    map.tryLostAgain();

    assertThat(map.lostBytes()).isZero();
    assertThat(map.bytes(State.TRIMMED)).isEqualTo(1024);
    assertThat(map.bytes(State.READ)).isEqualTo(SIZE - 1024);
  }

  /** Neighbours of one state are one stretch, whatever was set before. */
  @Test
  void neighboursOfOneStateAreOne() {
    RescueMap map = new RescueMap(100);
    map.set(10, 20, State.READ);
    map.set(30, 40, State.READ);
    map.set(20, 30, State.READ);
    map.set(-5, 3, State.BAD);
    map.set(98, 500, State.BAD);
    map.set(50, 50, State.BAD);

    assertThat(map.stretches())
        .extracting(s -> "%d-%d %s".formatted(s.from(), s.to(), s.state()))
        .containsExactly("0-3 BAD", "3-10 UNTRIED", "10-40 READ", "40-98 UNTRIED", "98-100 BAD");
  }
}
