package tekmerion.server.ruling;

import java.util.List;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored rulings. */
interface Rulings extends JpaRepository<Ruling, Long> {
  @EntityGraph(attributePaths = "signedBy")
  List<Ruling> findByJobIdOrderByIdDesc(Long jobId);
}
