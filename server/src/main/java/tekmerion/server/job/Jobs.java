package tekmerion.server.job;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.server.problem.Refusal;

/** Stored jobs. */
public interface Jobs extends JpaRepository<Job, Long> {
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  Optional<Job> findByNumber(String number);

  /**
   * The job of this number.
   *
   * @throws Refusal 404 if there is none
   */
  default Job named(String number) {
    return findByNumber(number)
        .orElseThrow(() -> Refusal.notFound("There is no job %s.".formatted(number)));
  }

  /** What is in the shop. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByEndedAtIsNullOrderByTakenInAt();

  /** The last that came in. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByOrderByTakenInAtDesc(Pageable page);

  List<Job> findByHolderIdAndEndedAtIsNull(Long holderId);
}
