package tekmerion.server.bay;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored bays. */
public interface Bays extends JpaRepository<Bay, Long> {
  @EntityGraph(attributePaths = {"job", "job.machine", "job.customer"})
  List<Bay> findAllByOrderByNumber();

  @EntityGraph(attributePaths = "job")
  Optional<Bay> findByNumber(int number);

  Optional<Bay> findByJobId(Long jobId);
}
