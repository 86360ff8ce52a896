package tekmerion.launch.stick;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * One image for UEFI with and without secure boot and for BIOS: a partition table by GUID with one
 * partition for the BIOS part of the boot loader, one with the store, where the shop gave a key,
 * and the EFI system partition with all that is started.
 *
 * @see "UEFI Specification 2.10, sections 5.3 and 13.3"
 */
final class StickImage {
  private static final int SECTOR = 512;
  private static final long BIOS_AT = 2048;
  private static final long BIOS_SECTORS = 2048;
  private static final long AFTER_BIOS = BIOS_AT + BIOS_SECTORS;
  private static final long MIB_SECTORS = 2048;

  /** Beside what it holds: the file allocation tables, folders, and room to renew it. */
  private static final long EFI_SPARE_MIB = 24;

  /** Code of a boot sector, before the disk's signature and the partition table. */
  private static final int BOOT_CODE_BYTES = 440;

  /** GRUB's boot.S, GRUB_BOOT_MACHINE_KERNEL_SECTOR: which sector is loaded first. */
  private static final int FIRST_SECTOR_AT = 0x5c;

  /** GRUB's diskboot.S: the list of what to load ends the first sector. */
  private static final int LIST_AT = SECTOR - 12;

  private static final String BIOS_TYPE = "21686148-6449-6E6F-744E-656564454649";

  /** Of data that any system may show. */
  private static final String DATA_TYPE = "EBD0A0A2-B9E5-4433-87C0-68B6B72699C7";

  private static final String EFI_TYPE = "C12A7328-F81F-11D2-BA4B-00A0C93EC93B";

  private static final List<String> BIOS_MODULES =
      List.of(
          "biosdisk", "part_gpt", "fat", "linux", "normal", "search", "search_label", "configfile");

  private StickImage() {}

  /** What an image is made of. */
  record Parts(
      DebianPackage kernel,
      DebianPackage shim,
      DebianPackage shimHelpers,
      DebianPackage signedLoader,
      DebianPackage biosLoader,
      Path system,
      Path shopSettings) {}

  static void make(Path work, Parts parts, StickShop shop, Path out) throws IOException {
    Path version = DebianPackage.only(parts.kernel().file("lib/modules")).getFileName();
    Path kernel = parts.kernel().file("boot/vmlinuz-" + version);
    Path config = work.resolve("grub.cfg");
    try (InputStream in = StickImage.class.getResourceAsStream("grub.cfg")) {
      Files.copy(in, config, StandardCopyOption.REPLACE_EXISTING);
    }
    long bytes = Files.size(kernel) + Files.size(parts.system()) + Files.size(parts.shopSettings());
    long efiSectors = (bytes / (1 << 20) + EFI_SPARE_MIB) * MIB_SECTORS;
    Path efi = efi(work, parts, shop, kernel, config, efiSectors);
    Optional<Path> store = StoreImage.make(work, shop, AFTER_BIOS);
    long storeSectors = store.isPresent() ? StoreImage.SECTORS : 0;
    long efiAt = AFTER_BIOS + storeSectors;
    long all = efiAt + efiSectors + MIB_SECTORS; // the table's copy stands at the end
    // Beside its place, which may be on another disk, so that it is there as a whole or not at all.
    Path image = out.toAbsolutePath().resolveSibling(out.getFileName() + ".part");
    Files.deleteIfExists(image);
    Files.createFile(image);
    Tools.run(work, "truncate", "-s", Long.toString(all * SECTOR), image.toString());
    partition(work, image, shop, storeSectors, efiSectors);
    try (FileChannel to =
        FileChannel.open(image, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
      putBiosLoader(work, parts.biosLoader(), to);
      if (store.isPresent()) {
        put(store.get(), to, AFTER_BIOS);
      }
      put(efi, to, efiAt);
    }
    Files.move(image, out, StandardCopyOption.ATOMIC_MOVE);
  }

  private static Path efi(
      Path work, Parts parts, StickShop shop, Path kernel, Path config, long sectors)
      throws IOException {
    Path tree = Tools.fresh(work.resolve("efi"));
    Path boot = Files.createDirectories(tree.resolve("EFI/BOOT"));
    Path debian = Files.createDirectories(tree.resolve("EFI/debian"));
    Path ours = Files.createDirectories(tree.resolve("tekmerion"));
    Files.copy(parts.shim().file("usr/lib/shim/shimx64.efi.signed"), boot.resolve("BOOTX64.EFI"));
    Files.copy(
        parts.shimHelpers().file("usr/lib/shim/mmx64.efi.signed"), boot.resolve("mmx64.efi"));
    Files.copy(
        parts.signedLoader().file("usr/lib/grub/x86_64-efi-signed/grubx64.efi.signed"),
        boot.resolve("grubx64.efi"));
    // Where Debian's signed loader looks for its settings.
    Files.copy(config, debian.resolve("grub.cfg"));
    Files.copy(kernel, ours.resolve("kernel"));
    Files.copy(parts.system(), ours.resolve("system"));
    Files.copy(parts.shopSettings(), ours.resolve("shop"));
    Tools.run(tree, "sh", "-c", "find . -exec touch -d @%d {} +".formatted(Tools.MOMENT_SECONDS));
    Path image = work.resolve("efi.img");
    Fat.make(image, 32, sectors, "TEKMERION", shop.id("efi").hashCode());
    Tools.run(tree, "mcopy", "-i", image.toString(), "-s", "-m", "EFI", "tekmerion", "::");
    return image;
  }

  private static void partition(
      Path work, Path image, StickShop shop, long storeSectors, long efiSectors)
      throws IOException {
    List<String> table = new ArrayList<>(List.of("label: gpt", "label-id: " + shop.id("disk")));
    table.add(entry(BIOS_AT, BIOS_SECTORS, BIOS_TYPE, shop.id("bios"), "bios"));
    if (storeSectors > 0) {
      table.add(entry(AFTER_BIOS, storeSectors, DATA_TYPE, shop.id("store"), "kept"));
    }
    long efiAt = AFTER_BIOS + storeSectors;
    table.add(entry(efiAt, efiSectors, EFI_TYPE, shop.id("start"), shop.name()));
    Path script = Files.write(work.resolve("table"), table);
    Tools.run(work, script, List.of("sfdisk", "--quiet", image.toString()));
  }

  private static String entry(long at, long sectors, String type, UUID id, String name) {
    return "start=%d, size=%d, type=%s, uuid=%s, name=\"%s\""
        .formatted(at, sectors, type, id, name);
  }

  /** The first sector loads the first of the loader, which loads the rest by its list. */
  private static void putBiosLoader(Path work, DebianPackage loader, FileChannel to)
      throws IOException {
    Path early = work.resolve("early.cfg");
    Files.writeString(
        early,
        "search --no-floppy --label TEKMERION --set=root\nconfigfile /EFI/debian/grub.cfg\n");
    Path core = work.resolve("core.img");
    List<String> command =
        new ArrayList<>(
            List.of(
                "grub-mkimage",
                "-d",
                loader.file("usr/lib/grub/i386-pc").toString(),
                "-O",
                "i386-pc",
                "-o",
                core.toString(),
                "-p",
                "/EFI/debian",
                "-c",
                early.toString()));
    command.addAll(BIOS_MODULES);
    Tools.run(work, null, command);
    byte[] rest = Files.readAllBytes(core);
    if (rest.length > BIOS_SECTORS * SECTOR) {
      throw new StickException("The loader is larger than its partition.");
    }
    ByteBuffer list = ByteBuffer.wrap(rest).order(ByteOrder.LITTLE_ENDIAN);
    list.putLong(LIST_AT, BIOS_AT + 1);
    list.putShort(LIST_AT + 8, (short) ((rest.length + SECTOR - 1) / SECTOR - 1));
    write(to, list, BIOS_AT * SECTOR);
    byte[] boot = Files.readAllBytes(loader.file("usr/lib/grub/i386-pc/boot.img"));
    ByteBuffer code = ByteBuffer.wrap(boot).order(ByteOrder.LITTLE_ENDIAN);
    code.putLong(FIRST_SECTOR_AT, BIOS_AT);
    code.limit(BOOT_CODE_BYTES);
    write(to, code, 0);
  }

  private static void write(FileChannel to, ByteBuffer bytes, long at) throws IOException {
    long place = at;
    while (bytes.hasRemaining()) {
      place += to.write(bytes, place);
    }
  }

  private static void put(Path image, FileChannel to, long sector) throws IOException {
    to.position(sector * SECTOR);
    try (InputStream in = Files.newInputStream(image)) {
      OutputStream out = Channels.newOutputStream(to);
      in.transferTo(out);
    }
  }
}
