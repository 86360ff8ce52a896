package tekmerion.link.stick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Instant;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import org.bouncycastle.crypto.AsymmetricCipherKeyPair;
import org.bouncycastle.crypto.hpke.HPKE;
import org.junit.jupiter.api.Test;
import tekmerion.link.CaptureFile;
import tekmerion.link.LinkEvent;
import tekmerion.link.MachineNote;
import tekmerion.link.RunKind;

class StickStoreTest {
  private static final StickOpener OURS = StickOpener.ofSealKey(new byte[32]);
  private static final int PLACE = 3 * StickStore.SECTOR;
  private static final int SECTORS = 40;

  /** A stick in memory; a store lies in it. */
  private static final class Stick implements StickStore.Bytes {
    final byte[] all = new byte[PLACE + SECTORS * StickStore.SECTOR + 512];
    long failsFrom = Long.MAX_VALUE;

    Stick() {
      byte[] head = new StickStore.Head(PLACE, SECTORS * StickStore.SECTOR, OURS.key()).sector();
      System.arraycopy(head, 0, all, PLACE, head.length);
    }

    @Override
    public byte[] read(long at, int length) {
      return Arrays.copyOfRange(all, (int) at, (int) at + length);
    }

    @Override
    public void write(long at, byte[] what) throws IOException {
      for (int i = 0; i < what.length; i++) {
        if (failsFrom-- <= 0) {
          throw new IOException("pulled");
        }
        all[(int) at + i] = what[i];
      }
    }

    StickStore store() throws IOException {
      return StickStore.on(this, PLACE).orElseThrow();
    }

    /** As it is uploaded: from the store's first byte on. */
    StickStore uploaded() {
      return StickStore.in(Arrays.copyOfRange(all, PLACE, all.length)).orElseThrow();
    }
  }

  private static CaptureFile capture(String serial) {
    Instant at = Instant.parse("2026-11-30T10:00:00Z");
    return CaptureFile.of(
        "test",
        new MachineNote("Ostrel", "17-L4", serial, "", List.of(), List.of()),
        List.of(),
        List.of(
            new LinkEvent.RunEnded(
                UUID.randomUUID(),
                RunKind.BOARD,
                RunKind.MEMORY_TEST,
                at,
                at,
                LinkEvent.End.COULD_NOT_RUN,
                "no memory",
                null)));
  }

  @Test
  void keepsCapturesSealedAndGivesThemBackToTheShopAlone() throws IOException {
    Stick stick = new Stick();
    CaptureFile first = capture("OS-4411");
    CaptureFile second = capture("OS-4412");
    stick.store().keep(SealedCapture.seal(first, OURS.key()));
    StickStore.Kept again = SealedCapture.seal(second, OURS.key());
    stick.store().keep(again);
    stick.store().keep(again);

    List<StickStore.Kept> kept = stick.uploaded().kept();
    assertThat(kept)
        .extracting(k -> SealedCapture.open(k, OURS).orElseThrow())
        .containsExactly(first, second);
    StickOpener others = StickOpener.ofSealKey("another shop's 32 bytes of a key".getBytes());
    assertThat(kept).allMatch(k -> SealedCapture.open(k, others).isEmpty());
    // Nobody else is told whose machine it was.
    assertThat(new String(stick.all, java.nio.charset.StandardCharsets.ISO_8859_1))
        .doesNotContain("OS-44", "Ostrel");
  }

  /** Changed in any one place it does not open; bound to its id, it is no other capture either. */
  @Test
  void whatWasChangedDoesNotOpen() {
    StickStore.Kept kept = SealedCapture.seal(capture("OS-4411"), OURS.key());
    for (int i = 0; i < kept.sealed().length; i += 7) {
      byte[] changed = kept.sealed().clone();
      changed[i] ^= 1;
      assertThat(SealedCapture.open(new StickStore.Kept(kept.id(), changed), OURS)).isEmpty();
    }
    assertThat(SealedCapture.open(new StickStore.Kept(UUID.randomUUID(), kept.sealed()), OURS))
        .isEmpty();
  }

  /** Pulled after any byte: what was kept before is whole, and the next one is kept beside it. */
  @Test
  void pulledWhileItIsWrittenItLosesNothingThatWasKept() throws IOException {
    StickStore.Kept first = SealedCapture.seal(capture("OS-1"), OURS.key());
    StickStore.Kept second = SealedCapture.seal(capture("OS-2"), OURS.key());
    StickStore.Kept third = SealedCapture.seal(capture("OS-3"), OURS.key());
    for (int bytes = 0; bytes < 3 * StickStore.SECTOR; bytes += 61) {
      Stick stick = new Stick();
      stick.store().keep(first);
      stick.failsFrom = bytes;
      try {
        stick.store().keep(second);
        continue; // it was written whole
      } catch (IOException pulled) {
        stick.failsFrom = Long.MAX_VALUE;
      }
      stick.store().keep(third);
      assertThat(stick.uploaded().kept())
          .extracting(StickStore.Kept::id)
          .contains(first.id(), third.id());
    }
  }

  /** A damaged sector costs the capture that it is of, and no other; nothing is written over. */
  @Test
  void aDamagedSectorCostsOneCapture() throws IOException {
    for (int sector = 1; sector < 12; sector++) {
      Stick stick = new Stick();
      List<StickStore.Kept> three =
          List.of("OS-1", "OS-2", "OS-3").stream()
              .map(serial -> SealedCapture.seal(capture(serial), OURS.key()))
              .toList();
      for (StickStore.Kept one : three) {
        stick.store().keep(one);
      }
      int damaged = PLACE + sector * StickStore.SECTOR;
      if (stick.all[damaged] == 0 && stick.all[damaged + 20] == 0) {
        continue; // nothing stands there
      }
      Arrays.fill(stick.all, damaged, damaged + StickStore.SECTOR, (byte) 0xA5);
      assertThat(stick.uploaded().kept()).hasSize(2);
      byte[] before = stick.all.clone();
      StickStore.Kept more = SealedCapture.seal(capture("OS-4"), OURS.key());
      stick.store().keep(more);
      assertThat(stick.uploaded().kept())
          .hasSize(3)
          .extracting(StickStore.Kept::id)
          .contains(more.id());
      for (int i = 0; i < before.length; i++) {
        assertThat(before[i] == 0 || before[i] == stick.all[i]).isTrue();
      }
    }
  }

  @Test
  void aFullStoreSaysSoAndStaysAsItIs() throws IOException {
    Stick stick = new Stick();
    assertThatThrownBy(
            () -> {
              while (true) {
                stick.store().keep(SealedCapture.seal(capture("OS-4411"), OURS.key()));
              }
            })
        .isInstanceOf(StoreFullException.class);
    byte[] before = stick.all.clone();
    assertThatThrownBy(() -> stick.store().keep(SealedCapture.seal(capture("OS-9"), OURS.key())))
        .isInstanceOfSatisfying(
            StoreFullException.class, e -> assertThat(e.kept()).isGreaterThan(3));
    assertThat(stick.all).isEqualTo(before);
    // Behind the store stands what is not ours.
    assertThat(Arrays.copyOfRange(stick.all, stick.all.length - 512, stick.all.length))
        .containsOnly(0);
  }

  /** The first sector must say that it lies where it lies: a copy elsewhere is no store. */
  @Test
  void aStoreThatLiesElsewhereIsNone() throws IOException {
    Stick stick = new Stick();
    System.arraycopy(stick.all, PLACE, stick.all, PLACE + 512, 512);
    assertThat(StickStore.on(stick, PLACE + 512)).isEmpty();
    stick.all[PLACE + 20] ^= 1;
    assertThat(StickStore.on(stick, PLACE)).isEmpty();
  }

  @Test
  void aKeyIsWrittenAndReadAsText() {
    assertThat(StickKey.parse(OURS.key().toString().toUpperCase())).isEqualTo(OURS.key());
    assertThatThrownBy(() -> StickKey.parse("sha256:" + "ab".repeat(32)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** RFC 9180, appendix A.1.1: skRm and pkRm of ikmR, by the same derivation. */
  @Test
  void derivesPairsAsTheStandardDoes() {
    byte[] ikm =
        HexFormat.of().parseHex("6db9df30aa07dd42ee5e8181afdb977e538f5e1fec8a06223f33f7013e525037");
    HPKE hpke = StickKey.suite();
    AsymmetricCipherKeyPair pair = hpke.deriveKeyPair(ikm);
    assertThat(HexFormat.of().formatHex(hpke.serializePublicKey(pair.getPublic())))
        .isEqualTo("3948cfe0ad1ddb695d780e59077195da6c56506b027329794ab02bca80815c4d");
    assertThat(new StickOpener(ikm).key())
        .isEqualTo(
            StickKey.parse(
                "x25519:3948cfe0ad1ddb695d780e59077195da6c56506b027329794ab02bca80815c4d"));
  }
}
