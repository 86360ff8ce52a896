package tekmerion.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import javax.net.ServerSocketFactory;
import javax.net.ssl.SSLContext;
import tekmerion.link.tls.Fingerprint;
import tekmerion.link.tls.ShopAuthority;

/**
 * Sits between a probe and the server with a certificate of its own, and reads all that is said.
 */
final class Between implements AutoCloseable {
  private final ServerSocket listens;
  private final URI server;
  private final SSLContext toServer;

  /**
   * @param speaks with its own certificate
   * @param authority of the server
   */
  Between(SSLContext speaks, URI server, Fingerprint authority) throws IOException {
    this.server = server;
    this.toServer = ShopAuthority.trusting(authority);
    ServerSocketFactory sockets = speaks.getServerSocketFactory();
    this.listens = sockets.createServerSocket(0, 20, InetAddress.getLoopbackAddress());
    start("between", this::accept);
  }

  URI address() {
    return URI.create("https://127.0.0.1:" + listens.getLocalPort());
  }

  private void accept() throws IOException {
    while (true) {
      Socket probe = listens.accept();
      Socket on = toServer.getSocketFactory().createSocket(server.getHost(), server.getPort());
      start("to server", () -> pass(probe, on));
      start("to probe", () -> pass(on, probe));
    }
  }

  private static void pass(Socket from, Socket to) throws IOException {
    try (from;
        to) {
      InputStream in = from.getInputStream();
      OutputStream out = to.getOutputStream();
      in.transferTo(out);
    }
  }

  private interface Work {
    void run() throws IOException;
  }

  private static void start(String name, Work work) {
    Thread thread =
        new Thread(
            () -> {
              try {
                work.run();
              } catch (IOException e) {
                // One end is gone, or the test is over.
              }
            },
            name);
    thread.setDaemon(true);
    thread.start();
  }

  @Override
  public void close() throws IOException {
    listens.close();
  }
}
