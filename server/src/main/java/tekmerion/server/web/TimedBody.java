package tekmerion.server.web;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.IOException;
import java.util.concurrent.TimeUnit;

/** A request whose body must have come within its time, however it is dealt out. */
final class TimedBody extends HttpServletRequestWrapper {
  /** Attribute: what stops the connector from waiting for the rest. */
  static final String DROP_REST = "tekmerion.drop-rest";

  private static final long AT_LEAST_SECONDS = 10;

  /** Slower than this no link of a shop is [bytes per second]. */
  private static final long SLOWEST = 50_000;

  private final long untilNanos;

  TimedBody(HttpServletRequest request) {
    super(request);
    long seconds = AT_LEAST_SECONDS + Math.max(0, request.getContentLengthLong()) / SLOWEST;
    untilNanos = System.nanoTime() + TimeUnit.SECONDS.toNanos(seconds);
  }

  @Override
  public ServletInputStream getInputStream() throws IOException {
    ServletInputStream body = super.getInputStream();
    return new ServletInputStream() {
      @Override
      public int read() throws IOException {
        inTime();
        return body.read();
      }

      @Override
      public int read(byte[] bytes, int offset, int length) throws IOException {
        inTime();
        return body.read(bytes, offset, length);
      }

      @Override
      public boolean isFinished() {
        return body.isFinished();
      }

      @Override
      public boolean isReady() {
        return body.isReady();
      }

      @Override
      public void setReadListener(ReadListener listener) {
        body.setReadListener(listener);
      }
    };
  }

  private void inTime() throws IOException {
    if (System.nanoTime() > untilNanos) {
      if (getAttribute(DROP_REST) instanceof Runnable dropRest) {
        dropRest.run();
      }
      throw new IOException("The request's body did not come within its time.");
    }
  }
}
