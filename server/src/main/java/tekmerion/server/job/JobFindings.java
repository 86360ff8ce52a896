package tekmerion.server.job;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.core.finding.Finding;

/** Stored findings that were said. */
public interface JobFindings extends JpaRepository<JobFinding, Long> {
  List<JobFinding> findByJobIdOrderById(Long jobId);

  /** What holds now: of each finding what was said last, if it was not taken back. */
  default List<Finding> standing(Long jobId) {
    Map<String, JobFinding> last = new LinkedHashMap<>();
    findByJobIdOrderById(jobId)
        .forEach(said -> last.put(said.findingId() + "@" + said.part(), said));
    return last.values().stream()
        .filter(said -> said.level() != null)
        .map(JobFinding::finding)
        .toList();
  }
}
