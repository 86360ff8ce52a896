package tekmerion.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Says how long the server worked on what is looked at most often (W3C Server Timing), for
 * measuring. The answer is held back until it is whole, because a header cannot follow a body.
 */
@Component
class ServerTiming extends OncePerRequestFilter {
  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String path = request.getRequestURI();
    boolean looked =
        path.equals("/api/floor") || path.equals("/api/search") || path.startsWith("/api/jobs/");
    return !looked || !request.getMethod().equals("GET");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    long began = System.nanoTime();
    ContentCachingResponseWrapper held = new ContentCachingResponseWrapper(response);
    chain.doFilter(request, held);
    response.setHeader(
        "Server-Timing",
        String.format(Locale.ROOT, "app;dur=%.2f", (System.nanoTime() - began) / 1e6));
    held.copyBodyToResponse();
  }
}
