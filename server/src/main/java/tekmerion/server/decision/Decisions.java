package tekmerion.server.decision;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.core.permit.Invasiveness;
import tekmerion.server.permit.ErasingDecisions;

/** Stored decisions. */
public interface Decisions extends JpaRepository<Decision, Long>, ErasingDecisions {
  @EntityGraph(attributePaths = "signedBy")
  List<Decision> findByJobIdOrderByIdDesc(Long jobId);

  Optional<Decision> findFirstByJobIdAndFromElsewhereFalseOrderByIdDesc(Long jobId);

  @Override
  default boolean decidesToErase(long jobId) {
    return findFirstByJobIdAndFromElsewhereFalseOrderByIdDesc(jobId)
        .filter(r -> r.courses().stream().anyMatch(c -> c.invasiveness() == Invasiveness.ERASES))
        .isPresent();
  }
}
