package tekmerion.server;

import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import net.ttddyy.dsproxy.listener.MethodExecutionListener;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;

/** Counts what threads that answer requests send to the database, but for their sessions. */
final class CountedDataSource implements BeanPostProcessor {
  private final AtomicInteger statements;

  CountedDataSource(AtomicInteger statements) {
    this.statements = statements;
  }

  @Override
  public Object postProcessAfterInitialization(Object bean, String name) {
    if (!(bean instanceof DataSource source)) {
      return bean;
    }
    return ProxyDataSourceBuilder.create(source)
        .beforeQuery(
            (execution, queries) -> {
              if (Thread.currentThread().getName().startsWith("http-")) {
                // The session's row is written after the answer is out: it would count at random.
                statements.addAndGet(
                    (int)
                        queries.stream()
                            .filter(query -> !query.getQuery().contains("SPRING_SESSION"))
                            .count());
              }
            })
        .methodListener(MethodExecutionListener.DEFAULT)
        .build();
  }
}
