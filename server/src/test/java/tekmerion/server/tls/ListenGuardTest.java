package tekmerion.server.tls;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.InetAddress;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Ssl;

class ListenGuardTest {
  private static TomcatServletWebServerFactory server(String address, boolean tls)
      throws Exception {
    TomcatServletWebServerFactory server = new TomcatServletWebServerFactory();
    server.setAddress(address == null ? null : InetAddress.getByName(address));
    if (tls) {
      server.setSsl(Ssl.forBundle("shop"));
    }
    return server;
  }

  /** 192.0.2.0/24 is for examples, RFC 5737. */
  @ParameterizedTest
  @CsvSource({"0.0.0.0", "192.0.2.7", "::"})
  void beyondLoopbackOnlyOverTls(String address) throws Exception {
    ListenGuard guard = new ListenGuard();

    assertThatThrownBy(() -> guard.customize(server(address, false)))
        .isInstanceOf(ListensInPlainException.class)
        .hasMessageContaining("without TLS");
    assertThatCode(() -> guard.customize(server(address, true))).doesNotThrowAnyException();
  }

  @Test
  void noAddressIsEveryAddress() {
    assertThatThrownBy(() -> new ListenGuard().customize(server(null, false)))
        .isInstanceOf(ListensInPlainException.class);
  }

  @ParameterizedTest
  @CsvSource({"127.0.0.1", "127.0.0.9", "::1"})
  void onLoopbackPlainHttpIsEnough(String address) {
    assertThatCode(() -> new ListenGuard().customize(server(address, false)))
        .doesNotThrowAnyException();
  }
}
