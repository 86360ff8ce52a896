package tekmerion.launch;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import org.junit.jupiter.api.Test;

class FreePortTest {
  @Test
  void aPortThatIsTakenIsNotTaken() throws IOException {
    try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      assertThat(FreePort.preferably(taken.getLocalPort())).isNotEqualTo(taken.getLocalPort());
    }
    int free = FreePort.any();
    assertThat(FreePort.preferably(free)).isEqualTo(free);
  }
}
