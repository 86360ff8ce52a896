package tekmerion.server.job;

import static tekmerion.words.Words.say;

import java.util.ArrayList;
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

  /**
   * The same with every look of what was seen by hand since it was last taken back, as a second
   * look tells what one alone does not. What an owner said anew is a correction.
   */
  default List<Finding> looks(Long jobId) {
    Map<String, List<JobFinding>> since = new LinkedHashMap<>();
    for (JobFinding said : findByJobIdOrderById(jobId)) {
      List<JobFinding> looks =
          since.computeIfAbsent(said.findingId() + "@" + said.part(), k -> new ArrayList<>());
      if (said.level() == null || !said.isByHand()) {
        looks.clear();
      }
      looks.add(said);
    }
    List<Finding> all = new ArrayList<>();
    for (List<JobFinding> looks : since.values()) {
      looks.removeIf(said -> said.level() == null);
      for (JobFinding said : looks) {
        Finding finding = said.finding();
        boolean first = said == looks.get(0);
        all.add(
            first
                ? finding
                : finding.withWords(say("job.looked-at-once-more", "finding", finding.words())));
      }
    }
    return all;
  }
}
