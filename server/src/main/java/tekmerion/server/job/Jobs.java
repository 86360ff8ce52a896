package tekmerion.server.job;

import static tekmerion.words.Words.say;

import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
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
        .orElseThrow(() -> Refusal.notFound(say("job.there-is-no-job", "number", number)));
  }

  /** What is in the shop. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByEndedAtIsNullOrderByTakenInAt();

  /** The last that came in. */
  @EntityGraph(attributePaths = {"machine", "customer", "holder"})
  List<Job> findByOrderByTakenInAtDesc(Pageable page);

  List<Job> findByHolderIdAndEndedAtIsNull(Long holderId);

  /** Numbers of the other open jobs whose machine has or had a part that this one has or had. */
  @Query(
      nativeQuery = true,
      value =
          "SELECT DISTINCT j.number FROM part_place mine"
              + " JOIN part_place theirs ON theirs.part_id = mine.part_id"
              + " JOIN job j ON j.machine_id = theirs.machine_id"
              + " WHERE mine.machine_id = ?2 AND j.ended_at IS NULL AND j.id <> ?1")
  List<String> withPartsOf(long jobId, long machineId);
}
