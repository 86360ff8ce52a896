package tekmerion.server.job;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Numbers of jobs, without gaps and never twice: the row is locked until the job is kept. */
@Service
public class JobNumbers {
  private final JdbcClient jdbc;

  JobNumbers(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public String next() {
    long number =
        jdbc.sql("SELECT next FROM counter WHERE name = 'job' FOR UPDATE")
            .query(Long.class)
            .single();
    jdbc.sql("UPDATE counter SET next = ? WHERE name = 'job'").param(number + 1).update();
    return "J-" + number;
  }
}
