package tekmerion.server.evidence;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored readings. */
public interface Readings extends JpaRepository<Reading, UUID> {
  List<Reading> findByJobIdOrderByReceivedAtDesc(Long jobId);

  List<Reading> findByPartIdOrderByTakenAtDesc(Long partId);
}
