package tekmerion.server.tls;

import java.net.InetAddress;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Ssl;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.stereotype.Component;

/** Beyond loopback only over TLS, whatever the configuration says. */
@Component
class ListenGuard implements WebServerFactoryCustomizer<TomcatServletWebServerFactory>, Ordered {

  /** After all who set the address and the certificate. */
  @Override
  public int getOrder() {
    return Ordered.LOWEST_PRECEDENCE;
  }

  @Override
  public void customize(TomcatServletWebServerFactory server) {
    InetAddress address = server.getAddress();
    if (!Ssl.isEnabled(server.getSsl()) && (address == null || !address.isLoopbackAddress())) {
      throw new ListensInPlainException(
          address == null ? "every address" : address.getHostAddress());
    }
  }
}
