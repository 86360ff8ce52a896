package tekmerion.server.part;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.ManyToOne;
import java.time.Instant;
import java.util.Optional;
import tekmerion.core.drive.DriveWords;

/** Where a part sits, or sat until it was moved. */
@Entity
public class PartPlace {
  @Id
  @GeneratedValue(strategy = GenerationType.IDENTITY)
  private Long id;

  @ManyToOne(fetch = FetchType.LAZY)
  @JoinColumn(name = "part_id")
  private Part part;

  private Long machineId;
  private String partKey;
  private String slot;
  private Instant since;
  private Instant until;

  protected PartPlace() {}

  PartPlace(Part part, Long machineId, String partKey, String slot, Instant since) {
    this.part = part;
    this.machineId = machineId;
    this.partKey = partKey;
    this.slot = slot;
    this.since = since;
  }

  public Part part() {
    return part;
  }

  public String partKey() {
    return partKey;
  }

  /** As people read it: "Drive A". */
  public String slot() {
    return DriveWords.place(slot);
  }

  /** "drive A". */
  public String slotInSentence() {
    return DriveWords.placeInSentence(slot);
  }

  public long machineId() {
    return machineId;
  }

  public Instant since() {
    return since;
  }

  /** Empty while it sits there. */
  public Optional<Instant> until() {
    return Optional.ofNullable(until);
  }

  void endAt(Instant when) {
    until = when;
  }
}
