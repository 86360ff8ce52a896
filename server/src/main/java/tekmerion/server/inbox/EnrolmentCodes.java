package tekmerion.server.inbox;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;

/** Stored codes. */
public interface EnrolmentCodes extends JpaRepository<EnrolmentCode, Long> {
  /** Locked, so that two probes cannot use one code at the same moment. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  Optional<EnrolmentCode> findByCodeHash(byte[] codeHash);
}
