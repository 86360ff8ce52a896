package tekmerion.server.part;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored parts. */
interface Parts extends JpaRepository<Part, Long> {
  Optional<Part> findByKindAndModelAndSerial(String kind, String model, String serial);

  Optional<Part> findFirstByKindAndSerialPlainOrderById(String kind, String serialPlain);

  Optional<Part> findFirstByKindAndSerialPlainAndToldByOrderById(
      String kind, String serialPlain, Part.ToldBy toldBy);
}
