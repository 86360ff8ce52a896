package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import tekmerion.core.memory.identity.MemoryRecords;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;

/**
 * This computer's board: the firmware's table, the counters of its memory controllers with what the
 * kernel logged of them, and the modules' own chips where the system shows them.
 */
final class LinuxBoard implements PageSource {
  private static final Path TABLE = Path.of("firmware/dmi/tables/DMI");
  private static final Path CONTROLLERS = Path.of("devices/system/edac/mc");
  private static final List<Path> CHIPS =
      List.of(Path.of("bus/i2c/drivers/ee1004"), Path.of("bus/i2c/drivers/spd5118"));

  private final Path sys;
  private final KernelRing ring;

  /**
   * @param sys where sysfs is
   */
  LinuxBoard(Path sys, KernelRing ring) {
    this.sys = sys;
    this.ring = ring;
  }

  @Override
  public List<PageKind> kinds() {
    List<PageKind> kinds = new ArrayList<>(List.of(PageKind.SMBIOS, PageKind.MEMORY_RECORDS));
    int chips = chips().size();
    List<PageKind> spd = List.of(PageKind.SPD_0, PageKind.SPD_1, PageKind.SPD_2, PageKind.SPD_3);
    kinds.addAll(spd.subList(0, Math.min(spd.size(), chips)));
    return kinds;
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case SMBIOS -> file(sys.resolve(TABLE), say("probe.the-firmware-gives-no-such-table"));
      case MEMORY_RECORDS -> records();
      case SPD_0, SPD_1, SPD_2, SPD_3 -> chip(kind.ordinal() - PageKind.SPD_0.ordinal());
      default -> new PageAnswer.NotReported(say("probe.a-board-has-no-such-page"));
    };
  }

  private PageAnswer chip(int index) {
    List<Path> chips = chips();
    return index < chips.size()
        ? file(chips.get(index), say("probe.the-modules-chip-is-gone"))
        : new PageAnswer.NotReported(say("probe.no-chip-of-a-module"));
  }

  private List<Path> chips() {
    List<Path> chips = new ArrayList<>();
    for (Path drivers : CHIPS) {
      for (Path device : list(sys.resolve(drivers))) {
        if (Files.exists(device.resolve("eeprom"))) {
          chips.add(device.resolve("eeprom"));
        }
      }
    }
    return chips;
  }

  private PageAnswer records() {
    StringBuilder text = new StringBuilder();
    for (Path controller : list(sys.resolve(CONTROLLERS))) {
      for (Path module : list(controller)) {
        for (String name : List.of("dimm_label", "dimm_ce_count", "dimm_ue_count")) {
          counter(text, controller, module, name);
        }
      }
    }
    PageAnswer log = ring.lines(MemoryRecords::concerns);
    log.bytes().ifPresent(raw -> text.append(new String(raw.bytes(), StandardCharsets.UTF_8)));
    return text.isEmpty() && log.bytes().isPresent()
        ? new PageAnswer.NotReported(say("probe.no-controller-counts-errors"))
        : text.isEmpty()
            ? log
            : new PageAnswer.Got(new RawPage(text.toString().getBytes(StandardCharsets.UTF_8)));
  }

  private static void counter(StringBuilder text, Path controller, Path module, String name) {
    Path file = module.resolve(name);
    if (Files.isReadable(file)) {
      try {
        text.append(
            "%s/%s/%s=%s\n"
                .formatted(
                    controller.getFileName(),
                    module.getFileName(),
                    name,
                    Files.readString(file).strip()));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private static PageAnswer file(Path file, String none) {
    if (!Files.exists(file)) {
      return new PageAnswer.NotReported(none);
    }
    try {
      return new PageAnswer.Got(new RawPage(Files.readAllBytes(file)));
    } catch (AccessDeniedException e) {
      return new PageAnswer.CouldNotRun(say("probe.only-the-administrator-may-read-it"));
    } catch (IOException e) {
      return new PageAnswer.CouldNotRun(say("probe.it-cannot-be-read", "why", e.getMessage()));
    }
  }

  private static List<Path> list(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(Files::isDirectory).sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
