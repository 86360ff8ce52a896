package tekmerion.core.port;

import java.io.IOException;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;

/** A machine as a probe sees it from the inside. */
public interface MachineUnderTest {
  Description describe();

  /** The drives that can be asked now, in a stable order. */
  List<Drive> drives();

  /** The machine itself with its memory; empty if it cannot be asked from here. */
  default Optional<Board> board() {
    return Optional.empty();
  }

  /** Empty if there is none, or none that can be asked from here. */
  default Optional<Battery> battery() {
    return Optional.empty();
  }

  /** Empty if its work cannot be looked at from here. */
  default Optional<LoadSource> load() {
    return Optional.empty();
  }

  /** What its readings and runs are dated by; empty for the clock of whoever reads it. */
  default Optional<InstantSource> clock() {
    return Optional.empty();
  }

  /**
   * The board.
   *
   * @param pages about it and its memory
   * @param memory opens what can be tested of it; empty if none can
   */
  record Board(PageSource pages, Optional<MemoryOpener> memory) {}

  /**
   * The battery.
   *
   * @param pages about it and what charges it
   * @param discharge runs it down; empty if that is not possible here
   * @param charge watches it while the adapter is in; empty if that is not possible here
   */
  record Battery(
      PageSource pages, Optional<DischargeOpener> discharge, Optional<ChargeOpener> charge) {}

  /** Takes memory for a march: one region for each thread. */
  interface MemoryOpener {
    List<MemoryRegion> open() throws IOException;
  }

  /** Begins to watch its battery with the adapter in. */
  interface ChargeOpener {
    ChargeSource open() throws IOException;
  }

  /** Begins to load the machine and to watch its battery. */
  interface DischargeOpener {
    DischargeSource open() throws IOException;
  }

  /**
   * Maker, model and serial as the firmware tells; an empty text is "not reported".
   *
   * @param simulated whether there is no such machine: what it tells is made up
   */
  record Description(
      String maker, String model, String serial, String probeHost, boolean simulated) {
    /** A real one. */
    public Description(String maker, String model, String serial, String probeHost) {
      this(maker, model, serial, probeHost, false);
    }
  }

  /**
   * One drive.
   *
   * @param key of this drive and no other, also when it comes back under another name; never shown
   *     as an identity
   * @param slot where it sits, in words
   * @param device its name in this system at this moment, e.g. sda; empty if it has none
   * @param surface opens it for reading by position; empty if that is not possible here
   * @param selfTests empty if it has none, or none that can be asked for here
   * @param bytes opens it for reading what is on it; empty if that is not possible here
   * @param writer opens it for writing; empty if that is never done here
   */
  record Drive(
      String key,
      String slot,
      Optional<String> device,
      PageSource pages,
      Optional<SurfaceOpener> surface,
      Optional<SelfTests> selfTests,
      Optional<BytesOpener> bytes,
      Optional<WriterOpener> writer) {
    /** One without a name in this system. */
    public Drive(
        String key,
        String slot,
        PageSource pages,
        Optional<SurfaceOpener> surface,
        Optional<SelfTests> selfTests,
        Optional<BytesOpener> bytes,
        Optional<WriterOpener> writer) {
      this(key, slot, Optional.empty(), pages, surface, selfTests, bytes, writer);
    }
  }

  /** Opens a drive for writing: whoever asks must hold a release. */
  interface WriterOpener {
    /** Why it must never be written to, whatever was released; asked anew each time. */
    Optional<String> offLimits();

    DriveWriter open() throws IOException;
  }

  /** Opens a drive anew for each look at what is on it. */
  interface BytesOpener {
    ByteSource open() throws IOException;
  }

  /** Opens a drive anew for each pass. */
  interface SurfaceOpener {
    BlockSource open() throws IOException;
  }
}
