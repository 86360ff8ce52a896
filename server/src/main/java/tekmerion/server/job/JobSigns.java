package tekmerion.server.job;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.core.sign.Sign;

/** Stored signs that were said. */
public interface JobSigns extends JpaRepository<JobSign, Long> {
  List<JobSign> findByJobIdOrderById(Long jobId);

  /** What holds now: of each sign what was said last, if it was not taken back. */
  default List<Sign> standing(Long jobId) {
    Map<String, JobSign> last = new LinkedHashMap<>();
    findByJobIdOrderById(jobId).forEach(said -> last.put(said.signId() + "@" + said.part(), said));
    return last.values().stream().filter(said -> said.level() != null).map(JobSign::sign).toList();
  }
}
