package tekmerion.server.part;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.core.drive.DriveIdentity;
import tekmerion.core.identity.Serial;
import tekmerion.server.part.Part.ToldBy;

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
    return inMachine(machineId, DRIVE);
  }

  /** Of a kind: "drive", "battery", "module", "board". */
  @Transactional(readOnly = true)
  public List<PartPlace> inMachine(Long machineId, String kind) {
    return places.findByMachineIdAndUntilIsNullOrderByPartKey(machineId).stream()
        .filter(place -> place.part().kind().equals(kind))
        .toList();
  }

  /** All that sat in a machine since its beginning here, the newest first. */
  @Transactional(readOnly = true)
  public List<PartPlace> sat(Long machineId, String kind) {
    return places.findByMachineIdOrderBySinceDesc(machineId).stream()
        .filter(place -> place.part().kind().equals(kind))
        .toList();
  }

  /**
   * A part that is no drive, as it or its machine tells of it.
   *
   * @param key of its place: "battery", "board", "module-" and its slot
   * @param model null if not reported
   * @param serial null if not reported; then it counts as the one that sat there before
   */
  @Transactional
  public Met metOther(
      Long machineId,
      String key,
      String slot,
      String kind,
      String model,
      String serial,
      Instant when) {
    Optional<PartPlace> here = places.findByMachineIdAndPartKeyAndUntilIsNull(machineId, key);
    if (serial == null && here.isPresent()) {
      return new Met(here.get().part(), false, true);
    }
    Optional<Part> known =
        serial == null ? Optional.empty() : parts.findByKindAndModelAndSerial(kind, model, serial);
    Part part =
        known.orElseGet(() -> parts.save(new Part(kind, model, serial, ToldBy.PROBE, when)));
    boolean arrived = here.isEmpty() || here.get().part().id() != part.id();
    if (arrived) {
      here.ifPresent(place -> place.endAt(when));
      put(part, machineId, key, slot, when);
    }
    return new Met(part, arrived, known.isPresent());
  }

  /** Nothing sits there any more. */
  @Transactional
  public void left(Long machineId, String key, Instant when) {
    places
        .findByMachineIdAndPartKeyAndUntilIsNull(machineId, key)
        .ifPresent(place -> place.endAt(when));
  }

  /** What became known when a part answered. */
  public record Met(Part part, boolean arrived, boolean metBefore) {}

  /**
   * The drive that answered from a place: known by model and serial, else new. A drive that cannot
   * tell who it is counts as the one that sat there before, or as a nameless new one. One whose
   * serial somebody typed from its label is that one, and is called as it calls itself from then
   * on.
   *
   * @param identity empty if its identity page was not readable
   */
  @Transactional
  public Met met(
      Long machineId, String partKey, String slot, Optional<DriveIdentity> identity, Instant when) {
    Optional<PartPlace> here = places.findByMachineIdAndPartKeyAndUntilIsNull(machineId, partKey);
    if (identity.isEmpty() && here.isPresent()) {
      return new Met(here.get().part(), false, true);
    }
    Optional<Part> known = identity.flatMap(id -> known(id, here));
    Part part =
        known.orElseGet(() -> identity.map(id -> fresh(id, when)).orElseGet(() -> nameless(when)));
    boolean arrived = here.isEmpty() || here.get().part().id() != part.id();
    if (arrived) {
      here.ifPresent(place -> place.endAt(when));
      put(part, machineId, partKey, slot, when);
    }
    return new Met(part, arrived, known.isPresent());
  }

  /**
   * A part whose model and serial somebody typed from its label.
   *
   * @param serial null if there is none to read
   */
  @Transactional
  public Part told(Long machineId, String partKey, String model, String serial, Instant when) {
    Optional<PartPlace> here = places.findByMachineIdAndPartKeyAndUntilIsNull(machineId, partKey);
    Part part =
        Optional.ofNullable(serial)
            .flatMap(s -> parts.findFirstByKindAndSerialPlainOrderById(DRIVE, Serial.of(s).plain()))
            .orElseGet(() -> parts.save(new Part(DRIVE, model, serial, ToldBy.PERSON, when)));
    if (here.isEmpty() || here.get().part().id() != part.id()) {
      here.ifPresent(place -> place.endAt(when));
      put(part, machineId, partKey, "Drive A", when);
    }
    return part;
  }

  private void put(Part part, Long machineId, String partKey, String slot, Instant when) {
    if (part.isIdentified()) {
      places.findByPartIdAndUntilIsNull(part.id()).forEach(place -> place.endAt(when));
    }
    places.save(new PartPlace(part, machineId, partKey, slot, when));
  }

  private Optional<Part> known(DriveIdentity id, Optional<PartPlace> here) {
    if (id.serial().isEmpty()) {
      return Optional.empty();
    }
    Optional<Part> exact = parts.findByKindAndModelAndSerial(DRIVE, id.model(), id.serial());
    if (exact.isPresent()) {
      return exact;
    }
    Optional<Part> typed =
        here.map(PartPlace::part)
            .filter(p -> p.toldBy() == ToldBy.PERSON && p.hasSerial(id.serial()))
            .or(
                () ->
                    parts.findFirstByKindAndSerialPlainAndToldByOrderById(
                        DRIVE, Serial.of(id.serial()).plain(), ToldBy.PERSON));
    typed.ifPresent(p -> p.called(id.model(), id.serial(), ToldBy.PROBE));
    return typed;
  }

  private Part fresh(DriveIdentity id, Instant when) {
    return id.serial().isEmpty()
        ? nameless(when)
        : parts.save(new Part(DRIVE, id.model(), id.serial(), ToldBy.PROBE, when));
  }

  private Part nameless(Instant when) {
    return parts.save(new Part(DRIVE, null, null, ToldBy.PROBE, when));
  }
}
