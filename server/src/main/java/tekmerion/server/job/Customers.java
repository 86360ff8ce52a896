package tekmerion.server.job;

import org.springframework.data.jpa.repository.JpaRepository;

/** Stored customers. */
public interface Customers extends JpaRepository<Customer, Long> {}
