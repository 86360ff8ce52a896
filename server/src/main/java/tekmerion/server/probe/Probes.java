package tekmerion.server.probe;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

/** Stored probes. */
public interface Probes extends JpaRepository<Probe, UUID> {
  Optional<Probe> findByTokenHash(byte[] tokenHash);

  List<Probe> findByBayIdAndRevokedAtIsNull(Long bayId);

  List<Probe> findByRevokedAtIsNull();

  Optional<Probe> findFirstByOutboxIdOrderByEnrolledAtDesc(UUID outboxId);

  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select p from Probe p where p.id = :id")
  Optional<Probe> lockById(UUID id);

  @Modifying
  @Query("update Probe p set p.online = false where p.online = true")
  int allOff();
}
