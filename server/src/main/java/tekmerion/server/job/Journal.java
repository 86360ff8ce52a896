package tekmerion.server.job;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** The stored journal. */
public interface Journal extends JpaRepository<JournalEntry, Long> {
  List<JournalEntry> findByJobIdOrderByAtAscIdAsc(Long jobId);
}
