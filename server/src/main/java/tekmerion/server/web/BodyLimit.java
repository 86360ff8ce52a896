package tekmerion.server.web;

import static tekmerion.words.Words.say;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tekmerion.server.problem.ProblemWriter;

/** Turns away bodies that no request of ours has, and gives the others their time. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimit extends OncePerRequestFilter {
  private static final long MAX_BYTES = 1 << 18;
  private static final long MAX_PHOTO_BYTES = 12 << 20;

  /** A stick's file has 16 MiB. */
  private static final long MAX_STORE_BYTES = 20 << 20;

  private static final long MAX_ARCHIVE_BYTES = 64 << 20;
  private final ProblemWriter problems;

  BodyLimit(ProblemWriter problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long most = most(request.getRequestURI());
    boolean chunked = request.getHeader("Transfer-Encoding") != null;
    if (request.getContentLengthLong() > most || chunked) {
      problems.write(
          response,
          HttpStatus.CONTENT_TOO_LARGE,
          say("edge.the-request-is-longer-than-any"),
          say("edge.send-less-the-most-is-kib", "most", most >> 10));
      return;
    }
    chain.doFilter(request.getContentLengthLong() > 0 ? new TimedBody(request) : request, response);
  }

  private static long most(String path) {
    if (path.equals("/api/jobs/import")) {
      return MAX_ARCHIVE_BYTES;
    }
    if (path.equals("/api/stick/visits") || path.matches("/api/jobs/[^/]+/stick-visits/[^/]+")) {
      return MAX_STORE_BYTES;
    }
    return path.matches("/api/jobs/[^/]+/(photos|captures)") ? MAX_PHOTO_BYTES : MAX_BYTES;
  }
}
