package tekmerion.server.part;

import org.springframework.data.jpa.repository.JpaRepository;

/** Stored machines. */
public interface Machines extends JpaRepository<Machine, Long> {}
