package tekmerion.server.job;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored jobs. */
public interface Jobs extends JpaRepository<Job, Long> {
  @EntityGraph(attributePaths = {"machine", "customer"})
  Optional<Job> findByNumber(String number);

  @EntityGraph(attributePaths = {"machine", "customer"})
  List<Job> findAllByOrderByTakenInAtDesc();
}
