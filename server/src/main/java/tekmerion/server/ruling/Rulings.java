package tekmerion.server.ruling;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.core.permit.Touch;

/** Stored rulings. */
public interface Rulings extends JpaRepository<Ruling, Long> {
  @EntityGraph(attributePaths = "signedBy")
  List<Ruling> findByJobIdOrderByIdDesc(Long jobId);

  Optional<Ruling> findFirstByJobIdAndFromElsewhereFalseOrderByIdDesc(Long jobId);

  /** Whether the newest that was signed here erases. */
  default boolean decidesToErase(Long jobId) {
    return findFirstByJobIdAndFromElsewhereFalseOrderByIdDesc(jobId)
        .filter(r -> r.courses().stream().anyMatch(c -> c.touch() == Touch.ERASES))
        .isPresent();
  }
}
