package tekmerion.server.part;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.ata.IdentifyDevice;

/** Recognises parts and keeps where they sit. */
@Service
public class PartService {
  private static final String DRIVE = "drive";
  private final Parts parts;
  private final PartPlaces places;

  PartService(Parts parts, PartPlaces places) {
    this.parts = parts;
    this.places = places;
  }

  @Transactional(readOnly = true)
  public List<PartPlace> inMachine(Long machineId) {
    return places.findByMachineIdAndUntilIsNullOrderByDriveKey(machineId);
  }

  /**
   * The drive that answered from a place: known by model and serial, else new. A drive that cannot
   * tell who it is counts as the one that sat there before, or as a nameless new one.
   *
   * @param identity empty if its identity page was not readable
   */
  @Transactional
  public Part met(
      Long machineId,
      String driveKey,
      String slot,
      Optional<IdentifyDevice> identity,
      Instant when) {
    Optional<PartPlace> here = places.findByMachineIdAndDriveKeyAndUntilIsNull(machineId, driveKey);
    if (identity.isEmpty() && here.isPresent()) {
      return here.get().part();
    }
    Part part = identity.map(id -> identified(id, when)).orElseGet(() -> nameless(when));
    if (here.isPresent() && here.get().part().id().equals(part.id())) {
      return part;
    }
    here.ifPresent(place -> place.endAt(when));
    if (part.isIdentified()) {
      places.findByPartIdAndUntilIsNull(part.id()).forEach(place -> place.endAt(when));
    }
    places.save(new PartPlace(part, machineId, driveKey, slot, when));
    return part;
  }

  private Part identified(IdentifyDevice id, Instant when) {
    String model = id.modelNumber();
    String serial = id.serialNumber();
    if (serial.isEmpty()) {
      return nameless(when);
    }
    return parts
        .findByKindAndModelAndSerial(DRIVE, model, serial)
        .orElseGet(() -> parts.save(new Part(DRIVE, model, serial, when)));
  }

  private Part nameless(Instant when) {
    return parts.save(new Part(DRIVE, null, null, when));
  }
}
