package tekmerion.server.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.function.RouterFunction;
import org.springframework.web.servlet.function.RouterFunctions;
import org.springframework.web.servlet.function.ServerRequest;
import org.springframework.web.servlet.function.ServerResponse;

/** The one page. Every answer carries a fresh nonce, so that styles need no 'unsafe-inline'. */
@Configuration
class PageRoutes {
  private static final String PLACE = "__CSP_NONCE__";
  private final SecureRandom random = new SecureRandom();
  private final String page;

  PageRoutes() throws IOException {
    page = new ClassPathResource("web/index.html").getContentAsString(StandardCharsets.UTF_8);
  }

  @Bean
  RouterFunction<ServerResponse> pages() {
    RouterFunctions.Builder routes = RouterFunctions.route();
    Pages.ADDRESSES.forEach(address -> routes.GET(address, this::page));
    return routes.build();
  }

  private ServerResponse page(ServerRequest request) {
    byte[] bytes = new byte[16];
    random.nextBytes(bytes);
    String nonce = Base64.getEncoder().encodeToString(bytes);
    String policy =
        String.join(
            "; ",
            "default-src 'none'",
            "script-src 'self'",
            "style-src 'self' 'nonce-%s'".formatted(nonce),
            "img-src 'self' data:",
            "font-src 'self'",
            "connect-src 'self'",
            "base-uri 'none'",
            "form-action 'self'",
            "frame-ancestors 'none'");
    return ServerResponse.ok()
        .header("Content-Security-Policy", policy)
        // A label is scanned by camera; nothing else of the device is asked for.
        .header("Permissions-Policy", "camera=(self), microphone=(), geolocation=()")
        .cacheControl(CacheControl.noStore())
        .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
        .body(page.replace(PLACE, nonce));
  }
}
