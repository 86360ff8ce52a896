package tekmerion.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tekmerion.server.problem.ProblemWriter;
import tekmerion.server.transaction.DatabaseGone;

/**
 * What the database does to a request outside of the controllers: the session is read before them
 * and kept after them. Outside of everything that asks the database.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class DatabaseAway extends OncePerRequestFilter {
  private static final Logger LOG = LoggerFactory.getLogger(DatabaseAway.class);
  private final ProblemWriter problems;

  DatabaseAway(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException e) {
      if (!DatabaseGone.isBehind(e)) {
        throw e;
      }
      tell(request, response, e);
    }
  }

  private void tell(HttpServletRequest request, HttpServletResponse response, Exception why)
      throws IOException {
    LOG.error(
        "the database does not answer {}: {}",
        request.getRequestURI(),
        NestedExceptionUtils.getMostSpecificCause(why).getMessage());
    if (response.isCommitted()) {
      return; // the browser sees that the answer is cut off
    }
    response.reset();
    boolean page = !request.getRequestURI().startsWith("/api/");
    problems.databaseAway(response, page && request.getMethod().equals("GET"));
  }
}
