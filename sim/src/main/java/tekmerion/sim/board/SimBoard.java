package tekmerion.sim.board;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.MachineUnderTest;
import tekmerion.core.port.MemoryRegion;
import tekmerion.core.port.PageAnswer;
import tekmerion.core.port.PageKind;
import tekmerion.core.port.PageSource;
import tekmerion.sim.memory.SimMemoryProvider;

/** A board: its firmware's table, and memory of which a part stands for the whole. */
public final class SimBoard implements PageSource {
  /** Words of each module that are really there: a march over 512 KiB takes seconds. */
  private static final int WORDS_EACH = 1 << 16;

  private final RawPage table;
  private final List<String> names;
  private final List<Optional<SimModule>> slots;
  private final double speed;

  /**
   * @param slots empty where nothing sits; one module at least
   * @param speed how many times faster than real memory it is marched through
   */
  public SimBoard(
      String maker,
      String product,
      String serial,
      boolean portable,
      List<Optional<SimModule>> slots,
      double speed) {
    this.speed = speed;
    this.slots = List.copyOf(slots);
    names = new ArrayList<>();
    for (int i = 1; i <= slots.size(); i++) {
      names.add("Slot " + i);
    }
    table = SmbiosTable.of(maker, product, serial, portable, names, slots);
  }

  @Override
  public List<PageKind> kinds() {
    return List.of(PageKind.SMBIOS, PageKind.MEMORY_RECORDS);
  }

  @Override
  public PageAnswer read(PageKind kind) {
    return switch (kind) {
      case SMBIOS -> new PageAnswer.Got(table);
      case MEMORY_RECORDS -> records();
      default -> new PageAnswer.NotReported("a simulated board has no such page");
    };
  }

  /** Without error correction nothing is counted: as on most machines. */
  private static PageAnswer records() {
    return new PageAnswer.NotReported("no memory controller of this machine counts errors");
  }

  /** For the machine's description. */
  public MachineUnderTest.Board board(PageSource pages) {
    return new MachineUnderTest.Board(pages, Optional.of(this::open));
  }

  /** The modules that are in, one behind the other; each fault by its word in its module. */
  private List<MemoryRegion> open() {
    List<String> faults = new ArrayList<>();
    int modules = 0;
    for (Optional<SimModule> module : slots) {
      if (module.isPresent()) {
        long base = (long) modules * WORDS_EACH;
        module.get().faults().forEach(f -> faults.add(moved(f, base)));
        modules++;
      }
    }
    return List.of(
        new Paced(
            new SimMemoryProvider().open(modules * WORDS_EACH, faults, 7), coverage(), speed));
  }

  private static String moved(String fault, long base) {
    StringBuilder moved = new StringBuilder();
    for (String part : fault.split(" ")) {
      moved.append(
          part.startsWith("word=") || part.startsWith("by-word=")
              ? part.substring(0, part.indexOf('=') + 1)
                  + (base + Long.parseLong(part.substring(part.indexOf('=') + 1)))
              : part);
      moved.append(' ');
    }
    return moved.toString().strip();
  }

  private String coverage() {
    int megabytes = slots.stream().flatMap(Optional::stream).mapToInt(SimModule::megabytes).sum();
    return "simulated: a part that stands for all %,d MiB".formatted(megabytes);
  }
}
