package tekmerion.server.account;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

/** Stored accounts. */
public interface Accounts extends JpaRepository<Account, Long> {
  Optional<Account> findBySignInName(String signInName);

  List<Account> findAllByOrderByDisplayName();
}
