package tekmerion.server.part;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.EntityGraph;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored places of parts. */
interface PartPlaces extends JpaRepository<PartPlace, Long> {
  @EntityGraph(attributePaths = "part")
  List<PartPlace> findByMachineIdAndUntilIsNullOrderByPartKey(Long machineId);

  @EntityGraph(attributePaths = "part")
  List<PartPlace> findByMachineIdOrderBySinceDesc(Long machineId);

  @EntityGraph(attributePaths = "part")
  Optional<PartPlace> findByMachineIdAndPartKeyAndUntilIsNull(Long machineId, String partKey);

  List<PartPlace> findByPartIdAndUntilIsNull(Long partId);
}
