package tekmerion.server.part;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored parts. */
interface Parts extends JpaRepository<Part, Long> {
  Optional<Part> findByKindAndModelAndSerial(String kind, String model, String serial);
}
