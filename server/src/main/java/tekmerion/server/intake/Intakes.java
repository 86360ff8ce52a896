package tekmerion.server.intake;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

/** Stored intakes. */
interface Intakes extends JpaRepository<Intake, UUID> {
  /** Changes of one draft follow one after the other. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("SELECT i FROM Intake i WHERE i.id = ?1")
  Optional<Intake> lock(UUID id);

  Optional<Intake> findByJobId(Long jobId);

  List<Intake> findTop30ByJobIdIsNullAndDroppedAtIsNullAndChangedAtAfterOrderByChangedAtDesc(
      Instant after);
}
