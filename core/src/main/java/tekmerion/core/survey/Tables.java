package tekmerion.core.survey;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.zip.CRC32;
import tekmerion.core.page.RawPage;

/**
 * Reads the table of partitions.
 *
 * @see "GPT: UEFI Specification 2.10, chapter 5; MBR with its chain of extended ones: the same,
 *     5.2.1, and the convention that Linux follows in block/partitions/msdos.c"
 */
final class Tables {
  private static final int SIGNATURE = 0xAA55;
  private static final int PROTECTIVE = 0xEE;
  private static final int ENTRY_AT = 446;
  private static final int MAX_ENTRIES = 1024;
  private static final int MAX_LOGICAL = 128;
  private static final String EFI_PART = "EFI PART";

  private static final Set<String> APM_NOT_VOLUMES =
      Set.of("Apple_partition_map", "Apple_Free", "Apple_Scratch", "Apple_Patches");

  private Tables() {}

  static Table read(Window w) {
    for (int sector :
        w.sectorBytes() == 512 ? new int[] {512, 4096} : new int[] {w.sectorBytes()}) {
      Optional<Table> gpt = gpt(w, sector);
      if (gpt.isPresent()) {
        return gpt.get();
      }
    }
    return mbr(w).or(() -> apm(w)).orElse(Table.NONE);
  }

  /** A header with what its own checks say. */
  private record Header(RawPage page, boolean holds, List<Table.Entry> entries, boolean listHolds) {
    boolean isWhole() {
      return holds && listHolds;
    }
  }

  private static Optional<Table> gpt(Window w, int sector) {
    long lastAt = w.size() / sector * sector - sector;
    Optional<Header> first = header(w, sector, sector);
    Optional<Header> last = header(w, lastAt, sector);
    if (first.isEmpty() && last.isEmpty()) {
      return Optional.empty();
    }
    boolean mbrThere = w.at(0, 512).filter(p -> p.u16(510) == SIGNATURE).isPresent();
    boolean good = first.filter(Header::isWhole).isPresent();
    boolean copy = last.filter(Header::isWhole).isPresent();
    List<Damage> damage = new ArrayList<>();
    if (!good) {
      damage.add(
          new Damage(
              first.isEmpty()
                  ? say("survey.the-gpt-header-is-lost")
                  : say("survey.the-gpt-fails-its-own-checksum"),
              w.start() + sector,
              sector,
              copy ? Optional.of(w.start() + lastAt) : Optional.empty()));
    }
    if (!copy) {
      damage.add(
          new Damage(
              last.isEmpty()
                  ? say("survey.the-copy-of-the-gpt-at")
                  : say("survey.the-copy-of-the-gpt-at-2"),
              w.start() + lastAt,
              sector,
              good ? Optional.of(w.start() + sector) : Optional.empty()));
    }
    if (!mbrThere) {
      damage.add(
          new Damage(
              say("survey.the-protective-mbr-is-lost-the"),
              w.start(),
              512,
              good
                  ? Optional.of(w.start() + sector)
                  : copy ? Optional.of(w.start() + lastAt) : Optional.empty()));
    }
    List<Table.Entry> entries =
        good
            ? first.get().entries()
            : copy ? last.get().entries() : first.or(() -> last).get().entries();
    return Optional.of(new Table(isHybrid(w) ? Scheme.HYBRID : Scheme.GPT, entries, damage));
  }

  private static Optional<Header> header(Window w, long at, int sector) {
    Optional<RawPage> page = w.at(at, 92).filter(p -> says(p, EFI_PART));
    if (page.isEmpty()) {
      return Optional.empty();
    }
    RawPage p = page.get();
    long size = p.unsignedLe(12, 4);
    boolean holds =
        size >= 92
            && size <= sector
            && w.at(at, (int) size)
                .filter(whole -> crc(whole, 16) == p.unsignedLe(16, 4))
                .isPresent();
    long listAt = p.unsignedLe(72, 7) * sector;
    int count = (int) Math.min(MAX_ENTRIES, p.unsignedLe(80, 4));
    int each = (int) Math.min(4096, p.unsignedLe(84, 4));
    if (each < 128 || count == 0) {
      return Optional.of(new Header(p, holds, List.of(), false));
    }
    Optional<RawPage> list = w.at(listAt, count * each);
    boolean listHolds = list.filter(l -> crc(l, -1) == p.unsignedLe(88, 4)).isPresent();
    return Optional.of(
        new Header(
            p, holds, list.map(l -> entries(l, count, each, sector)).orElse(List.of()), listHolds));
  }

  private static List<Table.Entry> entries(RawPage list, int count, int each, int sector) {
    List<Table.Entry> entries = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      int at = i * each;
      if (list.isFilledWith(0, at, 16)) {
        continue;
      }
      long first = list.unsignedLe(at + 32, 7);
      long last = list.unsignedLe(at + 40, 7);
      entries.add(
          new Table.Entry(
              i + 1,
              Window.guid(list, at),
              Window.text(list, at + 56, 72, StandardCharsets.UTF_16LE).orElse(""),
              first * sector,
              Math.max(0, last - first + 1) * sector));
    }
    return entries;
  }

  /** CRC-32 with four bytes taken as zero. */
  private static long crc(RawPage page, int zeroAt) {
    byte[] bytes = page.bytes();
    for (int i = 0; zeroAt >= 0 && i < 4; i++) {
      bytes[zeroAt + i] = 0;
    }
    CRC32 crc = new CRC32();
    crc.update(bytes);
    return crc.getValue();
  }

  private static boolean isHybrid(Window w) {
    return w.at(0, 512)
        .filter(p -> p.u16(510) == SIGNATURE)
        .map(
            p -> {
              int others = 0;
              for (int i = 0; i < 4; i++) {
                int type = p.u8(ENTRY_AT + 16 * i + 4);
                others += type != 0 && type != PROTECTIVE ? 1 : 0;
              }
              return others > 0;
            })
        .orElse(false);
  }

  /** Only if its entries can be a table: a boot sector of a volume has the same signature. */
  private static Optional<Table> mbr(Window w) {
    Optional<RawPage> page = w.at(0, 512);
    if (page.isEmpty() || BootSectors.recognise(w).isPresent()) {
      return Optional.empty();
    }
    RawPage p = page.get();
    List<Table.Entry> entries = new ArrayList<>();
    List<Damage> damage = new ArrayList<>();
    if (p.u16(510) != SIGNATURE) {
      if (!canBeEntries(w, p)) {
        return Optional.empty();
      }
      damage.add(
          new Damage(
              say("survey.the-table-has-lost-its-signature"), w.start(), 512, Optional.empty()));
    }
    for (int i = 0; i < 4; i++) {
      int at = ENTRY_AT + 16 * i;
      int boot = p.u8(at);
      int type = p.u8(at + 4);
      long first = p.unsignedLe(at + 8, 4);
      long count = p.unsignedLe(at + 12, 4);
      if (boot != 0 && boot != 0x80) {
        return Optional.empty();
      }
      if (type == PROTECTIVE) {
        damage.add(
            new Damage(say("survey.the-mbr-speaks-of-a-gpt"), w.start(), 512, Optional.empty()));
      } else if (type == 0x05 || type == 0x0F || type == 0x85) {
        chain(w, first, entries, damage);
      } else if (type != 0 && count > 0) {
        entries.add(new Table.Entry(i + 1, "%02X".formatted(type), "", first * 512, count * 512));
      }
    }
    boolean ofGptOnly = entries.isEmpty() && !damage.isEmpty();
    boolean protective = p.u8(ENTRY_AT + 4) == PROTECTIVE;
    return Optional.of(
        new Table(ofGptOnly && protective ? Scheme.GPT : Scheme.MBR, entries, damage));
  }

  /**
   * Apple's partition map: a driver descriptor in the first block, an entry in each of the next
   * ones, the first of which tells how many there are.
   *
   * @see "Inside Macintosh: Devices, 3-25 (Partition), 3-23 (Block0)"
   */
  private static Optional<Table> apm(Window w) {
    Optional<RawPage> first = w.at(0, 512).filter(p -> p.u16be(0) == 0x4552);
    int block = first.map(p -> p.u16be(2)).filter(b -> b >= 512 && b <= 4096).orElse(512);
    Optional<RawPage> map = w.at(block, 512).filter(Tables::isApmEntry);
    if (map.isEmpty() && block != 512) {
      block = 512; // discs say 2,048 and have a map of 512 too
      map = w.at(block, 512).filter(Tables::isApmEntry);
    }
    if (map.isEmpty()) {
      return Optional.empty();
    }
    long count = Math.min(MAX_LOGICAL, map.get().unsignedBe(4, 4));
    List<Table.Entry> entries = new ArrayList<>();
    List<Damage> damage = new ArrayList<>();
    for (int i = 1; i <= count; i++) {
      long at = (long) i * block;
      Optional<RawPage> entry = w.at(at, 512).filter(Tables::isApmEntry);
      if (entry.isEmpty()) {
        damage.add(
            new Damage(
                say("survey.an-entry-of-the-partition-map"),
                w.start() + at,
                512,
                Optional.empty()));
        continue;
      }
      String type = Window.text(entry.get(), 48, 32, StandardCharsets.US_ASCII).orElse("");
      if (!APM_NOT_VOLUMES.contains(type) && !type.startsWith("Apple_Driver")) {
        entries.add(
            new Table.Entry(
                i,
                type,
                Window.text(entry.get(), 16, 32, StandardCharsets.US_ASCII).orElse(""),
                entry.get().unsignedBe(8, 4) * block,
                entry.get().unsignedBe(12, 4) * block));
      }
    }
    return Optional.of(new Table(Scheme.APM, entries, damage));
  }

  private static boolean isApmEntry(RawPage p) {
    return p.u16be(0) == 0x504D && p.unsignedBe(4, 4) > 0;
  }

  /** Without its signature only what cannot be chance is a table: volumes where it says. */
  private static boolean canBeEntries(Window w, RawPage p) {
    int volumes = 0;
    for (int i = 0; i < 4; i++) {
      int at = ENTRY_AT + 16 * i;
      long start = p.unsignedLe(at + 8, 4) * 512;
      long bytes = p.unsignedLe(at + 12, 4) * 512;
      int boot = p.u8(at);
      if (boot != 0 && boot != 0x80 || start + bytes > w.size()) {
        return false;
      }
      Window part = w.part(start, bytes);
      if (start > 0
          && BootSectors.recognise(part).or(() -> Superblocks.recognise(part)).isPresent()) {
        volumes++;
      }
    }
    return volumes > 0;
  }

  private static void chain(Window w, long base, List<Table.Entry> entries, List<Damage> damage) {
    Set<Long> seen = new HashSet<>();
    long at = base;
    int number = 5;
    while (seen.size() < MAX_LOGICAL) {
      Optional<RawPage> page = w.at(at * 512, 512).filter(p -> p.u16(510) == SIGNATURE);
      if (page.isEmpty() || !seen.add(at)) {
        damage.add(
            new Damage(
                page.isEmpty()
                    ? say("survey.the-chain-of-extended-partitions-breaks")
                    : say("survey.the-chain-of-extended-partitions-goes"),
                w.start() + at * 512,
                512,
                Optional.empty()));
        return;
      }
      RawPage p = page.get();
      long count = p.unsignedLe(ENTRY_AT + 12, 4);
      if (p.u8(ENTRY_AT + 4) != 0 && count > 0) {
        entries.add(
            new Table.Entry(
                number++,
                "%02X".formatted(p.u8(ENTRY_AT + 4)),
                "",
                (at + p.unsignedLe(ENTRY_AT + 8, 4)) * 512,
                count * 512));
      }
      if (p.u8(ENTRY_AT + 20) == 0) {
        return;
      }
      at = base + p.unsignedLe(ENTRY_AT + 24, 4);
    }
  }

  private static boolean says(RawPage page, String text) {
    return new String(page.bytes(), 0, text.length(), StandardCharsets.US_ASCII).equals(text);
  }
}
