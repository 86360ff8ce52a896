package tekmerion.server.inbox;

import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.socket.WebSocketHandler;
import org.springframework.web.socket.server.HandshakeInterceptor;
import tekmerion.server.account.Secrets;
import tekmerion.server.probe.Probe;
import tekmerion.server.probe.Probes;

/** Lets only enrolled, unrevoked probes open a socket. */
@Component
public class TokenCheck implements HandshakeInterceptor {
  static final String PROBE_ID = "probeId";
  private static final Logger LOG = LoggerFactory.getLogger(TokenCheck.class);
  private static final String BEARER = "Bearer ";
  private final Probes probes;

  TokenCheck(Probes probes) {
    this.probes = probes;
  }

  @Override
  public boolean beforeHandshake(
      ServerHttpRequest request,
      ServerHttpResponse response,
      WebSocketHandler handler,
      Map<String, Object> attributes) {
    String header = request.getHeaders().getFirst(HttpHeaders.AUTHORIZATION);
    Optional<Probe> probe;
    try {
      probe =
          header != null && header.startsWith(BEARER)
              ? probes.findByTokenHash(Secrets.hash(header.substring(BEARER.length())))
              : Optional.empty();
    } catch (DataAccessException | TransactionException e) {
      LOG.warn("no probe is let in while the database does not answer: {}", e.getMessage());
      response.setStatusCode(HttpStatus.SERVICE_UNAVAILABLE);
      return false;
    }
    if (probe.isEmpty() || probe.get().isRevoked()) {
      response.setStatusCode(HttpStatus.UNAUTHORIZED);
      return false;
    }
    attributes.put(PROBE_ID, probe.get().id());
    return true;
  }

  @Override
  public void afterHandshake(
      ServerHttpRequest request,
      ServerHttpResponse response,
      WebSocketHandler handler,
      Exception exception) {}
}
