package tekmerion.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tekmerion.words.Speaking;
import tekmerion.words.Words;

/**
 * While a request is answered, the language that it asks for is spoken. Who asks for {@code zxx},
 * no language, gets each sentence as its message: a key and its arguments.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class SpokenLanguage extends OncePerRequestFilter {

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Speaking asked = Speaking.asked(request.getHeader(HttpHeaders.ACCEPT_LANGUAGE));
    response.addHeader(HttpHeaders.VARY, HttpHeaders.ACCEPT_LANGUAGE);
    Words.Turn turn = Words.speak(asked);
    try {
      chain.doFilter(request, response);
    } finally {
      turn.close();
    }
  }

  /** What is answered later, on another thread, is events: they hold no sentences. */
  @Override
  protected boolean shouldNotFilterAsyncDispatch() {
    return true;
  }

  /** An error page is written in the same language. */
  @Override
  protected boolean shouldNotFilterErrorDispatch() {
    return false;
  }
}
