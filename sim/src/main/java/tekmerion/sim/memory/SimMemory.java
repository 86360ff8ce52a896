package tekmerion.sim.memory;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import tekmerion.core.port.MemoryRegion;
import tekmerion.sim.memory.CellFault.Kind;

/** Memory in which every operation does what its faults make of it. Not for several threads. */
public final class SimMemory implements MemoryRegion {
  /** Cells that lose their charge lose it in less than this. */
  private static final Duration LOSES_WITHIN = Duration.ofMillis(200);

  private final long[] cells;
  private final Map<Long, List<CellFault>> byVictim = new HashMap<>();
  private final Map<Long, List<CellFault>> byAggressor = new HashMap<>();
  private final Map<Long, List<Long>> reaches = new HashMap<>();
  private final Random random;
  private double celsius = 35;

  /**
   * @param random for what the cells hold at first, and for faults that show now and then
   */
  public SimMemory(int words, List<CellFault> faults, List<DecoderFault> decoder, Random random) {
    cells = random.longs(words).toArray();
    this.random = random;
    for (CellFault fault : faults) {
      byVictim.computeIfAbsent(fault.victim() >> 6, w -> new ArrayList<>()).add(fault);
      fault
          .aggressor()
          .ifPresent(a -> byAggressor.computeIfAbsent(a >> 6, w -> new ArrayList<>()).add(fault));
    }
    decoder.forEach(fault -> reaches.put(fault.address(), fault.reaches()));
    faults.forEach(this::holdStuck);
  }

  /** What the sensor says from now on. */
  public void warm(double to) {
    celsius = to;
  }

  @Override
  public long words() {
    return cells.length;
  }

  /** Several words at once give what all of them hold; lines that nothing drives read as ones. */
  @Override
  public long read(long address) {
    long value = -1;
    for (long word : reaches.getOrDefault(address, List.of(address))) {
      value &= readCells((int) word);
    }
    return value;
  }

  @Override
  public void write(long address, long value) {
    for (long word : reaches.getOrDefault(address, List.of(address))) {
      writeCells((int) word, value);
    }
  }

  @Override
  public void hold(Duration time) {
    if (time.compareTo(LOSES_WITHIN) < 0) {
      return;
    }
    for (List<CellFault> faults : byVictim.values()) {
      for (CellFault fault : faults) {
        if (fault.kind() == Kind.RETENTION && isIn(fault.victim(), fault.state()) && shows(fault)) {
          turn(fault.victim());
        }
      }
    }
  }

  @Override
  public OptionalDouble celsius() {
    return OptionalDouble.of(celsius);
  }

  @Override
  public String coverage() {
    return "simulated: all of it";
  }

  @Override
  public void close() {
    // nothing is held
  }

  private long readCells(int word) {
    long value = cells[word];
    for (CellFault fault : byVictim.getOrDefault((long) word, List.of())) {
      if (isReadFault(fault.kind())
          && isIn(fault.victim(), fault.state())
          && aggressorIsThere(fault)
          && shows(fault)) {
        long bit = 1L << (fault.victim() & 63);
        switch (fault.kind()) {
          case READ_DESTRUCTIVE, COUPLED_READ_DESTRUCTIVE -> {
            cells[word] ^= bit;
            value ^= bit;
          }
          case DECEPTIVE_READ, COUPLED_DECEPTIVE_READ -> cells[word] ^= bit;
          default -> value ^= bit;
        }
      }
    }
    for (CellFault fault : byAggressor.getOrDefault((long) word, List.of())) {
      if (fault.kind() == Kind.DISTURB_BY_READ
          && isIn(fault.aggressor().orElseThrow(), fault.aggressorState())) {
        disturb(fault);
      }
    }
    afterwards(word);
    return value;
  }

  private void writeCells(int word, long wanted) {
    long before = cells[word];
    long value = wanted;
    for (CellFault fault : byVictim.getOrDefault((long) word, List.of())) {
      long bit = 1L << (fault.victim() & 63);
      int was = (before & bit) == 0 ? 0 : 1;
      int to = (wanted & bit) == 0 ? 0 : 1;
      boolean fails =
          switch (fault.kind()) {
            case TRANSITION, COUPLED_TRANSITION -> was == fault.state() && to != was;
            case WRITE_DISTURB, COUPLED_WRITE_DISTURB -> was == fault.state() && to == was;
            default -> false;
          };
      if (fails && aggressorIsThere(fault) && shows(fault)) {
        value ^= bit;
      }
    }
    cells[word] = value;
    for (CellFault fault : byAggressor.getOrDefault((long) word, List.of())) {
      long bit = 1L << (fault.aggressor().orElseThrow() & 63);
      int was = (before & bit) == 0 ? 0 : 1;
      int is = (value & bit) == 0 ? 0 : 1;
      int to = (wanted & bit) == 0 ? 0 : 1;
      boolean rose = was != is && is == fault.aggressorState();
      boolean same = was == to && to == fault.aggressorState();
      switch (fault.kind()) {
        case COUPLING_INVERSION -> {
          if (rose && shows(fault)) {
            turn(fault.victim());
          }
        }
        case COUPLING_IDEMPOTENT -> {
          if (rose && !isIn(fault.victim(), fault.state()) && shows(fault)) {
            turn(fault.victim());
          }
        }
        case DISTURB_BY_TRANSITION -> {
          if (rose) {
            disturb(fault);
          }
        }
        case DISTURB_BY_WRITE -> {
          if (same) {
            disturb(fault);
          }
        }
        default -> {
          // shows at its victim
        }
      }
    }
    afterwards(word);
  }

  private static boolean isReadFault(Kind kind) {
    return switch (kind) {
      case READ_DESTRUCTIVE,
          COUPLED_READ_DESTRUCTIVE,
          DECEPTIVE_READ,
          COUPLED_DECEPTIVE_READ,
          INCORRECT_READ,
          COUPLED_INCORRECT_READ ->
          true;
      default -> false;
    };
  }

  private void disturb(CellFault fault) {
    if (isIn(fault.victim(), fault.state()) && shows(fault)) {
      turn(fault.victim());
    }
  }

  private boolean aggressorIsThere(CellFault fault) {
    return fault.aggressor().isEmpty()
        || isIn(fault.aggressor().getAsLong(), fault.aggressorState());
  }

  /** Stuck cells and forced states hold whatever was done. */
  private void afterwards(int word) {
    byVictim.getOrDefault((long) word, List.of()).forEach(this::holdStuck);
    byAggressor.getOrDefault((long) word, List.of()).forEach(this::holdStuck);
  }

  private void holdStuck(CellFault fault) {
    boolean wrong =
        switch (fault.kind()) {
          case STUCK_AT -> !isIn(fault.victim(), fault.state());
          case COUPLING_STATE -> isIn(fault.victim(), fault.state()) && aggressorIsThere(fault);
          default -> false;
        };
    if (wrong && shows(fault)) {
      turn(fault.victim());
    }
  }

  private boolean shows(CellFault fault) {
    return celsius > fault.aboveCelsius()
        && (fault.rate() >= 1 || random.nextDouble() < fault.rate());
  }

  private boolean isIn(long cell, int state) {
    return (cells[(int) (cell >> 6)] >>> (cell & 63) & 1) == state;
  }

  private void turn(long cell) {
    cells[(int) (cell >> 6)] ^= 1L << (cell & 63);
  }
}
