package tekmerion.server.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;
import tekmerion.server.TekmerionProperties;

/**
 * Where a request comes from. What a proxy says is believed only of proxies that the shop has
 * named: anybody can write the header.
 */
@Component
public class ClientAddress {
  private static final int MAX_CHARS = 60;
  private final Set<String> trustedProxies;

  ClientAddress(TekmerionProperties properties) {
    trustedProxies =
        properties.trustedProxies() == null ? Set.of() : Set.copyOf(properties.trustedProxies());
  }

  /** The nearest address that is no trusted proxy. */
  public String of(HttpServletRequest request) {
    String address = request.getRemoteAddr();
    String told = request.getHeader("X-Forwarded-For");
    if (told == null || !trustedProxies.contains(address)) {
      return address;
    }
    List<String> hops = Arrays.asList(told.split("\\s*,\\s*"));
    Collections.reverse(hops);
    return hops.stream()
        .filter(hop -> !trustedProxies.contains(hop))
        .findFirst()
        .map(hop -> hop.length() <= MAX_CHARS ? hop : hop.substring(0, MAX_CHARS))
        .orElse(address);
  }
}
