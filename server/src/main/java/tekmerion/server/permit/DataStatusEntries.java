package tekmerion.server.permit;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored statusEntries. */
public interface DataStatusEntries extends JpaRepository<DataStatusEntry, Long> {
  Optional<DataStatusEntry> findFirstByJobIdOrderByIdDesc(Long jobId);

  /** What the owner said last, here. */
  Optional<DataStatusEntry> findFirstByJobIdAndByRunFalseAndFromElsewhereFalseOrderByIdDesc(
      Long jobId);
}
