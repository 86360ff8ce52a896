package tekmerion.server.job;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored signs that were said. */
public interface JobSigns extends JpaRepository<JobSign, Long> {
  List<JobSign> findByJobIdOrderById(Long jobId);
}
