package tekmerion.launch;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;

/** Ports on loopback. */
public final class FreePort {
  private FreePort() {}

  /** The wanted port if it is free, else any. */
  public static int preferably(int wanted) {
    return isFree(wanted) ? wanted : any();
  }

  public static int any() {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new LaunchException("No port is free on loopback: " + e.getMessage(), e);
    }
  }

  private static boolean isFree(int port) {
    try (ServerSocket socket = new ServerSocket()) {
      socket.setReuseAddress(true);
      socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
      return true;
    } catch (IOException e) {
      return false;
    }
  }
}
