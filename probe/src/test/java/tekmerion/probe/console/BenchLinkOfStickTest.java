package tekmerion.probe.console;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.util.List;
import org.junit.jupiter.api.Test;

class BenchLinkOfStickTest {
  private static URI at(ServerSocket socket) {
    return URI.create("https://127.0.0.1:" + socket.getLocalPort());
  }

  private static ServerSocket open() throws IOException {
    return new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
  }

  @Test
  void takesTheFirstAddressAtWhichSomebodyAnswers() throws IOException {
    ServerSocket gone = open();
    URI nobody = at(gone);
    gone.close();
    try (ServerSocket second = open();
        ServerSocket third = open()) {
      assertThat(BenchLinkOfStick.answering(List.of(nobody, at(second), at(third))))
          .contains(at(second));
    }
    assertThat(BenchLinkOfStick.answering(List.of(nobody))).isEmpty();
  }
}
