package tekmerion.server.ruling;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored stances. */
public interface DataStances extends JpaRepository<DataStance, Long> {
  Optional<DataStance> findFirstByJobIdOrderByIdDesc(Long jobId);

  /** What the owner said last, here. */
  Optional<DataStance> findFirstByJobIdAndByRunFalseAndFromElsewhereFalseOrderByIdDesc(Long jobId);
}
