package tekmerion.server.bay;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import tekmerion.server.problem.Refusal;

/** Stored bays. */
public interface Bays extends JpaRepository<Bay, Long> {
  @EntityGraph(attributePaths = {"job", "job.machine", "job.customer"})
  List<Bay> findAllByOrderByNumber();

  @EntityGraph(attributePaths = "job")
  Optional<Bay> findByNumber(int number);

  /**
   * The bay of this number.
   *
   * @throws Refusal 404 if there is none
   */
  default Bay numbered(int number) {
    return findByNumber(number)
        .orElseThrow(() -> Refusal.notFound(say("bay.there-is-no-bay", "number", number)));
  }

  Optional<Bay> findByJobId(Long jobId);
}
