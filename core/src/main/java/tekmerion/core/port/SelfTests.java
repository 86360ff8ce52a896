package tekmerion.core.port;

import java.util.Optional;

/** Tests that a drive does by itself. It goes on with its work meanwhile; looks only. */
public interface SelfTests {
  /** The tests of ACS-3 and NVMe that any command can start. */
  enum Kind {
    SHORT,
    EXTENDED,
    CONVEYANCE
  }

  /** Empty if it was started, else why not. */
  Optional<String> start(Kind kind);

  /** Empty if it was told to stop, else why not. */
  Optional<String> abort();

  /** How far the running test is, from 0 to 100; empty if none runs. */
  Optional<Integer> percentDone();
}
