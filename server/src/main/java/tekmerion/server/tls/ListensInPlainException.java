package tekmerion.server.tls;

/**
 * What people and probes send would be read by anybody on the network: the server does not start.
 */
final class ListensInPlainException extends RuntimeException {
  private static final long serialVersionUID = 1L;

  ListensInPlainException(String address) {
    super("The server is to listen on %s without TLS. It was not started.".formatted(address));
  }
}
