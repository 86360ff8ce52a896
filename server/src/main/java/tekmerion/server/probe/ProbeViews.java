package tekmerion.server.probe;

import static tekmerion.words.Words.say;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tekmerion.link.LinkCodec;
import tekmerion.link.LinkFormatException;
import tekmerion.link.MachineNote;

/** Which probe is on which bay, and what it sees there. */
@Service
public class ProbeViews {
  private static final Logger LOG = LoggerFactory.getLogger(ProbeViews.class);
  private final Probes probes;

  /**
   * @param drives keys of the drives it can read
   * @param offLimits why a drive must never be written to, by key; empty if nothing speaks against
   *     it; a drive that can never be written to there is missing
   * @param others what else it can read or run there
   * @param lastSeenAt null if it has never connected
   */
  public record ProbeView(
      @Schema(hidden = true) UUID id,
      boolean online,
      String probeVersion,
      String machine,
      List<String> drives,
      @Schema(hidden = true) Map<String, String> offLimits,
      List<String> others,
      @Schema(nullable = true) Instant lastSeenAt) {}

  ProbeViews(Probes probes) {
    this.probes = probes;
  }

  @Transactional(readOnly = true)
  public Optional<ProbeView> on(Long bayId) {
    return probes.findByBayIdAndRevokedAtIsNull(bayId).stream().findFirst().map(ProbeViews::view);
  }

  /** Every bay's probe, by bay id. */
  @Transactional(readOnly = true)
  public Map<Long, ProbeView> all() {
    return probes.findByRevokedAtIsNull().stream()
        .collect(Collectors.toMap(Probe::bayId, ProbeViews::view, (a, b) -> b));
  }

  @Transactional(readOnly = true)
  public boolean isOnline(UUID probeId) {
    return probes.findById(probeId).filter(p -> !p.isRevoked() && p.isOnline()).isPresent();
  }

  /** Whether it ever came on the link. */
  @Transactional(readOnly = true)
  public boolean wasSeen(UUID probeId) {
    return probes.findById(probeId).filter(p -> p.lastSeenAt() != null).isPresent();
  }

  /** What cannot be read of one probe's note costs only that probe's drives. */
  private static MachineNote note(Probe probe) {
    try {
      return LinkCodec.decode(probe.machineNote(), MachineNote.class);
    } catch (LinkFormatException e) {
      LOG.warn("the note of probe {} cannot be read: {}", probe.id(), e.getMessage());
      return new MachineNote("", "", "", "", List.of(), List.of());
    }
  }

  private static ProbeView view(Probe probe) {
    MachineNote note = note(probe);
    Function<MachineNote.DriveNote, String> key = MachineNote.DriveNote::key;
    return new ProbeView(
        probe.id(),
        probe.isOnline(),
        probe.probeVersion(),
        "%s %s%s"
            .formatted(note.maker(), note.model(), note.simulated() ? say("probe.simulated") : "")
            .strip(),
        note.drives().stream().map(key).toList(),
        note.drives().stream()
            .filter(d -> d.offLimits() != null)
            .collect(Collectors.toMap(key, MachineNote.DriveNote::offLimits)),
        note.others(),
        probe.lastSeenAt());
  }
}
