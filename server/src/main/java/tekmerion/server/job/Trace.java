package tekmerion.server.job;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** The stored trace. */
public interface Trace extends JpaRepository<TraceEntry, Long> {
  List<TraceEntry> findByJobIdOrderByAtAscIdAsc(Long jobId);
}
