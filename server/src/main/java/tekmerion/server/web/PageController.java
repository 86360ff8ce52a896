package tekmerion.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The one page. Every answer carries a fresh nonce, so that styles need no 'unsafe-inline'. */
@RestController
@Hidden
class PageController {
  private static final String PLACE = "__CSP_NONCE__";
  private final SecureRandom random = new SecureRandom();
  private final String page;

  PageController() throws IOException {
    page = new ClassPathResource("web/index.html").getContentAsString(StandardCharsets.UTF_8);
  }

  @GetMapping({
    "/",
    "/index.html",
    "/sign-in",
    "/wall",
    "/me",
    "/people",
    "/intake",
    "/intake/**",
    "/join/**",
    "/job/**",
    "/reading/**",
    "/part/**",
    "/customer/**"
  })
  ResponseEntity<String> page() {
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
    return ResponseEntity.ok()
        .header("Content-Security-Policy", policy)
        .cacheControl(CacheControl.noStore())
        .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
        .body(page.replace(PLACE, nonce));
  }
}
