package tekmerion.core.survey;

import static tekmerion.words.Words.say;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import tekmerion.core.page.RawPage;

/**
 * What is part of something larger: swap, physical volumes of LVM, members of md arrays.
 *
 * @see "md: Linux kernel, include/uapi/linux/raid/md_p.h, checksums as drivers/md/md.c has them;
 *     LVM: lib/format_text/layout.h and lib/misc/crc.c; swap: include/linux/swap.h"
 */
final class Members {
  private static final long MD_MAGIC = 0xA92B4EFCL;
  private static final long BSD_MAGIC = 0x82564557L;
  private static final long LVM_AREA_AT = 4096;
  private static final String LVM_AREA_MAGIC =
      "204c564d3220785b35412572304e2a3e"; // " LVM2 x[5A%r0N*>"

  private Members() {}

  static Optional<Volume> recognise(Window w) {
    return swap(w).or(() -> lvm(w)).or(() -> md(w)).or(() -> bsdLabel(w));
  }

  private static Optional<Volume> swap(Window w) {
    for (int page : new int[] {4096, 16384, 65536}) {
      if (w.says(page - 10L, "SWAPSPACE2")) {
        return w.at(1024, 64)
            .map(
                p ->
                    new Volume(
                        Content.SWAP,
                        Window.text(p, 28, 16, StandardCharsets.UTF_8),
                        Optional.of(Window.uuid(p, 12)),
                        OptionalLong.of((p.unsignedLe(4, 4) + 1) * page),
                        OptionalLong.empty(),
                        List.of()));
      }
    }
    return Optional.empty();
  }

  /**
   * In the second sector, its magic twice (sys/disklabel.h of the BSD systems).
   *
   * @see "Linux kernel, block/partitions/msdos.c, parse_bsd"
   */
  private static Optional<Volume> bsdLabel(Window w) {
    return w.at(512, 148)
        .filter(p -> p.unsignedLe(0, 4) == BSD_MAGIC && p.unsignedLe(132, 4) == BSD_MAGIC)
        .map(
            p ->
                new Volume(
                    Content.BSD_LABEL,
                    Window.text(p, 24, 16, StandardCharsets.US_ASCII),
                    Optional.empty(),
                    OptionalLong.empty(),
                    OptionalLong.empty(),
                    List.of()));
  }

  private static Optional<Volume> lvm(Window w) {
    for (int sector = 0; sector < 4; sector++) {
      long at = 512L * sector;
      if (w.says(at, "LABELONE") && w.says(at + 24, "LVM2 001")) {
        return w.at(at, 512).map(p -> lvm(w, at, p));
      }
    }
    return Optional.empty();
  }

  private static Volume lvm(Window w, long at, RawPage p) {
    int header = (int) Math.min(472, p.unsignedLe(20, 4));
    Volume volume =
        new Volume(
            Content.LVM,
            lvmGroup(w, LVM_AREA_AT),
            Window.text(p, header, 32, StandardCharsets.US_ASCII),
            OptionalLong.of(p.unsignedLe(header + 32, 7)),
            OptionalLong.empty(),
            List.of());
    return lvmCrc(p) == p.unsignedLe(16, 4)
        ? volume
        : volume.with(
            new Damage(
                say("survey.the-label-fails-its-own-checksum"),
                w.start() + at,
                512,
                Optional.empty()));
  }

  /** The label is gone, the area with the description of the group is there. */
  static Optional<Volume> lvmByArea(Window w) {
    return lvmGroup(w, LVM_AREA_AT)
        .map(
            group ->
                new Volume(
                    Content.LVM,
                    Optional.of(group),
                    Optional.empty(),
                    OptionalLong.empty(),
                    OptionalLong.empty(),
                    List.of(
                        new Damage(
                            say("survey.the-label-is-lost-the-groups"),
                            w.start(),
                            2048,
                            Optional.empty()))));
  }

  /** Name of the group: the description that is in force begins with it. */
  private static Optional<String> lvmGroup(Window w, long area) {
    Optional<RawPage> header = w.at(area, 512).filter(p -> p.hex(4, 16).equals(LVM_AREA_MAGIC));
    if (header.isEmpty()) {
      return Optional.empty();
    }
    long offset = header.get().unsignedLe(40, 6);
    if (offset == 0) {
      return Optional.empty(); // no description is in force: a volume of no group yet
    }
    long text = area + offset;
    return w.at(text, 256)
        .flatMap(p -> Window.text(p, 0, 256, StandardCharsets.US_ASCII))
        .map(t -> t.split("\\s", 2)[0])
        .filter(name -> !name.isEmpty());
  }

  /**
   * Over what follows it in the sector; the usual polynomial, another beginning, not turned over.
   */
  private static long lvmCrc(RawPage p) {
    int crc = 0xF597A6CF;
    for (int i = 20; i < 512; i++) {
      crc ^= p.u8(i);
      for (int bit = 0; bit < 8; bit++) {
        crc = crc >>> 1 ^ ((crc & 1) != 0 ? 0xEDB88320 : 0);
      }
    }
    return Integer.toUnsignedLong(crc);
  }

  /** 1.2, 1.1, then the two that stand at the end: 1.0 and 0.90. */
  private static Optional<Volume> md(Window w) {
    long end10 = (w.size() - 8192) / 4096 * 4096;
    long end090 = w.size() / 65536 * 65536 - 65536;
    for (long at : new long[] {4096, 0, end10, end090}) {
      Optional<RawPage> page = w.at(at, 4096).filter(p -> p.unsignedLe(0, 4) == MD_MAGIC);
      if (page.isPresent()) {
        RawPage p = page.get();
        boolean old = p.unsignedLe(4, 4) == 0;
        return Optional.of(old ? mdOld(w, at, p) : md(w, at, p));
      }
    }
    return Optional.empty();
  }

  private static Volume md(Window w, long at, RawPage p) {
    long data = p.unsignedLe(128, 6);
    boolean inFront = data > 0; // 1.0 has its data in front of it
    Volume volume =
        new Volume(
            Content.MD_RAID,
            Window.text(p, 32, 32, StandardCharsets.UTF_8),
            Optional.of(Window.uuid(p, 16)),
            inFront ? OptionalLong.of((data + p.unsignedLe(136, 6)) * 512) : OptionalLong.empty(),
            OptionalLong.empty(),
            List.of());
    // Each word added up, its own as zero; what runs over is added once (md.c, calc_sb_1_csum).
    int words = (int) Math.min(1024, 64 + (p.unsignedLe(220, 4) + 1) / 2);
    long sum = 0;
    for (int i = 0; i < words; i++) {
      sum += i == 54 ? 0 : p.unsignedLe(4 * i, 4);
    }
    sum = (sum & 0xFFFF_FFFFL) + (sum >>> 32) & 0xFFFF_FFFFL;
    return sum == p.unsignedLe(216, 4) ? volume : volume.with(mdDamage(w, at));
  }

  private static Volume mdOld(Window w, long at, RawPage p) {
    Volume volume =
        new Volume(
            Content.MD_RAID,
            Optional.empty(),
            Optional.of(
                "%08x:%08x:%08x:%08x"
                    .formatted(
                        p.unsignedLe(20, 4),
                        p.unsignedLe(52, 4),
                        p.unsignedLe(56, 4),
                        p.unsignedLe(60, 4))),
            OptionalLong.empty(),
            OptionalLong.empty(),
            List.of());
    long sum = 0;
    for (int i = 0; i < 1024; i++) {
      sum += i == 38 ? 0 : p.unsignedLe(4 * i, 4);
    }
    sum = (sum & 0xFFFF_FFFFL) + (sum >>> 32) & 0xFFFF_FFFFL;
    return sum == p.unsignedLe(152, 4) ? volume : volume.with(mdDamage(w, at));
  }

  private static Damage mdDamage(Window w, long at) {
    return new Damage(
        say("survey.the-superblock-of-the-array-fails"), w.start() + at, 512, Optional.empty());
  }
}
