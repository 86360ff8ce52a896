package tekmerion.core.port;

import java.util.Optional;

/**
 * Finds a machine by an address such as {@code sim:worn-disk}. Implementations are found with
 * {@link java.util.ServiceLoader}, so that the same probe program runs on real and simulated ones.
 */
public interface MachineProvider {
  /** Empty if the address is not of this provider's kind. */
  Optional<MachineUnderTest> open(String address);
}
