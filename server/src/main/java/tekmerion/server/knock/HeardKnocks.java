package tekmerion.server.knock;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import tekmerion.link.Knock;

/** Stored knocks. */
interface HeardKnocks extends JpaRepository<HeardKnock, UUID> {
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select k from HeardKnock k where k.id = :id")
  Optional<HeardKnock> lockById(UUID id);

  long countByStage(Knock.KnockStage stage);

  long countBySourceAndStage(String source, Knock.KnockStage stage);

  List<HeardKnock> findByOrderByKnockedAt();

  /** Those of which nothing was heard since, and those that have knocked for too long. */
  @Modifying
  @Query("delete from HeardKnock k where k.heardAt < :silentSince or k.knockedAt < :longSince")
  int forget(Instant silentSince, Instant longSince);
}
