package tekmerion.server.job;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored jobs. */
public interface Jobs extends JpaRepository<Job, Long> {
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  Optional<Job> findByNumber(String number);

  /** What is in the shop. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByEndedAtIsNullOrderByTakenInAt();

  /** The last that came in. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByOrderByTakenInAtDesc(Pageable page);

  List<Job> findByHolderIdAndEndedAtIsNull(Long holderId);
}
